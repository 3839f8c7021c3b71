import { addsNote, dropsNote } from './count-slips';
import { fingersOff, staysInPosition } from './hand-slips';
import { letsTieGo, playsThroughRest } from './held-slips';
import { forgetsAccidental, forgetsSignature, hitsAnyKey, hitsNextKey, mistakesOctave } from './key-slips';
import type { MakeSlip } from './make-slip';
import type { Weakness } from './pupil';
import { beginsAgain, comesEarly, comesLate, hesitates, spreadsChord } from './time-slips';

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
