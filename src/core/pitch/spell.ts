import { nameAtFifths, type Pitch, type PitchName } from './pitch';
import { STEP_SEMITONES } from './letters.table';

/** A key as a MIDI number with what comes next in its line; null at the end. */
export interface HeardKey {
  readonly midi: number;
  readonly next: number | null;
  readonly before: number | null;
}

/** Spells a key that was heard, in a signature (`fifths`) and mode: scale tones as the signature has them, others by where
 * they go. A step up by a half tone makes the lower letter raised, a step down the upper one lowered; without a step, the
 * raised sixth and seventh of minor, the raised fourth, and lowered seventh and third. */
export function spellKey({ midi, next, before }: HeardKey, fifths: number, mode: 'major' | 'minor'): Pitch {
  const place = placeOnFifths(midi, fifths, mode, direction(midi, next) || -direction(midi, before));
  const result = nameAtFifths(place);
  const name: PitchName = result.ok ? result.value : { step: 0, alter: 0 };
  return { ...name, octave: Math.floor((midi - STEP_SEMITONES[name.step] - name.alter) / 12) - 1 };
}

/** 1 where the other key is a half tone above, -1 below, 0 elsewhere. */
function direction(midi: number, other: number | null): number {
  return other !== null && Math.abs(other - midi) === 1 ? other - midi : 0;
}

/** Places on the line of fifths, from the signature's F: 0..6 are the scale. */
function placeOnFifths(midi: number, fifths: number, mode: 'major' | 'minor', direction: number): number {
  const above = (((midi * 7 + 1 - fifths) % 12) + 12) % 12;
  const sharpwards = fifths - 1 + above;
  if (above <= 6) return sharpwards;
  const flatwards = sharpwards - 12;
  // 7 raised fourth of the major key, 8 its raised first, 9 raised fifth (the minor key's leading note), 10 lowered third, 11 lowered seventh.
  const prefersSharp =
    above === 7 || above === 8 || (above === 9 && mode === 'minor') || (above === 9 && direction >= 0);
  if (direction > 0 && above !== 11) return sharpwards;
  if (direction < 0 && above !== 7 && !(mode === 'minor' && above === 9)) return flatwards;
  return prefersSharp ? sharpwards : flatwards;
}
