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
const NO_REST = 1e-6;
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

/** The moments of a passage in order of time. O(notes) time. */
export function momentsOf(passage: Passage): readonly Moment[] {
  const { events, notes } = passage;
  const letters = events.map(({ struck }) => struck.map((note) => (notes[note] as PassageNote).letter));
  const lengths = lengthsOf(passage);
  const joins = joinsOf(passage, lengths);
  const ends = phraseEnds(passage, joins, lengths);
  const reach = reachOnward(letters, ends);
  const near = nearHalfSteps(passage);
  return events.map(({ struck, held }, t) => {
    const join = joins[t] as Join;
    return {
      struck,
      held,
      letters: letters[t] as readonly number[],
      bar: notes[struck[0] as number]?.note.barIndex ?? 0,
      join,
      tempo: join === 'dyad' && isDetached(passage, t - 1) ? SLOW : tempoOf(join),
      phraseLow: (reach[t] as Reach).low,
      phraseHigh: (reach[t] as Reach).high,
      nearHalfSteps: near[t] === true,
    };
  });
}

function isDetached({ events, notes }: Passage, t: number): boolean {
  return events[t]?.struck.every((note) => notes[note]?.note.detached === true) ?? false;
}

/** When a moment begins, how long its longest note is, and how long it lasts at most to the next one. Unit: quarter notes. */
interface Lengths {
  readonly onset: number;
  readonly longest: number;
  readonly lasts: number;
}

function lengthsOf({ events, notes, ticksPerQuarter }: Passage): readonly Lengths[] {
  const plain = events.map(({ struck }) => {
    const own = struck.map((note) => notes[note] as PassageNote);
    const onset = (own[0]?.note.onset ?? 0) / ticksPerQuarter;
    return { onset, longest: Math.max(...own.map(({ note, end }) => (end - note.onset) / ticksPerQuarter)) };
  });
  return plain.map(({ onset, longest }, t) => ({
    onset,
    longest,
    lasts: Math.min((plain[t + 1]?.onset ?? Infinity) - onset, longest),
  }));
}

function joinsOf(passage: Passage, lengths: readonly Lengths[]): readonly Join[] {
  const { events } = passage;
  const usual = medianOf(lengths.slice(1).map(({ onset }, i) => onset - (lengths[i] as Lengths).onset));
  const slurred = underSlur(passage);
  let end = -Infinity;
  return lengths.map(({ onset, longest }, t): Join => {
    const rest = onset - end;
    end = Math.max(end, onset + longest);
    const before = events[t - 1];
    if (!before) return 'rest1';
    const { lasts } = lengths[t - 1] as Lengths;
    const timing = { before: lasts, own: longest, rest, usual, isSlurred: slurred[t] === true };
    return joinOf(passage, [before, events[t] as PassageEvent], timing);
  });
}

interface Reach {
  readonly low: number;
  readonly high: number;
}

/** The lowest and the highest letter from each moment to the end of its phrase. */
function reachOnward(letters: readonly (readonly number[])[], ends: readonly number[]): readonly Reach[] {
  const found: Reach[] = [];
  for (let t = letters.length - 1; t >= 0; t -= 1) {
    const isLast = (ends[t] as number) === t + 1;
    const onward = isLast ? null : (found.at(-1) as Reach);
    found.push({
      low: Math.min(onward?.low ?? Infinity, ...(letters[t] as readonly number[])),
      high: Math.max(onward?.high ?? -Infinity, ...(letters[t] as readonly number[])),
    });
  }
  return found.reverse();
}

/** How far from a half step on one letter the hand may be squeezed. Unit: moments. Our own choice. */
const HALF_STEPS_WITHIN = 8;

/** Which moments lie near one whose letter follows itself altered otherwise. */
function nearHalfSteps({ events, notes, isChromatic }: Passage): readonly boolean[] {
  const near = events.map(() => false);
  if (!isChromatic) return near;
  const single = events.map(({ struck }) => (struck.length === 1 ? notes[struck[0] as number] : undefined));
  single.forEach((note, t) => {
    const before = single[t - 1];
    if (note && before && note.letter === before.letter && note.altered !== before.altered)
      near.fill(true, Math.max(0, t - HALF_STEPS_WITHIN), t + HALF_STEPS_WITHIN + 1);
  });
  return near;
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
  if (rest > NO_REST) return 'rest';
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
  { events, notes }: Passage,
  joins: readonly Join[],
  lengths: readonly Lengths[],
): readonly number[] {
  const endsSlur = (t: number): boolean =>
    (lengths[t]?.lasts ?? 0) >= LONG && events[t]?.struck.some((note) => notes[note]?.note.slurEnds === true) === true;
  const starts = [0];
  for (let t = 1; t < events.length; t += 1) {
    const isBreak = PHRASE_BREAKS.includes(joins[t] as Join) || endsSlur(t - 1);
    if (isBreak && t - (starts.at(-1) as number) >= SHORTEST_PHRASE) starts.push(t);
  }
  return starts.flatMap((start, i) => {
    const end = starts[i + 1] ?? events.length;
    return Array.from({ length: end - start }, () => end);
  });
}

const PHRASE_BREAKS: readonly Join[] = ['long3', 'rest', 'rest1'];

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
