import { describe, expect, it } from '@jest/globals';
import { MAJOR_PROFILE, MINOR_PROFILE } from './key-profile.table';
import { profileFit, rankKeys } from './key-profile';
import { pitchText } from './pitch-text';
import { spellKey } from './spell';

const scaleOf = (steps: readonly number[], tonic: number): readonly number[] =>
  Array.from({ length: 12 }, (_, semitone) => Number(steps.includes((semitone - tonic + 12) % 12)));
const MAJOR = [0, 2, 4, 5, 7, 9, 11];

describe('the profiles', () => {
  it('put the tonic first, then the triad, and scale tones above the others', () => {
    for (const [profile, triad, scale] of [
      [MAJOR_PROFILE, [0, 4, 7], MAJOR],
      [MINOR_PROFILE, [0, 3, 7], [0, 2, 3, 5, 7, 8, 10]],
    ] as const) {
      const order = profile.map((_, i) => i).sort((a, b) => (profile[b] as number) - (profile[a] as number));
      expect(order[0]).toBe(0);
      expect(new Set(order.slice(0, 3))).toEqual(new Set(triad));
      expect(new Set(order.slice(0, 7))).toEqual(new Set(scale));
    }
  });

  it('know a scale with its tonic doubled in all twelve keys', () => {
    for (let tonic = 0; tonic < 12; tonic += 1) {
      const weights = scaleOf(MAJOR, tonic).map((weight, i) => weight + Number(i === tonic));
      expect(rankKeys(weights)[0]).toMatchObject({ tonic, mode: 'major' });
    }
  });

  it('fit themselves perfectly, and silence not at all', () => {
    expect(profileFit([...MAJOR_PROFILE], 0, 'major')).toBeCloseTo(1);
    expect(profileFit(Array(12).fill(0), 0, 'major')).toBe(0);
  });
});

describe('spellKey', () => {
  const spell = (
    midi: number,
    fifths: number,
    mode: 'major' | 'minor' = 'major',
    before: number | null = null,
    next: number | null = null,
  ): string => pitchText(spellKey({ midi, before, next }, fifths, mode));

  it('takes scale tones as the signature has them, in every signature', () => {
    expect([60, 62, 64, 65, 67, 69, 71].map((midi) => spell(midi, 0)).join(' ')).toBe('C4 D4 E4 F4 G4 A4 B4');
    expect([66, 68, 70, 71, 73, 75, 77].map((midi) => spell(midi, 6)).join(' ')).toBe('F#4 G#4 A#4 B4 C#5 D#5 E#5');
    expect(spell(71, -6)).toBe('Cb5');
  });

  it('raises what goes up and lowers what comes down by a half step', () => {
    expect([spell(61, 0, 'major', 60, 62), spell(61, 0, 'major', 62, 60)]).toEqual(['C#4', 'Db4']);
    expect(spell(66, 0)).toBe('F#4');
    expect(spell(70, 0)).toBe('Bb4');
  });

  it('keeps the leading note of minor', () => {
    expect(spell(68, 0, 'minor', 69, 67)).toBe('G#4');
    expect(spell(68, 0, 'minor', 67, 69)).toBe('G#4');
  });
});
