import type { Sheet } from '@/core/sheets';
import type { PaperChoice } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { drawPdf } from './draw-pdf';
import { layOut } from './lay-out';
import type { PrintedPage } from './page';
import { settingOf } from './piece';
import type { Typeface } from './typeface';

/** Music as the engraver drew it, by its MusicXML. */
export type EngravedMusic = ReadonlyMap<string, readonly EngravedSystem[]>;

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
