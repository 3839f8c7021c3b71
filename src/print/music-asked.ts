import { engravedWidthPx, type PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import type { EngravingPage } from '@/core/write';
import type { EngraveLayout } from '@/contract/engraving-questions';

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
