import { LETTERS, type Letter, type Step } from './letters.table';
import type { Pitch, PitchName } from './pitch';

const SIGN_TEXT = { '-3': 'bbb', '-2': 'bb', '-1': 'b', '0': '', '1': '#', '2': '##', '3': '###' } as const;
const SIGN_PRINT = { '-3': '♭𝄫', '-2': '𝄫', '-1': '♭', '0': '', '1': '♯', '2': '𝄪', '3': '♯𝄪' } as const;

/** A pitch name for machines: `F#`, `Bb`, `Cbb`. */
export function nameText(name: PitchName): string {
  return LETTERS[name.step] + SIGN_TEXT[String(name.alter) as keyof typeof SIGN_TEXT];
}

/** A pitch name for eyes: `F♯`, `B♭`. */
export function namePrint(name: PitchName): string {
  return LETTERS[name.step] + SIGN_PRINT[String(name.alter) as keyof typeof SIGN_PRINT];
}

/** A pitch for machines: `C4` is middle C, `F#4`, `Bb2`. */
export function pitchText(pitch: Pitch): string {
  return nameText(pitch) + String(pitch.octave);
}

const NAME_PATTERN = /^([A-Ga-g])(###|##|#|bbb|bb|b|♯{1,3}|♭{1,3}|sharp|flat)?$/;

/** Reads a pitch name as people type it: `F#`, `F♯`, `Fsharp`, `Bb`, `b♭`. Undefined where it is none.
 * @example parseName('Fsharp') //=> F♯ */
export function parseName(text: string): PitchName | undefined {
  const match = NAME_PATTERN.exec(text.trim());
  if (!match) return undefined;
  const step = stepOfLetter((match[1] as string).toUpperCase() as Letter);
  const sign = match[2] ?? '';
  return { step, alter: alterOfSign(sign) };
}

/** Reads a pitch such as `C4`, `F#3`, `Bb-1`. Undefined where it is none. */
export function parsePitch(text: string): Pitch | undefined {
  const match = /^(.+?)(-?\d+)$/.exec(text.trim());
  const name = match ? parseName(match[1] as string) : undefined;
  return match && name ? { ...name, octave: Number(match[2]) } : undefined;
}

export function stepOfLetter(letter: Letter): Step {
  return LETTERS.indexOf(letter) as Step;
}

function alterOfSign(sign: string): number {
  if (sign === 'sharp') return 1;
  if (sign === 'flat') return -1;
  // Adding zero turns the -0 of “no sign” into 0.
  return sign.startsWith('#') || sign.startsWith('♯') ? sign.length : -sign.length + 0;
}
