import type { AskedMoment, AskedMusic, StruckKey } from '../asked';
import { judgePlaying, type Judgement, type Strictness } from '../practice';

/** A part of what is echoed, as moments: from one to in front of another. */
export interface Phrase {
  readonly from: number;
  readonly to: number;
}

/** Where call and echo are: the phrases that are still to be answered, the first of them now, and how often it has failed. */
export interface EchoState {
  readonly todo: readonly Phrase[];
  readonly failed: number;
}

/** Bars of a phrase to begin with. Common practice: phrases are short. */
const BARS_A_PHRASE = 2;

/** A phrase that failed so often is cut in half. */
const FAILS_TO_CUT = 2;

/** Begins call and echo: two bars at a time; a pick-up goes with the bars behind it. */
export function beginEcho({ moments, bars }: AskedMusic): EchoState {
  const [first, second] = bars;
  const pickup = first && second && first.length < second.length ? 1 : 0;
  const begins = bars.flatMap(({ at }, i) => (i === 0 || (i - pickup) % BARS_A_PHRASE === 0 ? [at] : []));
  const starts = (pickup === 1 ? begins.toSpliced(1, 1) : begins).map((at) => firstAt(moments, at));
  const ends = [...starts.slice(1), moments.length];
  return {
    todo: starts.map((from, i) => ({ from, to: ends[i] ?? moments.length })).filter(({ from, to }) => to > from),
    failed: 0,
  };
}

/** The first moment that is not before a time. */
function firstAt(moments: readonly AskedMoment[], at: number): number {
  const index = moments.findIndex((moment) => moment.at >= at - SAME_TIME);
  return index < 0 ? moments.length : index;
}

/** Unit: quarter notes. */
const SAME_TIME = 1e-6;

/** After an answer: the next phrase where it was right. One that failed twice is cut in half, and comes back as a whole behind its halves. */
export function answered(music: AskedMusic, { todo, failed }: EchoState, answer: 'right' | 'wrong'): EchoState {
  const [phrase, ...rest] = todo;
  if (!phrase || answer === 'right') return { todo: rest, failed: 0 };
  if (failed + 1 < FAILS_TO_CUT) return { todo, failed: failed + 1 };
  const cut = cutAt(music, phrase);
  if (cut === null) return { todo, failed: 0 };
  return { todo: [{ from: phrase.from, to: cut }, { from: cut, to: phrase.to }, ...todo], failed: 0 };
}

/** Where a phrase is cut: at the bar, the beat or the note that is nearest to its middle, in this order of liking. Null where it is one moment. */
function cutAt({ moments }: AskedMusic, { from, to }: Phrase): number | null {
  const middle = ((moments[from]?.at ?? 0) + (moments[to - 1]?.at ?? 0)) / 2;
  const inside = Array.from({ length: Math.max(0, to - from - 1) }, (_, i) => from + 1 + i);
  for (const place of ['bar', 'beat', 'between'] as const) {
    const [nearest] = inside
      .filter((i) => moments[i]?.place === place)
      .toSorted((a, b) => Math.abs((moments[a]?.at ?? 0) - middle) - Math.abs((moments[b]?.at ?? 0) - middle));
    if (nearest !== undefined) return nearest;
  }
  return null;
}

/** A key that is struck in a call. Times in quarter notes from its first note. */
export interface CalledKey {
  readonly midi: number;
  readonly at: number;
  readonly length: number;
}

/** What is played to the pupil of a phrase. */
export function callOf(music: AskedMusic, phrase: Phrase): readonly CalledKey[] {
  const { notes, moments } = phraseMusic(music, phrase);
  const begin = moments[0]?.at ?? 0;
  return notes.map(({ midi, at, length }) => ({ midi, at: at - begin, length }));
}

/** An answer as it was heard: in which octave beside the call (in half steps), and what was right of it. */
export interface EchoJudgement {
  readonly octave: number;
  readonly judgement: Judgement;
}

/** In place first, then an octave higher, then lower. Unit: half steps. */
const OCTAVES = [0, 12, -12] as const;

/** Judges an answer by ear: in the octave in which most of it is right. */
export function judgeEcho(
  music: AskedMusic,
  phrase: Phrase,
  keys: readonly StruckKey[],
  strictness: Strictness,
): EchoJudgement {
  const asked = phraseMusic(music, phrase);
  const heard = OCTAVES.map((octave): EchoJudgement => {
    const inPlace = keys.map((key) => ({ ...key, midi: key.midi - octave }));
    return { octave, judgement: judgePlaying(asked, inPlace, { strictness, bpm: null, countIn: null }) };
  });
  return heard.reduce((best, one) => (one.judgement.right > best.judgement.right ? one : best));
}

/** The music of some moments alone. */
export function phraseMusic(music: AskedMusic, { from, to }: Phrase): AskedMusic {
  const moments = music.moments.slice(from, to);
  const wanted = moments.flatMap(({ notes }) => notes);
  const placeOf = new Map(wanted.map((note, i) => [note, i]));
  const within = new Set(moments.map(({ barIndex }) => barIndex));
  return {
    ...music,
    notes: wanted.flatMap((note) => music.notes[note] ?? []),
    moments: moments.map((moment) => ({ ...moment, notes: moment.notes.flatMap((note) => placeOf.get(note) ?? []) })),
    bars: music.bars.filter(({ index }) => within.has(index)),
    others: [],
  };
}
