import { benchView, type BenchView } from '@/core/views';
import { ID_PREFIXES } from '@/core/paper';
import { demoFile } from './demo-pieces';
import { moved, open } from './open';
import { createVerovio } from './verovio';
import { SAYS } from './usual-words';

/** A demo piece on the Bench in a key, with the pictures that the engraver makes of its systems. */
export async function engravedPiece(
  id: string,
  key: string,
): Promise<{ readonly view: BenchView; readonly pictures: readonly string[] }> {
  const engraver = await createVerovio();
  const piece = open(demoFile(id));
  const view = benchView(
    SAYS,
    piece,
    { before: moved(piece, 'C'), after: moved(piece, key, { fingering: 'plan' }) },
    {
      view: 'both',
      columns: 30,
      prefixes: ID_PREFIXES,
      labels: ['letters'],
      marks: [],
      tracks: 'shown',
    },
  );
  engraver.setOptions({
    breaks: 'encoded',
    scale: 38,
    pageWidth: 2300,
    pageHeight: 60_000,
    adjustPageHeight: true,
    header: 'none',
    footer: 'none',
    svgViewBox: true,
    svgRemoveXlink: true,
    svgFormatRaw: true,
  });
  engraver.loadData(view.page.musicXml);
  return { view, pictures: Array.from({ length: engraver.getPageCount() }, (_, i) => engraver.renderToSVG(i + 1)) };
}
