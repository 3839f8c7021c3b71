import type { Passage, PassageEvent, PassageNote } from '../fingering';
import { tempoOf, type Join, type Tempo } from './weights.table';

/** A moment at which a hand strikes keys, as the postures see it. Letters are mirrored in the left hand: larger towards finger 5 in both. */
export interface Moment {
  /** Notes of the passage, from the thumb's side: those that are struck, and those that are held. */
  readonly struck: readonly number[];
  readonly held: readonly number[];
  /** The letters of the struck notes. */
  readonly letters: readonly number[];
  readonly bar: number;
  readonly join: Join;
  readonly tempo: Tempo;
  /** From this moment to the end of its phrase. */
  readonly phraseLow: number;
  readonly phraseHigh: number;
  /** Whether half steps on one letter are near: fingers may lie closer than a letter. */
  readonly nearHalfSteps: boolean;
}

/** Lengths in quarter notes. Source: the project's posture model, section 2. */
const REST_QUARTERS = 1;
const LONG = 2;
const VERY_LONG = 3;
const LONGER_THAN_USUAL = 1.3;
const LONGER = 1.5;
const CHORD_KEYS = 3;
const SHORTEST_PHRASE = 3;

/** Pairs of keys that are detached leave the hand time enough. */
const SLOW = 2;

interface Timing {
  /** How long the moment before lasts, at most to this one. */
  readonly before: number;
  readonly own: number;
  readonly rest: number;
  /** The usual distance between two moments of the hand. */
  readonly usual: number;
  readonly isSlurred: boolean;
}

export function momentsOf(passage: Passage, ticksPerQuarter: number): readonly Moment[] {
  const { events, notes } = passage;
  const at = (t: number): readonly PassageNote[] => (events[t]?.struck ?? []).map((note) => notes[note] as PassageNote);
  const onset = (t: number): number => (at(t)[0]?.note.onset ?? 0) / ticksPerQuarter;
  const longest = (t: number): number =>
    Math.max(...at(t).map(({ note, end }) => (end - note.onset) / ticksPerQuarter));
  const distances = events.slice(1).map((_, i) => onset(i + 1) - onset(i));
  const usual = medianOf(distances);
  const slurred = underSlur(passage);
  let end = 0;
  const joins = events.map((event, t): Join => {
    const rest = t === 0 ? REST_QUARTERS : onset(t) - end;
    end = Math.max(t === 0 ? 0 : end, ...at(t).map((note) => note.end / ticksPerQuarter));
    if (t === 0) return 'rest1';
    const before = Math.min(onset(t) - onset(t - 1), longest(t - 1));
    const timing = { before, own: longest(t), rest, usual, isSlurred: slurred[t] === true };
    return joinOf(passage, [events[t - 1] as PassageEvent, event], timing);
  });
  const befores = events.map((_, t) => (t === 0 ? 0 : Math.min(onset(t) - onset(t - 1), longest(t - 1))));
  const letters = events.map(({ struck }) => struck.map((note) => (notes[note] as PassageNote).letter));
  const isDetached = (t: number): boolean => t > 0 && at(t - 1).every(({ note }) => note.detached);
  const halfSteps = passage.isChromatic ? halfStepsIn(passage) : [];
  const ends = phraseEnds(events, joins, befores, notes);
  return events.map(({ struck, held }, t) => {
    const phrase = letters.slice(t, ends[t]).flat();
    return {
      struck,
      held,
      letters: letters[t] as readonly number[],
      bar: at(t)[0]?.note.barIndex ?? 0,
      join: joins[t] as Join,
      tempo: isDetached(t) && joins[t] === 'dyad' ? SLOW : tempoOf(joins[t] as Join),
      phraseLow: Math.min(...phrase),
      phraseHigh: Math.max(...phrase),
      nearHalfSteps: halfSteps.some((at) => Math.abs(at - t) <= HALF_STEPS_WITHIN),
    };
  });
}

/** How far from a half step on one letter the hand may be squeezed. Unit: moments. Our own choice. */
const HALF_STEPS_WITHIN = 8;

/** Where a letter follows itself altered otherwise. */
function halfStepsIn({ events, notes }: Passage): readonly number[] {
  const single = events.map(({ struck }) => (struck.length === 1 ? notes[struck[0] as number] : undefined));
  return single.flatMap((note, t) => {
    const before = single[t - 1];
    return note && before && note.letter === before.letter && note.altered !== before.altered ? [t] : [];
  });
}

function medianOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 1;
}

function joinOf({ notes }: Passage, [before, event]: readonly [PassageEvent, PassageEvent], timing: Timing): Join {
  const { before: length, own, rest, usual, isSlurred } = timing;
  const noteOf = (index: number): PassageNote['note'] => (notes[index] as PassageNote).note;
  const last = before.struck.map(noteOf);
  const now = event.struck.map(noteOf);
  if (rest >= REST_QUARTERS) return 'rest1';
  if (rest > 1e-6) return 'rest';
  if (isSlurred) return length >= LONG ? 'slurInLong' : 'slurIn';
  if (last.some(({ slurEnds }) => slurEnds)) return 'slurEnd';
  const fewest = Math.min(last.length, now.length);
  if (fewest >= CHORD_KEYS) return 'chord';
  if (length >= VERY_LONG) return 'long3';
  if (length >= LONG) return length > LONGER_THAN_USUAL * usual ? 'long2' : 'even';
  if (fewest >= 2) return 'dyad';
  if (last.every(({ detached }) => detached)) return 'stacc';
  if (length >= LONGER && length >= LONGER * Math.min(own, 1.01)) return 'longer';
  const beginsBar = now[0]?.barIndex !== last[0]?.barIndex;
  return beginsBar || (length >= 1 && length < LONGER && length >= LONGER * own) ? 'bar' : 'run';
}

/** For each moment the first one after its phrase. */
function phraseEnds(
  events: readonly PassageEvent[],
  joins: readonly Join[],
  befores: readonly number[],
  notes: readonly PassageNote[],
): readonly number[] {
  const endsSlur = (t: number): boolean =>
    (events[t]?.struck ?? []).some((note) => notes[note]?.note.slurEnds === true) && (befores[t + 1] ?? 0) >= LONG;
  const starts = [0];
  for (let t = 1; t < events.length; t += 1) {
    const isBreak = ['long3', 'rest', 'rest1'].includes(joins[t] as Join) || endsSlur(t - 1);
    if (isBreak && t - (starts.at(-1) as number) >= SHORTEST_PHRASE) starts.push(t);
  }
  return events.map((_, t) => starts.find((start) => start > t) ?? events.length);
}

/** For each moment whether a slur goes on into it from the moment before. */
function underSlur({ events, notes }: Passage): readonly boolean[] {
  const marks = events.map(({ struck }) => struck.map((note) => (notes[note] as PassageNote).note));
  const ending = marks.map((own) => own.filter(({ slurEnds }) => slurEnds).length);
  let left = ending.reduce((sum, count) => sum + count, 0);
  let open = 0;
  return marks.map((own, t) => {
    // A slur whose end is missing is none.
    const isUnder = Math.min(open, left) > 0;
    open = Math.max(0, open - (ending[t] as number)) + own.filter(({ slurBegins }) => slurBegins).length;
    left -= ending[t] as number;
    return isUnder;
  });
}
