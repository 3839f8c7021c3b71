import { FEWEST_COLUMNS, widthOfColumns } from '@/features/shared/music/paper-size';

/** How large the music was found to be able to be, in per cent, and for what: the same question has the same answer until a system is seen
 * that is higher. */
export interface Fit {
  readonly question: string;
  readonly zoom: number;
  /** Whether it was set by systems that were engraved, and not by what is usual. */
  readonly source: 'usual' | 'measured';
}

/** What the music has to fit into. Units: px; lines of labels under each staff. */
export interface PaperSpace {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly versions: 1 | 2;
  readonly labelLines: number;
  /** In per cent. */
  readonly largest: number;
  /** What else decides how high a system is: the piece, and whether it has hand tracks. */
  readonly subject: string;
}

/** Heights at 100 %, in px: one version with its hand tracks, and one more line of labels. Our own measure on the demo pieces in all keys; what a
 * piece really needs is measured once it is engraved. */
const VERSION_PX = 225;
const LINE_PX = 29;

/** Sizes are found in these steps, in per cent; below the smallest, fingers cannot be read. */
const STEP = 2;
const SMALLEST = 50;
/** On a screen of which the music takes less than this part, it is made larger. */
const WORTH_MORE = 0.88;

/** The size to begin with, before anything is engraved. */
export function fitAtFirst(space: PaperSpace): Fit {
  const usual = space.versions * (VERSION_PX + space.labelLines * LINE_PX);
  return { question: questionOf(space), zoom: zoomFor(space, usual), source: 'usual' };
}

/** The size after systems were engraved at a size: smaller where the highest of them does not fit, larger where there is space to spare and nothing was
 * measured yet. The same object where it stays as it is. */
export function fitAfter(
  fit: Fit,
  space: PaperSpace,
  engraved: { readonly zoom: number; readonly tallestPx: number },
): Fit {
  const atFull = (engraved.tallestPx * 100) / engraved.zoom;
  const isTooHigh = (atFull * fit.zoom) / 100 > space.heightPx;
  const hasRoom = fit.source === 'usual' && (atFull * fit.zoom) / 100 < space.heightPx * WORTH_MORE;
  const zoom = isTooHigh || hasRoom ? zoomFor(space, atFull) : fit.zoom;
  return zoom === fit.zoom && fit.source === 'measured' ? fit : { question: fit.question, zoom, source: 'measured' };
}

export function questionOf({ widthPx, heightPx, versions, labelLines, largest, subject }: PaperSpace): string {
  return [widthPx, heightPx, versions, labelLines, largest, subject].join('/');
}

/** As large as the height allows, and so that a line still holds a few notes. `atFull` is the height of a system at 100 %. */
function zoomFor({ widthPx, heightPx, largest }: PaperSpace, atFull: number): number {
  const byHeight = (heightPx / atFull) * 100;
  const byWidth = (widthPx / widthOfColumns(FEWEST_COLUMNS)) * 100;
  const zoom = Math.min(byHeight, byWidth, largest);
  return Math.max(SMALLEST, Math.floor(zoom / STEP) * STEP);
}
