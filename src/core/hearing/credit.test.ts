import { describe, expect, it } from '@jest/globals';
import type { AskedMusic } from '../asked';
import { midiNumber, parsePitch, type Pitch } from '../pitch';
import { judgePlaying } from '../practice';
import { asked } from '../../../tests/support/asked';
import { creditHeard } from './credit';
import { UNHEARD, type PossibleStroke } from './possible';

const BEAT_MS = 600;
const midiOf = (name: string): number => midiNumber(parsePitch(name) as Pitch);

/** Strokes as `C4@0`, surely heard by both ears; `C4@0?` by the first alone, `C4@0!` by the second alone, `C4@0~` hardly by either;
 * `C4@0+` clearly by the first and perhaps by the second, `C4@0-` perhaps by the first. */
function heard(text: string): readonly PossibleStroke[] {
  return text.split(' ').map((word) => {
    const [, name = '', at = '', how = ''] = /^([A-G][#b]?\d)@([\d.]+)([?!~+-]?)$/.exec(word) ?? [];
    const odds = { '': [6, 6], '?': [4, UNHEARD], '!': [UNHEARD, 4], '~': [-4, -4], '+': [7, -0.8], '-': [-0.9, -4] }[
      how
    ] ?? [0, 0];
    return { midi: midiOf(name), atMs: Number(at) * BEAT_MS, live: odds[0] as number, after: odds[1] as number };
  });
}

/** What counts as struck, as MIDI numbers in order of time; what was told of it; how many notes were not heard clearly. */
function credited(music: AskedMusic, text: string, gaps: readonly number[] = []) {
  const { keys, unclear } = creditHeard(music, heard(text), { ears: 'both', msPerQuarter: BEAT_MS, gaps });
  const { faults } = judgePlaying(music, keys, { strictness: 'usual', bpm: null, countIn: null, byEar: { unclear } });
  return { midis: keys.map(({ midi }) => midi), told: faults.map(({ kind }) => kind), unclear: unclear.length };
}

const TUNE = asked('C4 D4 E4 F4 G4 F4 E4 D4 C4:4');
const PLAYED = 'C4@0 D4@1 E4@2 F4@3 G4@4 F4@5 E4@6 D4@7 C4@8';

describe('a note that is expected', () => {
  it('is credited if both ears heard it, or either', () => {
    for (const how of ['', '?', '!'])
      expect(credited(TUNE, PLAYED.replace('F4@3', `F4@3${how}`))).toMatchObject({ told: [], unclear: 0 });
  });

  it('is missing where neither heard anything of it', () => {
    expect(credited(TUNE, PLAYED.replace('F4@3 ', ''))).toMatchObject({ told: ['missing'], unclear: 0 });
  });

  it('on the overtones of another, or inside a chord, is not said to be missing: it was not heard clearly', () => {
    const octaves = asked('C4+C5 D4+D5 E4+E5 C4+C5');
    expect(credited(octaves, 'C4@0 C5@0 D4@1 E4@2 E5@2 C4@3 C5@3')).toMatchObject({ told: [], unclear: 1 });
    const chords = asked('C4+E4+G4 F4+A4+C5 C4+E4+G4 C4+E4+G4');
    expect(credited(chords, 'C4@0 E4@0 G4@0 F4@1 C5@1 C4@2 E4@2 G4@2 C4@3 E4@3 G4@3')).toMatchObject({
      told: [],
      unclear: 1,
    });
  });

  it('is looked for where the player stopped to think', () => {
    const late = 'C4@0 D4@1 E4@2 F4@4.6? G4@5.6 F4@6.6 E4@7.6 D4@8.6 C4@9.6';
    expect(credited(TUNE, late)).toMatchObject({ told: ['hesitation'], unclear: 0 });
  });
});

describe('a key that nothing asks for', () => {
  it('is told if both ears heard it, and not if one did', () => {
    expect(credited(TUNE, `${PLAYED} A4@2.5`).told).toEqual(['extra']);
    expect(credited(TUNE, `${PLAYED} A4@2.5?`).told).toEqual([]);
    expect(credited(TUNE, `${PLAYED} A4@2.5!`).told).toEqual([]);
  });

  it('is named where it stands for the note beside it', () => {
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F#4@3')).told).toEqual(['neighbour-key']);
    expect(credited(TUNE, PLAYED.replace('E4@2', 'D4@2')).told).toEqual(['neighbour-key']);
  });

  it('is named where it came much clearer than the note beside it, of which something was heard as well', () => {
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F4@3- F#4@3+')).told).toEqual(['neighbour-key']);
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F4@3+ F#4@3-')).told).toEqual([]);
    // Nor does the ghost of an octave excuse it.
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F3@3+ F4@3- F#4@3+')).told).toEqual(['neighbour-key']);
    // A second together is asked for: one is not the shadow of the other.
    const seconds = asked('C4+D4 E4+F4 C4+D4 E4+F4');
    expect(credited(seconds, 'C4@0 D4@0 E4@1 F4@1- C4@2 D4@2 E4@3 F4@3').told).toEqual([]);
  });

  it('is never told where it may be an overtone of a key that is struck with it', () => {
    for (const above of ['C5@0', 'G5@0', 'C6@0']) expect(credited(TUNE, `${above} ${PLAYED}`).told).toEqual([]);
  });

  it('an octave off counts as the note: which octave it was, this ear does not judge', () => {
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F5@3'))).toMatchObject({ told: [], unclear: 0 });
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F3@3'))).toMatchObject({ told: [], unclear: 0 });
  });
});

describe('near a gap in the sound', () => {
  const gap = [3.2 * BEAT_MS];
  it('a note that did not come was not heard clearly, and a key that nothing asks for is not told', () => {
    expect(credited(TUNE, PLAYED.replace('F4@3 ', ''), gap)).toMatchObject({ told: [], unclear: 1 });
    expect(credited(TUNE, PLAYED.replace('F4@3', 'F#4@3'), gap)).toMatchObject({ told: [], unclear: 1 });
    expect(credited(TUNE, `${PLAYED} A4@3.5`, gap)).toMatchObject({ told: [], unclear: 0 });
  });

  it('only: all else is judged as ever', () => {
    expect(credited(TUNE, PLAYED.replace('F4@5 ', ''), gap).told).toEqual(['missing']);
    expect(credited(TUNE, `${PLAYED} A4@4.5`, gap).told).toEqual(['extra']);
  });
});

describe('what both ears heard', () => {
  it('of nothing at all is nothing', () => {
    expect(creditHeard(TUNE, [], { ears: 'both', msPerQuarter: null, gaps: [] })).toEqual({ keys: [], unclear: [] });
  });

  it('counts the second time as well, where the player began again', () => {
    const again = 'C4@0 D4@1 E4@2 F4@3 C4@6 D4@7 E4@8 F4@9 G4@10 F4@11 E4@12 D4@13 C4@14';
    expect(credited(TUNE, again).midis).toHaveLength(13);
    expect(credited(TUNE, again).told).toEqual(['stopped']);
  });
});
