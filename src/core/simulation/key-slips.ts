import type { AskedNote } from '../asked';
import { isBlackKey } from '../keyboard';
import { midiNumber } from '../pitch';
import { keysAround, placesFor, withStrokes, type Place } from './places';
import type { Playing } from './pupil';
import type { MakeSlip, SlipMade } from './make-slip';

/** Strikes another key for one note. `keysFor` gives the keys that it may be. */
function wrongKey(keysFor: (note: AskedNote) => readonly number[]): MakeSlip {
  return (playing, chance, isFree) => {
    const open = ({ note, stroke }: Place): readonly number[] => {
      const theirs = keysAround(playing.music, stroke.moment, 0);
      return keysFor(note).filter((midi) => !theirs.has(midi) && midi >= 21 && midi <= 108);
    };
    const [place] = placesFor(playing, chance, isFree, (one) => open(one).length > 0);
    return place ? struckInstead(playing, place, chance.of(open(place))) : null;
  };
}

function struckInstead({ strokes }: Playing, { index, stroke }: Place, midi: number): SlipMade {
  return {
    strokes: withStrokes(strokes, new Map([[index, { midi }]])),
    from: stroke.moment,
    to: stroke.moment,
    at: stroke.moment,
    notes: stroke.note === null ? [] : [stroke.note],
  };
}

const naturalOf = ({ pitch }: AskedNote): number => midiNumber({ ...pitch, alter: 0 });
const signedOf = ({ pitch, signatureAlter }: AskedNote): number => midiNumber({ ...pitch, alter: signatureAlter });

/** Plays the white key where the signature has a sign. */
export const forgetsSignature = wrongKey((note) =>
  note.pitch.alter !== 0 && note.pitch.alter === note.signatureAlter ? [naturalOf(note)] : [],
);

/** Plays what the signature says where the page says otherwise. */
export const forgetsAccidental = wrongKey((note) => (note.pitch.alter !== note.signatureAlter ? [signedOf(note)] : []));

/** Strikes the next key, white or black. */
export const hitsNextKey = wrongKey((note) =>
  [1, -1]
    .flatMap((step) => [note.midi + step, nextAlike(note.midi, step)])
    .filter((midi) => midi !== naturalOf(note) && midi !== signedOf(note)),
);

function nextAlike(midi: number, step: number): number {
  let next = midi + step;
  while (isBlackKey(next) !== isBlackKey(midi)) next += step;
  return next;
}

export const hitsAnyKey = wrongKey(({ midi }) => [-7, -6, -5, 5, 6, 7].map((off) => midi + off));

export const mistakesOctave = wrongKey(({ midi }) => [midi - 12, midi + 12]);
