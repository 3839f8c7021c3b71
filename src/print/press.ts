import type { Sheet } from '@/core/sheets';
import { engravedWidthPx, type PaperChoice } from '@/core/paper';
import type { EngravedSystem, EngraveLayout } from '@/workers/protocol';
import type { EngravingPage } from '@/core/write';
import { drawPdf } from './draw-pdf';
import { layOut } from './lay-out';
import type { PrintedPage } from './page';
import { settingOf } from './piece';
import type { Typeface } from './typeface';

/** Music as the engraver drew it, by its MusicXML. */
export type EngravedMusic = ReadonlyMap<string, readonly EngravedSystem[]>;

/** A page of a sheet as the engraver is asked for it. */
export interface MusicAsked {
  readonly page: EngravingPage;
  readonly layout: EngraveLayout;
}

/** The music of some sheets on this paper, each page of it once: by systems, or as one line where it stands on a card. */
export function musicAsked(sheets: readonly Sheet[], paper: PaperChoice): readonly MusicAsked[] {
  const layout = { widthPx: engravedWidthPx(paper), zoom: 100 };
  const asked = new Map<string, MusicAsked>();
  for (const block of sheets.flatMap((sheet) => sheet.blocks)) {
    if (block.kind === 'music')
      asked.set(block.page.musicXml, { page: block.page, layout: { ...layout, breaks: 'encoded' } });
    if (block.kind !== 'cards') continue;
    for (const face of block.cards.flatMap(({ front, back }) => [front, back]))
      if (face.kind === 'music')
        asked.set(face.page.musicXml, { page: face.page, layout: { ...layout, breaks: 'none' } });
  }
  return [...asked.values()];
}

/** A sheet set out on its pages. */
export function pagesOf(
  typeface: Typeface,
  sheet: Sheet,
  paper: PaperChoice,
  music: EngravedMusic,
): readonly PrintedPage[] {
  return layOut(
    settingOf(typeface, paper, (musicXml) => music.get(musicXml) ?? []),
    sheet,
  );
}

/** Some sheets as one PDF; each counts its own pages. Null where `onPage` stopped the work. */
export function pdfOf(
  typeface: Typeface,
  sheets: readonly Sheet[],
  { paper, music, title }: { readonly paper: PaperChoice; readonly music: EngravedMusic; readonly title: string },
  onPage: (done: number, of: number) => Promise<'go-on' | 'stop'>,
): Promise<Uint8Array | null> {
  const pages = sheets.flatMap((sheet) => pagesOf(typeface, sheet, paper, music));
  const language = sheets[0]?.language ?? 'en';
  return drawPdf(typeface, pages, { title, language }, (done) => onPage(done, pages.length));
}
