import { KIND_NAMES } from '../explain';
import { isBlackKey } from '../keyboard';
import { namePrint } from '../pitch';
import { struckNotes, type Hand, type HandNote } from '../score';
import type { Version } from './open-piece';

/** One thing about a hand in a bar. `code` is the same in every key that has it, `text` names the keys there. */
export interface BarMark {
  readonly code: string;
  readonly text: string;
}

/** A hand in one bar of one key. `fingers` are those of its notes in order, chords from the bottom with `+`. */
export interface HandInBar {
  readonly hand: Hand;
  readonly fingers: string;
  readonly marks: readonly BarMark[];
}

/** One bar in several keys, a cell for each key. */
export interface BarInKeys {
  readonly bar: string;
  readonly cells: readonly (readonly HandInBarShown[])[];
  /** Whether the keys differ here in anything. */
  readonly differs: boolean;
}

/** The same, with what is not so in all keys. */
export interface HandInBarShown {
  readonly hand: Hand;
  readonly fingers: string;
  readonly fingersDiffer: boolean;
  readonly marks: readonly (BarMark & { readonly differs: boolean })[];
}

/** Puts several keys of one piece side by side, bar by bar. The keys are versions of the same piece. */
export function barsSideBySide(versions: readonly Version[]): readonly BarInKeys[] {
  const columns = versions.map(handsInBars);
  const bars = [...new Set(columns.flatMap((column) => [...column.keys()]))];
  return bars.map((bar) => {
    const cells = columns.map((column) => column.get(bar) ?? []);
    const shown = cells.map((cell) => cell.map((own) => marked(own, cells.map((other) => other.find(({ hand }) => hand === own.hand)))));
    return { bar, cells: shown, differs: shown.some((cell) => cell.some(({ fingersDiffer, marks }) => fingersDiffer || marks.some(({ differs }) => differs))) };
  });
}

function marked(own: HandInBar, all: readonly (HandInBar | undefined)[]): HandInBarShown {
  return {
    hand: own.hand,
    fingers: own.fingers,
    fingersDiffer: all.some((other) => other?.fingers !== own.fingers),
    marks: own.marks.map((mark) => ({ ...mark, differs: all.some((other) => !other?.marks.some(({ code }) => code === mark.code)) })),
  };
}

function handsInBars(version: Version): ReadonlyMap<string, readonly HandInBar[]> {
  const struck = struckNotes(version.notes);
  const found = new Map<string, HandInBar[]>();
  for (const bar of new Set(struck.map((note) => note.bar))) {
    const hands = (['right', 'left'] as const).flatMap((hand) => {
      const notes = struck.filter((note) => note.bar === bar && note.hand === hand);
      return notes.length === 0 ? [] : [{ hand, fingers: fingersOf(notes), marks: marksOf(version, notes, hand, bar) }];
    });
    found.set(bar, hands);
  }
  return found;
}

function fingersOf(notes: readonly HandNote[]): string {
  const moments = [...new Set(notes.map(({ onset }) => onset))];
  return moments.map((onset) => notes.filter((note) => note.onset === onset).map(({ finger }) => finger ?? '·').join('+')).join(' ');
}

function marksOf(version: Version, notes: readonly HandNote[], hand: Hand, bar: string): readonly BarMark[] {
  const black = notes.filter(({ midi }) => isBlackKey(midi));
  const uses = new Map(black.map((note) => [`black/${note.finger}`, `${note.finger ?? 'a finger'} on ${[...new Set(black.filter(({ finger }) => finger === note.finger).map(({ pitch }) => namePrint(pitch)))].join(', ')}`]));
  const arrivals = version.positions.filter(({ position, notes: own }) => position.hand === hand && position.arrival !== null && own[0]?.bar === bar);
  const flags = version.flags.filter((flag) => flag.hand === hand && flag.severity !== 'watch' && (flag.bars.includes(bar) || flag.bar === bar));
  const signs = notes.filter(({ item }) => item.accidental && !item.accidental.courtesy).length;
  return [
    ...[...uses].map(([code, text]) => ({ code, text })),
    ...arrivals.map(({ name }) => ({ code: 'move', text: `moves to ${namePrint(name)}` })),
    ...flags.map(({ evidence, severity }) => ({ code: `flag/${evidence.kind}`, text: `${severity === 'must' ? 'must: ' : ''}${KIND_NAMES[evidence.kind]}` })),
    ...(signs > 0 ? [{ code: `signs/${signs}`, text: signs === 1 ? '1 accidental' : `${signs} accidentals` }] : []),
  ];
}
