import { describe, expect, it } from '@jest/globals';
import { Key as TonalKey, Note, Scale } from 'tonal';
import { USUAL_PLAYER } from '../fingering';

import { atlasCard, plannerDiffers } from '../views';
import { fifteenKeys, keyText, midiNumber, nameText, parseKey, pitchText, type Key } from '../pitch';
import { fiveFingers, turning } from './five-fingers';
import { arpeggioOf, fifthSixth, octaveArpeggio, scaleOf } from './scale';
import { SAYS } from '../../../tests/support/usual-words';

const key = (name: string): Key => parseKey(name, 'major') as Key;
const THIRTY = [...fifteenKeys('major'), ...fifteenKeys('minor')];

describe('five-finger positions', () => {
  // The handbook's table (common practice).
  it.each([
    ['C', [], []],
    ['G', [], []],
    ['D', [3], [3]],
    ['A', [3], [3]],
    ['E', [2, 3], [3, 4]],
    ['F', [4], [2]],
    ['Bb', [1, 4], [2, 5]],
    ['Eb', [1, 4, 5], [1, 2, 5]],
    ['Ab', [1, 2, 4, 5], [1, 2, 4, 5]],
    ['Db', [1, 2, 4, 5], [1, 2, 4, 5]],
    ['Gb', [1, 2, 3, 5], [1, 3, 4, 5]],
    ['B', [2, 3, 5], [1, 3, 4]],
    ['D-minor', [], []],
    ['A-minor', [], []],
    ['E-minor', [2], [4]],
    ['C-minor', [3], [3]],
    ['G-minor', [3], [3]],
    ['F-minor', [3, 4], [2, 3]],
    ['B-minor', [2, 5], [1, 4]],
    ['F#-minor', [1, 2, 5], [1, 4, 5]],
    ['Bb-minor', [1, 3, 4], [2, 3, 5]],
    ['C#-minor', [1, 2, 4, 5], [1, 2, 4, 5]],
    ['G#-minor', [1, 2, 4, 5], [1, 2, 4, 5]],
    ['Eb-minor', [1, 3, 4, 5], [1, 2, 3, 5]],
  ])('%s: right %j, left %j on black', (name, right, left) => {
    const { black } = fiveFingers(key(name));
    expect([black.right, [...black.left].sort()]).toEqual([right, left]);
  });

  it('from C to D only 3 turns black; from C to G nothing changes (common practice)', () => {
    const words = (from: string, to: string, hand: 'right' | 'left' = 'right') =>
      SAYS.turningWords(turning(fiveFingers(key(from)), fiveFingers(key(to)), hand));
    expect(words('C', 'D')).toBe('only 3 turns black');
    expect(words('C', 'G')).toBe('nothing changes: the hand feels the same');
    expect(words('E', 'F')).toBe('4 turns black; 2 and 3 turn white');
    expect(words('D', 'C')).toBe('only 3 turns white');
    expect(words('D', 'F', 'left')).toBe('2 turns black; 3 turns white');
  });

  it('what turns there turns back on the way back, in both hands, between all positions', () => {
    for (const from of THIRTY) {
      for (const to of THIRTY) {
        for (const hand of ['right', 'left'] as const) {
          const there = turning(fiveFingers(from), fiveFingers(to), hand);
          expect(turning(fiveFingers(to), fiveFingers(from), hand)).toEqual({
            toBlack: there.toWhite,
            toWhite: there.toBlack,
          });
        }
      }
    }
  });
});

