import type { Easier } from '../base';
import {
  demandsFor,
  latticeOf,
  NO_EXTRA,
  realView,
  solve,
  stepLimits,
  struckAt,
  type Limit,
  type Passage,
  type PassageEvent,
  type Player,
} from '../fingering';

/** A passage on the keys of some key: `midis` are the sounding keys of its notes. */
interface OnKeys {
  readonly passage: Passage;
  readonly midis: readonly number[];
}

/** A version of what a hand cannot play that it can, as near to the piece as there is: in one place, or without one note of some chords; null where neither
 * helps. O(notes) times a few plans. */
export function easierVersion(passage: Passage, midis: readonly number[], player: Player): Easier | null {
  const whole = { passage, midis };
  const broken = limitsIn(whole, player);
  if (broken.length === 0) return null;
  if (broken.every(({ limits }) => limits.every((limit) => limit === 'move'))) return inOnePlace(whole, player);
  const keepsFirst =
    passage.hand === 'right' ? (['lower', 'inner', 'upper'] as const) : (['upper', 'inner', 'lower'] as const);
  for (const which of keepsFirst) {
    const found = withoutNotes(whole, player, which);
    if (found) return found;
  }
  return null;
}

interface Broken {
  readonly t: number;
  readonly limits: readonly Limit[];
}

function limitsIn({ passage, midis }: OnKeys, player: Player): readonly Broken[] {
  const lattice = latticeOf(passage, realView(passage, midis), demandsFor(player));
  const { steps } = solve(lattice, NO_EXTRA);
  return steps.flatMap((_, t) => {
    const limits = stepLimits(lattice, steps, t);
    return limits.length === 0 ? [] : [{ t, limits }];
  });
}

const CLOSED_LETTERS = 4;
const OCTAVE = { letters: 7, semitones: 12 } as const;

/** Every moment is moved by octaves to where the closed hand lies that the piece begins with. */
function inOnePlace(whole: OnKeys, player: Player): Easier | null {
  const letters = (t: number): readonly number[] =>
    struckAt(whole.passage, t).map((note) => whole.passage.notes[note]?.letter as number);
  const first = letters(0);
  const [from, to] = [Math.max(...first) - CLOSED_LETTERS, Math.min(...first)];
  for (let home = from; home <= to; home += 1) {
    const octaves = whole.passage.events.map((_, t) => octavesInto(letters(t), home));
    if (octaves.includes(null)) continue;
    if (limitsIn(movedByOctaves(whole, octaves as readonly number[]), player).length === 0)
      return { kind: 'one-place' };
  }
  return null;
}

/** By how many octaves some letters have to be moved to lie within the five from `home` on; null where they do not fit. */
function octavesInto(letters: readonly number[], home: number): number | null {
  const octaves = Math.ceil((home - Math.min(...letters)) / OCTAVE.letters);
  return Math.max(...letters) + OCTAVE.letters * octaves <= home + CLOSED_LETTERS ? octaves : null;
}

function movedByOctaves({ passage, midis }: OnKeys, octaves: readonly number[]): OnKeys {
  const direction = passage.hand === 'right' ? 1 : -1;
  const of = new Map(
    passage.events.flatMap((_, t) => struckAt(passage, t).map((note) => [note, octaves[t] as number])),
  );
  return {
    passage: {
      ...passage,
      notes: passage.notes.map((note, i) => ({ ...note, letter: note.letter + OCTAVE.letters * (of.get(i) ?? 0) })),
    },
    midis: midis.map((midi, i) => midi + direction * OCTAVE.semitones * (of.get(i) ?? 0)),
  };
}

/** From each chord that the hand cannot hold, one note is left out. */
function withoutNotes(whole: OnKeys, player: Player, which: 'lower' | 'inner' | 'upper'): Easier | null {
  const broken = limitsIn(whole, player).map(({ t }) => t);
  const left = broken.map((t) => noteOf(whole.passage, t, which));
  if (left.includes(null)) return null;
  const gone = new Set(left as readonly number[]);
  if (limitsIn({ ...whole, passage: withoutAll(whole.passage, gone) }, player).length > 0) return null;
  const isOctave = broken.every((t) => isStruckOctave(whole.passage, t));
  const bars = broken.map((t) => whole.passage.notes[struckAt(whole.passage, t)[0] as number]?.note.bar ?? '');
  return { kind: 'without', which, of: isOctave ? 'octaves' : 'chords', bars: [...new Set(bars)] };
}

/** The lowest, the highest or the only inner note of a chord. */
function noteOf(passage: Passage, t: number, which: 'lower' | 'inner' | 'upper'): number | null {
  const struck = struckAt(passage, t);
  const rising = passage.hand === 'right' ? struck : struck.toReversed();
  if (rising.length < 2) return null;
  if (which === 'inner') return rising.length === 3 ? (rising[1] as number) : null;
  return (which === 'lower' ? rising[0] : rising.at(-1)) as number;
}

function isStruckOctave(passage: Passage, t: number): boolean {
  const letters = struckAt(passage, t).map((note) => passage.notes[note]?.letter as number);
  return letters.length === 2 && Math.max(...letters) - Math.min(...letters) === OCTAVE.letters;
}

function withoutAll(passage: Passage, gone: ReadonlySet<number>): Passage {
  const rest = (notes: readonly number[]): readonly number[] => notes.filter((note) => !gone.has(note));
  return {
    ...passage,
    events: passage.events.map((event): PassageEvent => ({
      ...event,
      struck: rest(event.struck),
      held: rest(event.held),
      released: rest(event.released),
    })),
  };
}
