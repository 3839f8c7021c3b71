import { describe, expect, it } from '@jest/globals';
import { passage } from '../../../tests/support/passages';
import { colourlessView, neutralView, realView, type View } from './key-view';
import type { Passage } from './passage';

const real = (own: Passage): View =>
  realView(
    own,
    own.notes.map(({ note }) => note.midi),
  );
const RUN = 'C4 C#4 D4 D#4 E4 F4 F#4 G4';

describe('realView', () => {
  it('has the mirror image of the right hand in the left: larger places towards finger 5', () => {
    const [right, left] = [real(passage('right', 'C4 E4')), real(passage('left', 'C4 E4'))];
    expect((right.places[1] ?? 0) - (right.places[0] ?? 0)).toBe(4700);
    expect([...left.places]).toEqual([...right.places].map((place) => -place));
  });

  it('marks a run of half steps between its ends, and white keys beside white keys apart', () => {
    expect([...real(passage('right', RUN)).inRun]).toEqual([0, 1, 1, 1, 2, 2, 1, 0]);
  });

  it('takes six half steps for a tune, not for a run; a chord breaks a run', () => {
    expect([...real(passage('right', 'C4 C#4 D4 D#4 E4 F4')).inRun]).toEqual([0, 0, 0, 0, 0, 0]);
    expect([...real(passage('right', 'C4 C#4 D4 [D#4 G4] E4 F4 F#4 G4')).inRun].every((mark) => mark === 0)).toBe(true);
  });

  it('counts the keys of a run, not its notes: a trill is none', () => {
    expect([...real(passage('right', 'C4 C#4 C4 C#4 C4 C#4 C4 C#4')).inRun].every((mark) => mark === 0)).toBe(true);
  });
});

describe('colourlessView', () => {
  it('leaves all keys where they are and makes them white', () => {
    const view = real(passage('right', RUN));
    const white = colourlessView(view);
    expect(white.places).toBe(view.places);
    expect([...white.black, ...white.inRun].every((mark) => mark === 0)).toBe(true);
  });
});

describe('neutralView', () => {
  it('gives each letter of the key a white key of its own, and an altered note half a key more', () => {
    const steps = (text: string, key: string): readonly number[] => {
      const places = [...neutralView(passage('right', text, key)).places];
      return places.slice(1).map((place, i) => place - (places[i] as number));
    };
    expect(steps('E4 F#4 G#4 A4', 'E')).toEqual(steps('C4 D4 E4 F4', 'C'));
    expect(steps('F4 F#4 G4', 'C')).toEqual([1175, 1175]);
  });
});
