import {
  fifteenKeys,
  intervalOf,
  keyOfSignature,
  parseKey,
  signatureOf,
  transposeName,
  type Key,
  type Mode,
} from '../pitch';
import {
  firstSignature,
  handNotes,
  soundingShift,
  type FoundKey,
  type HandNote,
  type Part,
  type Score,
} from '../score';
import { unwrap } from '../base';
import { hear, NOTES_ALONE, signsOfKey, weightOf, WITH_SIGNATURE } from './signs-of-key';

/** A lead this wide over the runner-up is sure; a narrower one than `OPEN` is open. In the unit of the weights. */
const SURE = 0.45;
const OPEN = 0.12;

/** What the file's own word for the mode counts: more than the other signs that are weak, less than a last bass note
 * together with a raised seventh. */
const SAID_BY_FILE = 0.45;

/** The modes that are looked for where only notes speak. */
const HEARD_MODES: readonly Mode[] = ['major', 'minor'];

/** The key of a piece as it sounds. `given`, where the teacher knows better, is taken as it is. */
export function findKey(score: Score, part: Part, given: string | null): FoundKey {
  const written = firstSignature(part);
  const shift = soundingShift(part);
  const signature = signatureOf(soundingKey(unwrap(keyOfSignature(written.fifths, 'major')), shift));
  const givenKey = given === null ? undefined : parseKey(given, written.mode ?? 'major');
  if (givenKey) return { key: givenKey, source: 'given', runnerUp: null, certainty: 'sure' };
  const ranked = rankKeysOf(handNotes(part, score.ticksPerQuarter), signature, written.mode);
  const [best, second] = ranked;
  const key = best?.key ?? unwrap(keyOfSignature(signature, 'major'));
  const lead = (best?.weight ?? 0) - (second?.weight ?? 0);
  return {
    key,
    source: key.mode === written.mode ? 'written' : 'found',
    runnerUp: second?.key ?? null,
    certainty: second === undefined || lead >= SURE ? 'sure' : lead >= OPEN ? 'likely' : 'open',
  };
}

export interface RankedKey {
  readonly key: Key;
  readonly weight: number;
}

/** Ranks the keys that a piece may be in, best first. With a signature (in fifths) only its keys are asked; null asks
 * the notes alone. `written` is the mode that the file names, if any. Source of the profiles: Krumhansl & Kessler 1982. */
export function rankKeysOf(
  notes: readonly HandNote[],
  signature: number | null,
  written: Mode | null,
): readonly RankedKey[] {
  const modes: readonly Mode[] = [...new Set<Mode>([...(written ? [written] : []), ...HEARD_MODES])];
  const candidates = modes.flatMap((mode): readonly Key[] => {
    if (signature === null) return fifteenKeys(mode).filter((key) => Math.abs(signatureOf(key)) <= 6);
    const key = keyOfSignature(signature, mode);
    return key.ok ? [key.value] : [];
  });
  const weights = signature === null ? NOTES_ALONE : WITH_SIGNATURE;
  const heard = hear(notes);
  return candidates
    .map((key) => ({
      key,
      weight: weightOf(signsOfKey(key, heard), weights) + (key.mode === written ? SAID_BY_FILE : 0),
    }))
    .sort((a, b) => b.weight - a.weight);
}

function soundingKey(key: Key, shift: { readonly steps: number; readonly semitones: number }): Key {
  const tonic = transposeName(key.tonic, intervalOf(shift.steps, shift.semitones));
  return tonic.ok ? { ...key, tonic: tonic.value } : key;
}
