import type { AskedNote, AskedMoment } from '../asked';
import { midiNumber } from '../pitch';
import * as cost from './alignment-costs.table';

/** What it costs to take a key for a note. `oldKey` is the one that its finger would strike if the hand had not moved; null where that is not known. */
export function keyCost(
  { midi, pitch }: Pick<AskedNote, 'midi' | 'pitch'>,
  played: number,
  oldKey: number | null,
): number {
  const off = Math.abs(midi - played);
  if (off === 0) return 0;
  if (played === oldKey) return cost.OLD_HAND;
  if (isOtherSign(pitch, played)) return cost.OTHER_SIGN;
  if (off <= 2) return cost.NEIGHBOUR;
  if (off % 12 === 0 && off <= 24) return cost.OCTAVE;
  return off <= cost.REACH_SEMITONES ? cost.IN_REACH : cost.ANYTHING;
}

/** Whether a key is the note's letter with another sign. */
function isOtherSign(pitch: AskedNote['pitch'], played: number): boolean {
  return [-1, 0, 1].some((alter) => alter !== pitch.alter && midiNumber({ ...pitch, alter }) === played);
}

/** What the time costs between two keys of one moment, struck one after the other. */
export function apartCost(ms: number): number {
  const over = (ms - cost.TOGETHER_MS) / (cost.APART_MS - cost.TOGETHER_MS);
  return cost.APART * Math.min(1, Math.max(0, over));
}

/** What the time costs from one moment to a later one, against the pulse. */
export function pulseCost(ms: number, expectedMs: number): number {
  const ratio = (Math.max(0, ms) + cost.JITTER_MS) / (expectedMs + cost.JITTER_MS);
  // Nearly all times are steady or quite broken: only those between are worth a logarithm.
  if (ratio <= STEADY && ratio >= 1 / STEADY) return 0;
  if (ratio >= BROKEN || ratio <= 1 / BROKEN) return cost.BROKEN_PULSE;
  const over = (Math.abs(Math.log2(ratio)) - cost.STEADY_OCTAVES) / (cost.BROKEN_OCTAVES - cost.STEADY_OCTAVES);
  return cost.BROKEN_PULSE * over;
}

const STEADY = 2 ** cost.STEADY_OCTAVES;
const BROKEN = 2 ** cost.BROKEN_OCTAVES;

/** The most that a right key costs for coming late, next in order. `slip` is the key before it, where that alone stood for nothing; null where none did. */
export function lateCost(midi: number, slip: number | null): number {
  const off = slip === null ? 0 : Math.abs(slip - midi);
  return off > 0 && off <= cost.SLIP_SEMITONES ? cost.PUT_RIGHT : cost.LATE;
}

export function missingCost({ isGrace }: Pick<AskedNote, 'isGrace'>): number {
  return isGrace ? cost.MISSING_GRACE : cost.MISSING;
}

export function beginCost({ place }: AskedMoment): number {
  return cost.BEGIN_ANEW + cost.BEGIN_ANEW_AT[place];
}
