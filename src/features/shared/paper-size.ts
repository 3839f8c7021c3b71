/** Size of the engraving at 100 %, in per cent of print. */
const PRINT_ZOOM = 38;

/** How wide a note column is at that size, bar lines and signs included. Our own measure on the demo pieces. */
const COLUMN_PX = 31;

/** Room that clefs, names and signatures take at the front of a system. */
const FRONT_PX = 136;

/** How many note columns fit a line of this width. `zoom` is in per cent, as the teacher sets it. */
export function columnsFor(widthPx: number, zoom: number): number {
  return Math.max(6, Math.floor((widthPx - (FRONT_PX * zoom) / 100) / ((COLUMN_PX * zoom) / 100)));
}

/** What the engraver is told, in per cent of print. */
export function engravedZoom(zoom: number): number {
  return (PRINT_ZOOM * zoom) / 100;
}
