import { bandOf, KEY_COUNT, LOWEST_KEY } from './bands';
import type { Unmixed } from './unmix';

/** What speaks for a key having been struck at an onset: numbers for the decision, in the order of `evidenceOf`. */
export type Evidence = Float32Array;

/** What is known of an onset, in units of how loud a note is on this piano. Bands of the stretch before and after it, of the short moments around it, and what the stretches are made of. */
export interface OnsetSound {
  readonly before: Float32Array;
  readonly after: Float32Array;
  readonly shortBefore: Float32Array;
  readonly shortAfter: Float32Array;
  readonly now: Unmixed;
  readonly earlier: Unmixed;
  readonly strength: number;
  /** How much of a whole stretch there is before the next onset, 0 to 1. */
  readonly wholeness: number;
}

const FLOOR = 1e-6;
const log = (value: number): number => Math.log10(Math.max(FLOOR, value));
const within = (low: number, value: number, high: number): number => Math.min(high, Math.max(low, value));

/** Overtones that are looked at one by one, as half steps above the key. */
const PARTIALS = [0, 12, 19.02, 24, 27.86, 31.02] as const;
/** Keys whose overtones lie where this one's are, or the other way round, in half steps. */
const RELATIVES = [-12, -19, -24, 12, -7, 7, -28] as const;

/** `key` counted from `LOWEST_KEY`. */
export function evidenceOf(sound: OnsetSound, key: number): Evidence {
  const { now, earlier, after, before, shortAfter, shortBefore } = sound;
  const h = now.keys[key] as number;
  const loudest = greatest(now.keys);
  const of = (other: number): number => now.keys[other] ?? 0;
  const midi = LOWEST_KEY + key;
  const most = greatest(after);
  const rise = (now: number, then: number): number => within(-1, log((now + most * QUIET) / (then + most * QUIET)), 2);
  return Float32Array.from([
    within(-3, log(h / loudest), 0),
    within(-3, log(h), 1),
    ...PARTIALS.flatMap((above) => {
      const [a, b] = [peak(after, midi + above), peak(before, midi + above)];
      return [rise(a, b), within(-4, log(a / most), 0)];
    }),
    ...PARTIALS.slice(0, 3).map((above) => rise(peak(shortAfter, midi + above), peak(shortBefore, midi + above))),
    ...RELATIVES.map((relative) => within(-2, log((of(key + relative) + FLOOR) / (h + FLOOR)), 2)),
    within(-2, log((Math.max(of(key - 1), of(key + 1)) + FLOOR) / (h + FLOOR)), 2),
    within(-3, log(((earlier.keys[key] as number) + FLOOR) / (h + FLOOR)), 1),
    standsOut(after, midi),
    within(-4, log(now.own[key] as number), 0),
    within(0, sound.strength, 3),
    sound.wholeness,
    // Low keys sound otherwise than high ones: the decision bends by where the key lies.
    (midi - 60) / 24,
  ]);
}

/** Of the loudest band: below that nothing is told apart from silence. */
const QUIET = 1e-3;

/** The loudest band within a third of a half step. */
function peak(bands: Float32Array, midi: number): number {
  const band = bandOf(midi);
  return Math.max(bands[band - 1] ?? 0, bands[band] ?? 0, bands[band + 1] ?? 0);
}

/** How much a key's own frequency stands out from those a half step beside it. */
function standsOut(bands: Float32Array, midi: number): number {
  const beside = Math.max(peak(bands, midi - 1), peak(bands, midi + 1));
  return within(-1.5, log(peak(bands, midi) / (beside + FLOOR)), 1.5);
}

function greatest(values: Float32Array): number {
  let most = FLOOR;
  for (const value of values) if (value > most) most = value;
  return most;
}

/** Keys that may have been struck: none whose part in the sound is next to nothing. */
export function possibleKeys({ now }: OnsetSound): readonly number[] {
  const loudest = greatest(now.keys);
  const keys: number[] = [];
  for (let key = 0; key < KEY_COUNT; key += 1) if ((now.keys[key] as number) > POSSIBLE * loudest) keys.push(key);
  return keys;
}

const POSSIBLE = 0.004;
