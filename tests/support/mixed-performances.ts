import { momentsOf, type AskedMusic, type AskedNote, type StruckKey } from '@/core/asked';
import { midiNumber, signatureAlter, type Step } from '@/core/pitch';
import type { PlayFault, PlayFaultKind } from '@/core/practice';
import type { Hand } from '@/core/score';
import { playAs, type Pupil } from '@/core/simulation';
import { chance } from './histories';

/** What a teacher beside the piano would say of a performance: its cause, where, and for which hand. Bars by their places. */
export interface Meant {
  readonly kind: PlayFaultKind;
  readonly hand: Hand | null;
  readonly from: number;
  readonly to: number;
  /** By how many half steps, where that is told; by how many beats. */
  readonly halfSteps?: number;
  readonly beats?: number;
}

export interface Mixed {
  readonly name: string;
  readonly music: AskedMusic;
  readonly keys: readonly StruckKey[];
  readonly meant: readonly Meant[];
}

const STEADY: Pupil = { seed: 1, bpm: 72, jitterMs: 25, unevenMs: 0, drift: 0.03, weaknesses: [] };

/** How the notes of a page were really struck: another key, another time, or not at all. */
type Change = (note: AskedNote, bar: number, music: AskedMusic) => Partial<Pick<AskedNote, 'midi' | 'at'>> | null;

interface Kind {
  readonly name: string;
  readonly make: (music: AskedMusic, luck: ReturnType<typeof chance>) => { meant: Meant; change: Change } | null;
}

const within = (bar: number, { from, to }: Meant): boolean => bar >= from && bar <= to;
const isOf = (note: AskedNote, { hand }: Meant): boolean => hand === null || note.hand === hand;
const whole = ({ bars }: AskedMusic) => ({ from: 0, to: bars.length - 1 });
const hasBoth = ({ notes }: AskedMusic): boolean => new Set(notes.map(({ hand }) => hand)).size === 2;

/** Some bars in which there is enough to play to tell where a hand sat. */
function someBars(music: AskedMusic, luck: ReturnType<typeof chance>, length: number, hand: Hand | null) {
  const starts = music.bars.flatMap((_, from) => {
    const to = from + length - 1;
    if (to >= music.bars.length) return [];
    const own = music.notes.filter(
      (note) =>
        within(barOf(music, note), { kind: 'transposed', hand, from, to }) && (hand === null || note.hand === hand),
    );
    const letters = new Set(own.map(({ midi }) => midi));
    return own.length >= 6 && letters.size >= 3 ? [{ from, to }] : [];
  });
  return starts.length === 0 ? null : luck.of(starts);
}

export function barOf({ bars }: AskedMusic, { at }: AskedNote): number {
  return bars.findLastIndex((bar) => bar.at <= at + 1e-6);
}

const shifted =
  (meant: Meant, halfSteps: number): Change =>
  (note, bar) =>
    within(bar, meant) && isOf(note, meant) ? { midi: note.midi + halfSteps } : {};

