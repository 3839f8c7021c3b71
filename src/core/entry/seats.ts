import { keyOfSignature, stepOfLetter, type Letter } from '../pitch';
import { firstSignature, type Finger, type Hand, type Part } from '../score';

/** The hand opened beside a finger: what lies beyond it is that many letters further. */
export interface Opening {
  readonly beside: Finger;
  readonly letters: number;
}

/** C4 and C3 in letters from C0. */
const C4 = 28;
const C3 = 21;

/** The ends of the keyboard in letters from C0: A0 and C8. */
export const LOWEST_LETTER = 5;
export const HIGHEST_LETTER = 56;

/** Where hands begin: on the tonic's position, the right from middle C up, the left an octave below. Common practice. */
export function homeSeats(part: Part): Readonly<Record<Hand, number>> {
  const { fifths, mode } = firstSignature(part);
  const key = keyOfSignature(fifths, mode ?? 'major');
  const step = key.ok ? key.value.tonic.step : 0;
  // From F up the left hand's position would reach into the right hand's: it goes an octave lower.
  return { right: C4 + step, left: step <= 2 ? C3 + step : C3 + step - 7 };
}

/** Both thumbs on middle C. Common practice. */
export const THUMBS_TOGETHER: Readonly<Record<Hand, number>> = { right: C4, left: C4 - 4 };

/** The letter under a finger, from C0. */
export function letterUnder(hand: Hand, seat: number, finger: Finger, opening: Opening | null): number {
  const place = hand === 'right' ? finger - 1 : 5 - finger;
  const isBeyond = opening !== null && (hand === 'right' ? finger > opening.beside : finger < opening.beside);
  return seat + place + (isBeyond ? opening.letters : 0);
}

/** The seat that puts a finger on a letter. */
export function seatWith(hand: Hand, finger: Finger, letter: number): number {
  return within(letter - (hand === 'right' ? finger - 1 : 5 - finger));
}

/** The nearest seat named by a letter, at a fifth's distance the one above. */
export function seatNamed(from: number, letter: Letter): number {
  const up = (((stepOfLetter(letter) - from) % 7) + 7) % 7;
  return within(from + (up <= 4 ? up : up - 7));
}

/** Keeps a hand on the keyboard. */
export function within(seat: number): number {
  return Math.min(HIGHEST_LETTER - 4, Math.max(LOWEST_LETTER, seat));
}
