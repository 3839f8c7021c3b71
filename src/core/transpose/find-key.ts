import { keyOfSignature, parseKey, signatureOf, transposeName, intervalOf, type Key, type Mode } from '../pitch';
import { firstSignature, handNotes, soundingShift, type FoundKey, type HandNote, type Part, type Score } from '../score';
import { unwrap } from '../result';

/** How much each sign of a key counts. Our own estimate: the file's word outweighs one other sign, not two together.
 * Checked by: find-key.test.ts on the demo pieces and on files that call every key major. */
const SAID_BY_FILE = 3;
const LAST_BASS_IS_TONIC = 2;
const RAISED_SEVENTH = 2;

/** The key of a piece as it sounds: the signature narrows it down, the last bass note and the raised seventh decide.
 * `given`, where the teacher knows better, is taken as it is. */
export function findKey(score: Score, part: Part, given: string | null): FoundKey {
  const written = firstSignature(part);
  const shift = soundingShift(part);
  const signature = signatureOf(soundingKey(unwrap(keyOfSignature(written.fifths, 'major')), shift));
  const givenKey = given === null ? undefined : parseKey(given, written.mode ?? 'major');
  if (givenKey) return { key: givenKey, source: 'given', runnerUp: null };
  const notes = handNotes(part, score.ticksPerQuarter);
  const modes: readonly Mode[] = [...new Set<Mode>([written.mode ?? 'major', 'major', 'minor'])];
  const ranked = modes
    .flatMap((mode) => {
      const key = keyOfSignature(signature, mode);
      return key.ok ? [{ key: key.value, weight: weightOf(key.value, written.mode, notes) }] : [];
    })
    .sort((a, b) => b.weight - a.weight);
  const best = ranked[0] as { key: Key; weight: number };
  const second = ranked.slice(1).find(({ key }) => key.mode !== best.key.mode);
  return {
    key: best.key,
    source: best.key.mode === written.mode ? 'written' : 'found',
    runnerUp: second && second.weight > 0 ? second.key : null,
  };
}

function soundingKey(key: Key, shift: { readonly steps: number; readonly semitones: number }): Key {
  const tonic = transposeName(key.tonic, intervalOf(shift.steps, shift.semitones));
  return tonic.ok ? { ...key, tonic: tonic.value } : key;
}

function weightOf(key: Key, written: Mode | null, notes: readonly HandNote[]): number {
  return (
    (key.mode === written ? SAID_BY_FILE : 0) +
    (lastBassIs(key, notes) ? LAST_BASS_IS_TONIC : 0) +
    (key.mode === 'minor' && hasRaisedSeventh(key, notes) ? RAISED_SEVENTH : 0)
  );
}

function lastBassIs(key: Key, notes: readonly HandNote[]): boolean {
  const end = Math.max(...notes.map((note) => note.onset + note.duration));
  const last = notes.filter((note) => note.onset + note.duration === end).sort((a, b) => a.midi - b.midi)[0];
  return last !== undefined && last.pitch.step === key.tonic.step && last.pitch.alter === key.tonic.alter;
}

function hasRaisedSeventh(key: Key, notes: readonly HandNote[]): boolean {
  const leading = transposeName(key.tonic, intervalOf(-1, -1));
  return leading.ok && notes.some(({ pitch }) => pitch.step === leading.value.step && pitch.alter === leading.value.alter);
}