const KINDS: readonly Kind[] = [
  {
    name: 'an octave off from beginning to end',
    make: (music, luck) => {
      const halfSteps = luck.of([12, -12]);
      const meant = { kind: 'transposed', hand: null, ...whole(music), halfSteps } as const;
      return { meant, change: shifted(meant, halfSteps) };
    },
  },
  {
    name: 'one hand an octave off',
    make: (music, luck) => {
      if (!hasBoth(music)) return null;
      const hand = luck.of(['right', 'left'] as const);
      const meant = { kind: 'transposed', hand, ...whole(music), halfSteps: hand === 'right' ? 12 : -12 } as const;
      return { meant, change: shifted(meant, meant.halfSteps) };
    },
  },
  {
    name: 'some bars in the key of last week',
    make: (music, luck) => {
      const bars = someBars(music, luck, 2 + luck.below(2), null);
      if (!bars) return null;
      const halfSteps = luck.of([3, 4, 5, -3, -4, -5, 7, -7]);
      const meant = { kind: 'transposed', hand: null, ...bars, halfSteps } as const;
      return { meant, change: shifted(meant, halfSteps) };
    },
  },
  {
    name: 'all of it in another key',
    make: (music, luck) => {
      const halfSteps = luck.of([3, 4, 5, -3, -4, -5, 6, 7]);
      const meant = { kind: 'transposed', hand: null, ...whole(music), halfSteps } as const;
      return { meant, change: shifted(meant, halfSteps) };
    },
  },
  {
    name: 'some bars with the hand a third off',
    make: (music, luck) => {
      const hand = luck.of(['right', 'left'] as const);
      const bars = someBars(music, luck, 2 + luck.below(2), hand);
      if (!bars) return null;
      const letters = luck.of([2, -2]);
      const meant = { kind: 'transposed', hand, ...bars } as const;
      return {
        meant,
        change: (note, bar) =>
          within(bar, meant) && isOf(note, meant) ? { midi: lettersOff(music, note, letters) } : {},
      };
    },
  },
  {
    name: 'a hand one beat late throughout',
    make: (music, luck) => {
      if (!hasBoth(music)) return null;
      const hand = luck.of(['left', 'left', 'right'] as const);
      const beat = music.bars[0]?.beat ?? 1;
      const meant = { kind: 'hand-late', hand, ...whole(music), beats: 1 } as const;
      return { meant, change: (note) => (note.hand === hand ? { at: note.at + beat } : {}) };
    },
  },
  {
    name: 'one hand of two',
    make: (music, luck) => {
      if (!hasBoth(music)) return null;
      const hand = luck.of(['right', 'left'] as const);
      const meant = { kind: 'one-hand', hand, ...whole(music) } as const;
      return { meant, change: (note) => (note.hand === hand ? null : {}) };
    },
  },
];

function lettersOff({ bars }: AskedMusic, note: AskedNote, letters: number): number {
  const line = note.pitch.step + 7 * note.pitch.octave + letters;
  const step = (((line % 7) + 7) % 7) as Step;
  const fifths = bars[barOf({ bars } as AskedMusic, note)]?.fifths ?? 0;
  return midiNumber({ step, octave: Math.floor(line / 7), alter: signatureAlter(fifths, step) });
}

/** A performance with one cause, and in every third one with a second or a slip beside it, by seed. Null where the music has no room for it. */
export function mixedPerformance(
  seed: number,
  all: readonly { readonly name: string; readonly music: AskedMusic }[],
): Mixed | null {
  const luck = chance(seed);
  const { name, music } = luck.of(all);
  const kind = KINDS[seed % KINDS.length] as Kind;
  const made = kind.make(music, luck);
  if (!made) return null;
  const second = seed % 3 === 0 ? secondCause(music, luck, made.meant) : null;
  const changes = [made.change, ...(second ? [second.change] : [])];
  const pupil = { ...STEADY, seed, bpm: 55 + luck.below(45), drift: 0.05 };
  return {
    name: `${seed}: ${name}, ${kind.name}${second ? `, and ${second.name}` : ''}`,
    music,
    keys: performed(music, pupil, changes),
    meant: [made.meant, ...(second ? [second.meant] : [])],
  };
}

/** A hand that was asked for, and the other played: what is asked for, and what was struck. Null where one of them has too little to play to be told by. */
export function otherHandPlayed(
  seed: number,
  all: readonly { readonly name: string; readonly music: AskedMusic }[],
): Mixed | null {
  const luck = chance(seed);
  const { name, music } = luck.of(all);
  const hand = luck.of(['right', 'left'] as const);
  const askedFor = handAlone(music, hand);
  const played = handAlone(music, hand === 'right' ? 'left' : 'right');
  if (Math.min(askedFor.notes.length, played.notes.length) < 6) return null;
  const { keys } = playAs({ ...STEADY, seed, bpm: 55 + luck.below(45) }, played);
  const meant: Meant = { kind: 'other-hand', hand: hand === 'right' ? 'left' : 'right', ...whole(music) };
  return { name: `${seed}: ${name}, the other hand than the ${hand}`, music: askedFor, keys, meant: [meant] };
}