describe('scales and arpeggios', () => {
  it.each(THIRTY.map((one) => [keyText(one), one] as const))(
    '%s has the notes that tonal says, each with a finger',
    (_, one) => {
      const name = `${nameText(one.tonic)} ${one.mode === 'minor' ? 'harmonic minor' : 'major'}`;
      for (const hand of ['right', 'left'] as const) {
        const { pitches, fingers } = scaleOf(one, hand, 2, 4);
        expect(pitches.slice(0, 7).map((pitch) => nameText(pitch))).toEqual(Scale.get(name).notes);
        expect(pitches.map(midiNumber)).toEqual([...pitches].map(midiNumber).toSorted((a, b) => a - b));
        expect([pitches.length, fingers.length]).toEqual([15, 15]);
        expect(
          arpeggioOf(one, hand, 2, 3)
            .pitches.map((pitch) => nameText(pitch))
            .slice(0, 3),
        ).toEqual([0, 2, 4].map((i) => Scale.get(name).notes[i]));
      }
    },
  );

  it('have the fingers of Hanon, nos 39 and 41 (from memory)', () => {
    const fingers = (line: { readonly fingers: readonly number[] }) => line.fingers.join('');
    expect(fingers(scaleOf(key('C'), 'right', 2, 4))).toBe('123123412312345');
    expect(fingers(scaleOf(key('C'), 'left', 2, 3))).toBe('543213214321321');
    expect(fingers(scaleOf(key('F'), 'right', 1, 4))).toBe('12341234');
    expect(fingers(scaleOf(key('Bb'), 'right', 1, 4))).toBe('41231234');
    expect(fingers(scaleOf(key('C#'), 'right', 1, 4))).toBe(fingers(scaleOf(key('Db'), 'right', 1, 4)));
    expect(fingers(arpeggioOf(key('D'), 'left', 2, 2))).toBe('5321321');
  });

  it('the triad over an octave follows the gap, or the black key (handbook, common practice)', () => {
    const fingers = (name: string, hand: 'right' | 'left', school: 'interval' | 'black') =>
      octaveArpeggio(key(name), hand, school, 4).fingers.join('-');
    expect(fingers('C', 'right', 'interval')).toBe('1-2-3-5');
    expect(fingers('C', 'left', 'interval')).toBe('5-4-2-1');
    expect(fingers('D', 'left', 'interval')).toBe('5-4-2-1');
    expect(fingers('D', 'left', 'black')).toBe('5-3-2-1');
  });

  it('fifth and sixth open the left hand: 5-2, then 5-1 (handbook, common practice)', () => {
    const [fifth, sixth] = fifthSixth(key('G'), 2);
    expect([fifth?.pitches.map(pitchText), fifth?.legato]).toEqual([
      ['G2', 'D3'],
      [5, 2],
    ]);
    expect([sixth?.pitches.map(pitchText), sixth?.legato]).toEqual([
      ['G2', 'E3'],
      [5, 1],
    ]);
  });
});

describe('key cards', () => {
  it('have twelve lines in every key, with a finger under every note', () => {
    for (const one of ['C', 'F#', 'Cb', 'Bb-minor', 'D#-minor'].map(key)) {
      const { lines } = atlasCard(one, 'interval', USUAL_PLAYER);
      expect(lines).toHaveLength(12);
      for (const { sounds, fingers, piece } of lines) {
        expect(fingers.split(' ').flatMap((chord) => chord.split('-')).length).toBe(sounds.flat().length);
        expect(fingers).toMatch(/^[1-5]([ -][1-5])*$/);
        expect(piece.page.musicXml).toContain('<fingering');
      }
    }
  });

  it('are in the key’s own signature, as tonal has it', () => {
    for (const one of ['G', 'Ab', 'C#'].map(key)) {
      const { lines } = atlasCard(one, 'interval', USUAL_PLAYER);
      const signs = TonalKey.majorKey(Note.pitchClass(nameText(one.tonic))).alteration;
      expect(lines[0]?.piece.musicXml).toContain(`<fifths>${signs}</fifths>`);
    }
  });

  it('have the table’s fingers from the planner too, but for their ends', () => {
    const differing = THIRTY.flatMap((one) =>
      plannerDiffers(one, USUAL_PLAYER).map(({ name, hand }) => `${keyText(one)} ${name} ${hand}`),
    );
    expect(differing).toEqual([]);
  });
});
