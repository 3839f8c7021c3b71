import type { EngravingPage } from '@/core/write';
import type { Answer } from './answer';

/** A system of music as a picture, with the places that overlays need, in the units of the picture's own `viewBox`. */
export interface EngravedSystem {
  readonly svg: string;
  readonly viewBox: readonly [x: number, y: number, width: number, height: number];
  /** The head of each note, at its upper left and with its width. */
  readonly heads: readonly { readonly id: string; readonly x: number; readonly y: number; readonly width: number }[];
  /** Where the free lines under a staff begin, by the id of its first note, and how high a line is. */
  readonly lines: readonly { readonly id: string; readonly y: number }[];
  /** The bars from left to right, each with its staves from the top: where their lines are. */
  readonly bars: readonly EngravedBar[];
}

export interface EngravedBar {
  readonly x1: number;
  readonly x2: number;
  readonly staves: readonly { readonly top: number; readonly bottom: number }[];
}

/** What the engraving worker does: a page in, one picture a system out. `zoom` is in per cent of print size. */
export interface EngraveService {
  engrave(
    page: EngravingPage,
    layout: EngraveLayout,
  ): Answer<readonly EngravedSystem[]> | Promise<Answer<readonly EngravedSystem[]>>;
  /** Answered once the worker is there: a screen that will soon have pages starts the engraver before it has any. */
  ready(): Answer<null> | Promise<Answer<null>>;
}

/** `breaks`: as the page says, or none (one long line). */
export interface EngraveLayout {
  readonly widthPx: number;
  readonly zoom: number;
  readonly breaks: 'encoded' | 'none';
  /** Whether a line is as wide as the page it is printed on, or as long as its notes need; the first where nothing is said. One long line
   * that is as long as it needs has the width of the page all the same. */
  readonly spread?: 'wide' | 'natural' | undefined;
}

/** Music with what the engraver made of it. */
export interface EngravedPair {
  readonly musicXml: string;
  readonly systems: readonly EngravedSystem[];
}
