/** What a sheet is printed on, and how large. */
export interface PaperChoice {
  readonly paper: Paper;
  readonly turn: Turn;
  readonly size: MusicSize;
  readonly print: Print;
}

export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

export const TURNS = ['upright', 'across'] as const;
export type Turn = (typeof TURNS)[number];

export const MUSIC_SIZES = ['small', 'usual', 'large'] as const;
export type MusicSize = (typeof MUSIC_SIZES)[number];

/** How words are set: as usual, large, or with more space between letters, words and lines, for readers with dyslexia. */
export const PRINTS = ['usual', 'large', 'spaced'] as const;
export type Print = (typeof PRINTS)[number];

export const USUAL_PAPER: PaperChoice = { paper: 'a4', turn: 'upright', size: 'usual', print: 'usual' };

/** A page in points, 72 to an inch; `margin` all round, `foot` the room of the foot above the lower one. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  readonly foot: number;
}

/** Sizes upright. Source: ISO 216 (210 × 297 mm), ANSI (8.5 × 11 in). Unit: points. */
const SIZES: Readonly<Record<Paper, readonly [width: number, height: number]>> = {
  a4: [595.28, 841.89],
  letter: [612, 792],
};

/** 15 mm: what printers at home leave free, and room for the holes of a folder. Our own choice. */
const MARGIN = 42.5;
const FOOT = 22;

export function pageSize({ paper, turn }: PaperChoice): PageSize {
  const [short, long] = SIZES[paper];
  const [width, height] = turn === 'upright' ? [short, long] : [long, short];
  return { width, height, margin: MARGIN, foot: FOOT };
}

/** Height of a staff, from its lowest line to its highest. Unit: points. Source: common practice of engraving (7 mm for usual parts, 8–9 mm in books for children). */
const STAFF: Readonly<Record<MusicSize, number>> = { small: 17, usual: 21, large: 27 };

/** Height of a staff in the units of the engraver, and how many of those a pixel of its page has at full size. */
const STAFF_UNITS = 720;
const UNITS_A_PIXEL = 10;

/** Points to a unit of the engraver. */
export function musicScale({ size }: Pick<PaperChoice, 'size'>): number {
  return STAFF[size] / STAFF_UNITS;
}

/** How wide the engraver's page is at full size, so that its lines are as wide as the paper between its margins. Unit: px. */
export function engravedWidthPx(choice: PaperChoice): number {
  const { width, margin } = pageSize(choice);
  return Math.floor((width - 2 * margin) / musicScale(choice) / UNITS_A_PIXEL);
}

/** Room that a note column takes, and the signs in front of a line. Unit: of the engraver. Our own measure on the demo pieces. */
const COLUMN = 560;
const FRONT = 1500;

/** How many note columns a line has room for. */
export function columnsOn(choice: PaperChoice): number {
  return Math.max(6, Math.floor((engravedWidthPx(choice) * UNITS_A_PIXEL - FRONT) / COLUMN));
}
