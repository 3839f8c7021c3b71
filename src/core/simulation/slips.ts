import type { Chance } from './chance';
import { addsNote, dropsNote } from './count-slips';
import { fingersOff, staysInPosition } from './hand-slips';
import { letsTieGo, playsThroughRest } from './held-slips';
import { forgetsAccidental, forgetsSignature, hitsAnyKey, hitsNextKey, mistakesOctave } from './key-slips';
import type { Playing, Stroke, Weakness } from './pupil';
import { beginsAgain, comesEarly, comesLate, hesitates, spreadsChord } from './time-slips';

/** What went wrong at a place: the strokes as they are now, the moments from the first to the last that are touched, where it is heard, and the notes. */
export interface SlipMade {
  readonly strokes: readonly Stroke[];
  readonly from: number;
  readonly to: number;
  readonly at: number;
  readonly notes: readonly number[];
}

/** Lets something go wrong where the music has a place for it and nothing else is near; null where it has none. */
export type MakeSlip = (
  playing: Playing,
  chance: Chance,
  isFree: (from: number, to: number) => boolean,
) => SlipMade | null;

export const SLIPS: Readonly<Record<Weakness, MakeSlip>> = {
  'forgets-signature': forgetsSignature,
  'forgets-accidental': forgetsAccidental,
  'hits-next-key': hitsNextKey,
  'hits-any-key': hitsAnyKey,
  'mistakes-octave': mistakesOctave,
  'drops-note': dropsNote,
  'adds-note': addsNote,
  'comes-early': comesEarly,
  'comes-late': comesLate,
  hesitates,
  'begins-again': beginsAgain,
  'lets-tie-go': letsTieGo,
  'plays-through-rest': playsThroughRest,
  'stays-in-position': staysInPosition,
  'fingers-off': fingersOff,
  'spreads-chord': spreadsChord,
};
