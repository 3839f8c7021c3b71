import { UNISON, nameText, transposeBy, type Interval, type Pitch, type PitchName } from '../pitch';

/** How notes are spelled. `strict` keeps every interval as written; `plain` is for beginners: no double signs, and none
 * of B♯, E♯, C♭, F♭ unless the signature holds it. */
export const SPELLINGS = ['strict', 'plain'] as const;
export type Spelling = (typeof SPELLINGS)[number];

/** One letter up with the same sound: a diminished second. */
const LETTER_UP: Interval = { fifths: -12, octaves: 7 };
const LETTER_DOWN: Interval = { fifths: 12, octaves: -7 };

/** The interval that turns a signature beyond seven signs into its enharmonic one; nothing where it fits. */
export function enharmonicTurn(fifths: number): Interval {
  if (fifths > 7) return LETTER_UP;
  return fifths < -7 ? LETTER_DOWN : UNISON;
}

/** The same key on the keyboard under the neighbouring letter, with fewer signs. */
export function respelled(pitch: Pitch): Pitch {
  const result = transposeBy(pitch, pitch.alter > 0 ? LETTER_UP : LETTER_DOWN);
  return result.ok ? result.value : pitch;
}

/** The other letter for the same key, with one sign at the most: F♯ for G♭, B♯ for C; null for D, G and A. */
export function otherSpelling(pitch: Pitch): Pitch | null {
  const others = [LETTER_UP, LETTER_DOWN].flatMap((way) => {
    const turned = transposeBy(pitch, way);
    return turned.ok && Math.abs(turned.value.alter) <= 1 ? [turned.value] : [];
  });
  return others[0] ?? null;
}

/** Whether a beginner should not meet this spelling: a double sign, or a white key under a sign that the signature
 * (`plainAlter` for this letter) does not hold. */
export function isHardSpelling(name: PitchName, plainAlter: number): boolean {
  if (Math.abs(name.alter) >= 2) return true;
  return ['B#', 'E#', 'Cb', 'Fb'].includes(nameText(name)) && name.alter !== plainAlter;
}