function handAlone(music: AskedMusic, hand: Hand): AskedMusic {
  const notes = music.notes.filter((note) => note.hand === hand);
  const others = music.notes.filter((note) => note.hand !== hand);
  return { ...music, notes, others, moments: momentsOf(notes, music.bars, new Set()) };
}

/** A second cause elsewhere: some bars in another key beside what holds throughout. */
function secondCause(music: AskedMusic, luck: ReturnType<typeof chance>, first: Meant) {
  if (first.kind === 'one-hand' || first.kind === 'transposed') return null;
  const bars = someBars(music, luck, 2, null);
  if (!bars) return null;
  const halfSteps = luck.of([3, 4, 5, -3, -4, -5]);
  const meant: Meant = { kind: 'transposed', hand: null, ...bars, halfSteps };
  return { name: 'some bars in another key', meant, change: shifted(meant, halfSteps) };
}

/** What a steady pupil strikes for a page that was changed so. */
function performed(music: AskedMusic, pupil: Pupil, changes: readonly Change[]): readonly StruckKey[] {
  const { keys, notes } = strokesOf(music, pupil);
  const msPerQuarter = 60_000 / pupil.bpm / (music.bars[0]?.beat ?? 1);
  return keys
    .flatMap((key, i) => {
      const note = notes[i] as AskedNote;
      const bar = barOf(music, note);
      const changed = changes.map((change) => change(note, bar, music));
      if (changed.includes(null)) return [];
      const midi = changed.reduce((sum, one) => sum + ((one?.midi ?? note.midi) - note.midi), key.midi);
      const late = changed.reduce((sum, one) => sum + ((one?.at ?? note.at) - note.at), 0) * msPerQuarter;
      return [{ ...key, midi, downMs: key.downMs + late, upMs: key.upMs + late }];
    })
    .toSorted((a, b) => a.downMs - b.downMs || a.midi - b.midi);
}

/** What is struck for a page, with the note of each key: it is told by a page whose keys are all different. */
function strokesOf(music: AskedMusic, pupil: Pupil) {
  const marked = { ...music, notes: music.notes.map((note, i) => ({ ...note, midi: i })) };
  const { keys } = playAs(pupil, marked);
  const notes = keys.map(({ midi }) => music.notes[midi] as AskedNote);
  return { keys: keys.map((key, i) => ({ ...key, midi: (notes[i] as AskedNote).midi })), notes };
}

/** Whether a fault that was told is what was meant: its kind, its hand, and its bars within one bar of it. */
export function isMeant(music: AskedMusic, meant: Meant, fault: PlayFault): boolean {
  if (fault.kind !== meant.kind) return false;
  // Nothing of it was asked for, so nothing has a place.
  if (meant.kind === 'other-hand') return fault.hand === meant.hand;
  const places = fault.stretch;
  const [from, to] = [music.bars[meant.from], music.bars[meant.to]];
  if (!places || !from || !to) return false;
  const hands = new Set(
    music.notes.filter((note) => within(barOf(music, note), meant) && isOf(note, meant)).map(({ hand }) => hand),
  );
  const isHand = fault.hand === meant.hand || (hands.size === 1 && (fault.hand === null || hands.has(fault.hand)));
  const isPlace = Math.abs(fault.barIndex - from.index) <= 1 && Math.abs(places.toBarIndex - to.index) <= 1;
  const isFar = meant.halfSteps === undefined || places.shift?.halfSteps === meant.halfSteps;
  const isLate = meant.beats === undefined || places.beats === meant.beats;
  return isHand && isPlace && isFar && isLate;
}
