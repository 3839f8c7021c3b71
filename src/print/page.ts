import type { HandoutPart } from '@/core/paper';

/** A page as it is drawn, on paper and on the screen alike: shapes and words with their places in points from the upper left corner. */
export interface PrintedPage {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly PagePart[];
}

/** What belongs together on a page, in the order in which it is read. `role` is what it is in a tagged document; `alt` what is heard of a picture. */
export interface PagePart {
  readonly role: 'H1' | 'H2' | 'P' | 'Figure' | 'foot';
  readonly alt: string;
  readonly marks: readonly PageMark[];
  /** The part of a handout that it belongs to, and the stretch of the page that it takes; null for what belongs to none. */
  readonly place: { readonly part: HandoutPart; readonly top: number; readonly bottom: number } | null;
}

export type PageMark = TextMark | LineMark | BoxMark | PathMark | MusicMark;

/** Words on a line; `y` is the base line. `spacing` is what each letter is wider, in points. */
export interface TextMark {
  readonly kind: 'text';
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly size: number;
  readonly weight: Weight;
  readonly spacing: number;
  readonly ink: Ink;
}

export type Weight = 'regular' | 'bold';

/** Black, or a grey that is still read where a copier makes it lighter. */
export type Ink = 'black' | 'grey' | 'white';

export interface LineMark {
  readonly kind: 'line';
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly width: number;
  readonly dash: readonly number[];
  readonly ink: Ink;
}

export interface BoxMark {
  readonly kind: 'box';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly round: number;
  readonly fill: Ink | 'light' | 'none';
  readonly stroke: number;
  readonly dash: readonly number[];
}

export interface PathMark {
  readonly kind: 'path';
  readonly d: string;
  readonly x: number;
  readonly y: number;
  readonly fill: Ink | 'none';
  readonly stroke: number;
}

/** A picture of the engraver, in its place. */
export interface MusicMark {
  readonly kind: 'music';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly svg: string;
}

export const INKS: Readonly<Record<Ink | 'light', string>> = {
  black: '#000000',
  grey: '#4d4d4d',
  white: '#ffffff',
  light: '#e9e9e9',
};

/** The same marks elsewhere. */
export function movedBy(marks: readonly PageMark[], dx: number, dy: number): readonly PageMark[] {
  return marks.map((mark): PageMark =>
    mark.kind === 'line'
      ? { ...mark, x1: mark.x1 + dx, x2: mark.x2 + dx, y1: mark.y1 + dy, y2: mark.y2 + dy }
      : { ...mark, x: mark.x + dx, y: mark.y + dy },
  );
}

export function line(
  [x1, y1, x2, y2]: readonly [x1: number, y1: number, x2: number, y2: number],
  width = 0.7,
): LineMark {
  return { kind: 'line', x1, y1, x2, y2, width, dash: [], ink: 'black' };
}

type BoxLook = Partial<Pick<BoxMark, 'round' | 'fill' | 'stroke' | 'dash'>>;

export function box(
  [x, y, width, height]: readonly [x: number, y: number, width: number, height: number],
  look: BoxLook = {},
): BoxMark {
  return { kind: 'box', x, y, width, height, round: 0, fill: 'none', stroke: 0.7, dash: [], ...look };
}
