import type { HandoutPart } from '../paper';
import type { FingerPage, PositionView } from '../views';
import type { Finger, Hand } from '../score';
import type { EngravingPage } from '../write';

/** A sheet to be printed: what is on it, in the order in which it is read. How it is laid out on paper is not told here. */
export interface Sheet {
  readonly title: string;
  /** The language of its words, as a document names it. */
  readonly language: string;
  /** What stands at the foot of a page: `%1` is its number, `%2` how many there are. */
  readonly pageOf: string;
  readonly blocks: readonly SheetBlock[];
  /** What stands at the foot of each page beside its number: the studio and a line of its own; empty for none. */
  readonly foot: string;
}

/** A thing on a sheet; on a handout it knows of which part it is. */
export type SheetBlock = BlockContent & { readonly part?: HandoutPart };

type BlockContent =
  | { readonly kind: 'title'; readonly text: string; readonly under: string }
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'text'; readonly text: string; readonly look: TextLook }
  /** A row of a rote sheet: who, and what the sentences say. */
  | { readonly kind: 'row'; readonly label: string; readonly text: string }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  /** Steps with boxes to tick, so many each. */
  | { readonly kind: 'steps'; readonly steps: readonly SheetStep[] }
  | SheetMusic
  | { readonly kind: 'places'; readonly places: readonly SheetPlace[] }
  | { readonly kind: 'fingers'; readonly page: FingerPage; readonly handNames: Readonly<Record<Hand, string>> }
  | { readonly kind: 'table'; readonly head: readonly string[]; readonly rows: readonly SheetRow[] }
  /** A line to write on, with a word in front. */
  | { readonly kind: 'fields'; readonly labels: readonly string[] }
  /** Ruled room to write in. */
  | { readonly kind: 'ruled'; readonly label: string; readonly lines: number }
  /** A caution, in a frame. */
  | { readonly kind: 'caution'; readonly text: string }
  | { readonly kind: 'cards'; readonly cards: readonly SheetCard[] }
  /** What follows begins on a page of its own. */
  | { readonly kind: 'page' };

export type TextLook = 'usual' | 'small' | 'large';

/** Music, system by system. Tracks stand under its staves where `positions` are there. */
export interface SheetMusic {
  readonly kind: 'music';
  /** What is heard of it by who cannot see it. */
  readonly label: string;
  readonly page: EngravingPage;
  readonly positions: readonly PositionView[] | null;
  /** Where the hands move anew: what is compared with. */
  readonly before: readonly PositionView[];
  /** Notes that have a thin ring, by their ids. */
  readonly ringed: readonly string[];
}

export interface SheetStep {
  readonly title: string;
  readonly told: string;
  readonly times: number;
}

/** Where a hand sits, as a picture: its sign, the keys with its fingers, and words. Keys as MIDI numbers. */
export interface SheetPlace {
  readonly hand: Hand;
  readonly onBlack: readonly Finger[];
  readonly keys: readonly SheetKey[];
  readonly words: string;
}

export interface SheetKey {
  readonly midi: number;
  readonly finger: Finger;
}

/** A row of a table; the signs of both hands stand in front where they are there. */
export interface SheetRow {
  readonly hands: Readonly<Record<Hand, readonly Finger[]>> | null;
  readonly cells: readonly string[];
}

/** A card to be cut out: one side asks, the other answers. */
export interface SheetCard {
  readonly front: SheetFace;
  readonly back: SheetFace;
}

/** One side of a card. */
export type SheetFace =
  | { readonly kind: 'words'; readonly large: string; readonly small: string }
  | { readonly kind: 'place'; readonly place: SheetPlace }
  | { readonly kind: 'music'; readonly page: EngravingPage; readonly label: string };
