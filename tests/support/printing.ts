import { unwrap } from '@/core/base';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import { readFontFile } from '@/api/press';
import { musicAsked } from '@/print/music-asked';
import { pdfOf, type EngravedMusic } from '@/print/press';
import { readTypeface, type Typeface } from '@/print/typeface';
import { engravePage } from '@/workers/engrave/engraving';
import { createVerovio, type Engraver } from './verovio';

/** What sheets are printed with, in Node. */
export interface Press {
  readonly engraver: Engraver;
  readonly typeface: Typeface;
}

export async function createPress(): Promise<Press> {
  return { engraver: await createVerovio(), typeface: await readTypeface(readFontFile) };
}

/** All music of some sheets, engraved. */
export function engraved({ engraver }: Press, sheets: readonly Sheet[], paper: PaperChoice): EngravedMusic {
  return new Map(
    musicAsked(sheets, paper).map(({ page, layout }) => [page.musicXml, unwrap(engravePage(engraver, page, layout))]),
  );
}

/** Some sheets as one PDF. */
export async function printedPdf(
  press: Press,
  sheets: readonly Sheet[],
  { paper, music }: { readonly paper: PaperChoice; readonly music: EngravedMusic },
): Promise<Uint8Array> {
  const facts = { paper, music, title: sheets[0]?.title ?? '' };
  const pdf = await pdfOf(press.typeface, sheets, facts, () => Promise.resolve('go-on'));
  if (pdf === null) throw new Error('stopped');
  return pdf;
}
