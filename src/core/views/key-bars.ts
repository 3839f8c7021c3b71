import { groupBy } from '../base';
import { type BarFact, type Language } from '../explain';
import { isBlackKey } from '../keyboard';
import { struckNotes, type Hand, type HandNote } from '../score';
import type { Version } from '../piece';

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
export function barsSideBySide(says: Language, versions: readonly Version[]): readonly BarInKeys[] {
  const columns = versions.map((one) => handsInBars(says.inKey(one.key), one));
  const bars = [...new Set(columns.flatMap((column) => [...column.keys()]))];
  return bars.map((bar) => {
    const cells = columns.map((column) => column.get(bar) ?? []);
    const shown = cells.map((cell) =>
      cell.map((own) =>
        marked(
          own,
          cells.map((other) => other.find(({ hand }) => hand === own.hand)),
        ),
      ),
    );
    return {
      bar,
      cells: shown,
      differs: shown.some((cell) =>
        cell.some(({ fingersDiffer, marks }) => fingersDiffer || marks.some(({ differs }) => differs)),
      ),
    };
  });
}

function marked(own: HandInBar, all: readonly (HandInBar | undefined)[]): HandInBarShown {
  return {
    hand: own.hand,
    fingers: own.fingers,
    fingersDiffer: all.some((other) => other?.fingers !== own.fingers),
    marks: own.marks.map((mark) => ({
      ...mark,
      differs: all.some((other) => !other?.marks.some(({ code }) => code === mark.code)),
    })),
  };
}

function handsInBars(says: Language, version: Version): ReadonlyMap<string, readonly HandInBar[]> {
  const struck = struckNotes(version.notes);
  const found = new Map<string, HandInBar[]>();
  for (const bar of new Set(struck.map((note) => note.bar))) {
    const hands = (['right', 'left'] as const).flatMap((hand) => {
      const notes = struck.filter((note) => note.bar === bar && note.hand === hand);
      return notes.length === 0
        ? []
        : [
            {
              hand,
              fingers: fingersOf(notes),
              marks: factsOf(version, notes, hand, bar).map((fact) => markOf(says, fact)),
            },
          ];
    });
    found.set(bar, hands);
  }
  return found;
}

function fingersOf(notes: readonly HandNote[]): string {
  const moments = [...new Set(notes.map(({ onset }) => onset))];
  return moments
    .map((onset) =>
      notes
        .filter((note) => note.onset === onset)
        .map(({ finger }) => finger ?? '·')
        .join('+'),
    )
    .join(' ');
}

function markOf(says: Language, fact: BarFact): BarMark {
  return { code: codeOf(fact), text: says.barFactWords(fact) };
}

function factsOf(version: Version, notes: readonly HandNote[], hand: Hand, bar: string): readonly BarFact[] {
  const black = groupBy(
    notes.filter(({ midi }) => isBlackKey(midi)),
    ({ finger }) => finger,
  );
  const arrivals = version.positions.filter(
    ({ position, notes: own }) => position.hand === hand && position.arrival !== null && own[0]?.bar === bar,
  );
  const flags = version.flags.filter(
    (flag) => flag.hand === hand && flag.severity !== 'watch' && (flag.bars.includes(bar) || flag.bar === bar),
  );
  const signs = notes.filter(({ item }) => item.accidental && !item.accidental.courtesy).length;
  return [
    ...[...black].map(([finger, own]): BarFact => ({ kind: 'black', finger, keys: own.map(({ pitch }) => pitch) })),
    ...arrivals.map(({ name }): BarFact => ({ kind: 'move', to: name })),
    ...flags.map(({ evidence, severity }): BarFact => ({
      kind: 'flag',
      flag: evidence.kind,
      isMust: severity === 'must',
    })),
    ...(signs > 0 ? [{ kind: 'signs', count: signs } as const] : []),
  ];
}

/** The same in every key that has the same: fingers and flags count, the names of keys do not. */
function codeOf(fact: BarFact): string {
  switch (fact.kind) {
    case 'black':
      return `black/${fact.finger}`;
    case 'move':
      return 'move';
    case 'flag':
      return `flag/${fact.flag}`;
    case 'signs':
      return `signs/${fact.count}`;
  }
}
