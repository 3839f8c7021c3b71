import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import type { CreditBars } from './credit.table';
import type { Expected } from './expected';
import { kinOf } from './kin';
import { isPlain } from './plain';
import type { PossibleStroke } from './possible';

/** What counts as struck, in order of time: expected notes that were heard, others that are told, and what nobody could tell. */
export interface Credited {
  readonly keys: readonly StruckKey[];
  /** Notes that were not heard clearly, as indexes of the asked notes: they are among the keys. */
  readonly unclear: readonly number[];
}

/** Half steps that a slip is beside the note it was for; and how far off a key may be that was struck instead of it. */
export const BESIDE = 2;
const INSTEAD = 9;
const OCTAVES = [12, 24] as const;
/** What either ear heard like this near a note that did not come is a doubt: nobody says that it is missing. Unit: log odds. */
const DOUBTED = 0.5;
/** So near a gap nothing is sure. Unit: ms. */
const NEAR_GAP_MS = 250;
const USUAL_VELOCITY = 64;
/** What nothing asks for is as long as this. Unit: ms. */
const SHORT_MS = 200;
/** How long a quarter is held; nothing is told of it. Unit: ms. */
const QUARTER_MS = 500;

/** A note that did not come as far as is known, and how likely it came all the same. */
export interface Absent {
  readonly one: Expected;
  readonly odds: number;
  /** Whether a key beside it came so much clearer that it was surely that one. */
  readonly isDrowned: boolean;
}

interface Settling {
  readonly music: AskedMusic;
  readonly possible: readonly PossibleStroke[];
  /** Strokes that stand for a note, with it. */
  readonly taken: ReadonlyMap<PossibleStroke, number>;
  readonly absent: readonly Absent[];
  readonly bars: CreditBars;
  /** Where sound may be lost: nothing is told near them. Unit: ms. */
  readonly gaps: readonly number[];
}

const midiOf = ({ notes }: AskedMusic, note: number): number => (notes[note] as AskedNote).midi;

/** Says of each stroke that is left whether it is told, and of each note that is absent whether that can be said. */
export function settle(settling: Settling): Credited {
  const { music, taken } = settling;
  const { told, excused, doubted } = toldStrokes(settling);
  const { unclear, assumed } = assumedNotes(settling, told, { excused, doubted });
  const keys = [
    ...[...taken].map(([{ atMs }, note]) => struckFor(music, note, atMs)),
    ...told.map(({ midi, atMs }) => struckKey(midi, atMs, SHORT_MS)),
    ...assumed,
  ];
  return {
    keys: keys.sort((a, b) => a.downMs - b.downMs || a.midi - b.midi),
    unclear: unclear.toSorted((a, b) => a - b),
  };
}

/** Notes of which something was heard, though not what is written: `excused` an octave off, `doubted` hardly. */
interface HalfHeard {
  readonly excused: ReadonlySet<number>;
  readonly doubted: ReadonlySet<number>;
}

function toldStrokes({
  music,
  possible,
  taken,
  absent,
  bars,
  gaps,
}: Settling): HalfHeard & { readonly told: readonly PossibleStroke[] } {
  const sounding = [...taken.keys()];
  const told: PossibleStroke[] = [];
  const excused = new Set<number>();
  const doubted = new Set<number>();
  for (const stroke of possible) {
    if (taken.has(stroke)) continue;
    const near = absent.filter(({ one }) => !excused.has(one.note) && Math.abs(one.atMs - stroke.atMs) <= one.aroundMs);
    const far = ({ one }: Absent): number => Math.abs(midiOf(music, one.note) - stroke.midi);
    const octave = near.find((one) => !one.isDrowned && (OCTAVES as readonly number[]).includes(far(one)));
    const beside = near.filter((one) => far(one) <= BESIDE);
    if (octave && bars.slip(stroke) > 0) {
      // Which octave it was, this ear does not judge.
      excused.add(octave.one.note);
      continue;
    }
    const odds = beside.length > 0 ? bars.slip(stroke) : bars.other(stroke);
    if (odds > bars.kin[kinOf(stroke, [...sounding, ...told])] && !isNear(gaps, stroke)) told.push(stroke);
    else if (Math.max(stroke.live, stroke.after) > DOUBTED) beside.forEach(({ one }) => doubted.add(one.note));
  }
  return { told, excused, doubted };
}

/** Absent notes that count as struck all the same; those whose place another key has taken, or that surely did not come, are left out. */
function assumedNotes(
  { music, absent, bars, gaps }: Settling,
  told: readonly PossibleStroke[],
  { excused, doubted }: HalfHeard,
): { readonly unclear: readonly number[]; readonly assumed: readonly StruckKey[] } {
  const unclear: number[] = [];
  const assumed: StruckKey[] = [];
  const open = new Set(told);
  for (const { one, odds } of absent) {
    const { note, atMs, aroundMs } = one;
    if (!excused.has(note)) {
      const isInstead = ({ midi, atMs: at }: PossibleStroke): boolean =>
        Math.abs(at - atMs) <= aroundMs && Math.abs(midi - midiOf(music, note)) <= INSTEAD;
      const instead = [...open].find(isInstead);
      if (instead && open.delete(instead)) continue;
      const isDoubted = doubted.has(note) || isNear(gaps, one);
      if (!isDoubted && odds < bars.absent && isPlain(music, note)) continue;
      unclear.push(note);
    }
    assumed.push(struckFor(music, note, atMs));
  }
  return { unclear, assumed };
}

function isNear(gaps: readonly number[], { atMs }: { readonly atMs: number }): boolean {
  return gaps.some((gap) => Math.abs(gap - atMs) <= NEAR_GAP_MS);
}

/** How long a note was held, the ear cannot tell: it counts as written. */
function struckFor({ notes }: AskedMusic, note: number, atMs: number): StruckKey {
  const { midi, length } = notes[note] as AskedNote;
  return struckKey(midi, atMs, length * QUARTER_MS);
}

/** A key as the judge takes it; how loud it was, the ear does not judge. */
export function struckKey(midi: number, atMs: number, lengthMs: number): StruckKey {
  return { midi, downMs: atMs, upMs: atMs + lengthMs, velocity: USUAL_VELOCITY };
}
