/** Size of the engraving at 100 %, in per cent of print. */
const PRINT_ZOOM = 38;

/** How wide a note column is at that size, bar lines and signs included. Our own measure on the demo pieces. */
const COLUMN_PX = 31;

/** Room that clefs, names and signatures take at the front of a system. */
const FRONT_PX = 136;

/** A line with fewer note columns than these can hardly be read as music: two bars of quarter notes and a sign. */
export const FEWEST_COLUMNS = 9;

/** How many note columns fit a line of this width. `zoom` is in per cent, as the teacher sets it. */
export function columnsFor(widthPx: number, zoom: number): number {
  return Math.max(6, Math.floor((widthPx - (FRONT_PX * zoom) / 100) / ((COLUMN_PX * zoom) / 100)));
}

/** How wide a line of so many note columns is at 100 %. Unit: px. */
export function widthOfColumns(columns: number): number {
  return FRONT_PX + columns * COLUMN_PX;
}

/** What the engraver is told, in per cent of print. */
export function engravedZoom(zoom: number): number {
  return (PRINT_ZOOM * zoom) / 100;
}

/** The size as the teacher sets it, from what the engraver was told. */
export function shownZoom(engraved: number): number {
  return (engraved * 100) / PRINT_ZOOM;
}
