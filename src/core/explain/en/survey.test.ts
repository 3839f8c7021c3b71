import { describe, expect, it } from '@jest/globals';
import { fiveFingers, keyCard } from '../../reference';
import { fifteenKeys, parseKey, parseName, type Key, type PitchName } from '../../pitch';
import type { Finger, Hand } from '../../score';
import { blackWordsOf, drillTitle, signatureWords } from './atlas';
import { barRanges } from './common';
import type { KeyReasons } from '../../survey';
import { effortWords } from './survey';
import { TERMS } from '../../../../tests/support/usual-words';

const NONE: KeyReasons = {
  black: [],
  moreMoves: 0,
  ownKey: parseKey('C-major', 'major') as Key,
  forcedFingers: [],
  must: [],
  should: [],
  signs: 0,
  accidentals: 0,
  moreLedgerLines: 0,
};
const words = (reasons: Partial<KeyReasons>): readonly string[] => effortWords(TERMS, { ...NONE, ...reasons });
const use = (hand: Hand, finger: Finger, key: string, ...bars: readonly string[]) => ({
  hand,
  finger,
  key: parseName(key) as PitchName,
  bars,
});
const key = (name: string): Key => parseKey(name, 'major') as Key;

describe('what a key costs', () => {
  it('names the trouble first, then moves, fingers, black keys, and what is read last', () => {
    const all = words({
      must: [{ kind: 'out-of-reach', bars: ['3'] }],
      should: [{ kind: 'hop', bars: ['2', '5'] }],
      moreMoves: 1,
      forcedFingers: ['6'],
      black: [use('right', 4, 'Bb', '2'), use('right', 4, 'Bb', '6')],
      moreLedgerLines: 1,
      signs: -2,
      accidentals: 3,
    });
    expect(all).toEqual([
      'cannot be played so: out of reach in bar 3',
      'better otherwise: hops in bars 2 and 5',
      'hand moves once more than in C major',
      'fingers change in bar 6',
      'right 4 on B♭ in bars 2 and 6',
      'one more ledger line',
      'reads two flats',
      'three accidentals',
    ]);
  });

  it.each([
    [2, 'hand moves two times more than in C major'],
    [-1, 'hand moves once less than in C major'],
  ])('moves: %i', (moreMoves, phrase) => expect(words({ moreMoves })[0]).toBe(phrase));

  it.each([
    [0, 'reads no sharps or flats'],
    [1, 'reads one sharp'],
    [-7, 'reads seven flats'],
  ])('a signature of %i', (signs, phrase) => expect(words({ signs })).toEqual([phrase]));

  it('tells short fingers before long ones (handbook, section 2.5)', () => {
    const told = words({
      black: [
        use('right', 3, 'F#', '1'),
        use('right', 1, 'Bb', '1'),
        use('left', 2, 'Eb', '1'),
        use('right', 4, 'Ab', '1'),
      ],
    });
    expect(told.slice(0, 4).map((phrase) => phrase.split(' on ')[0])).toEqual([
      'right 1',
      'right 4',
      'left 2',
      'right 3',
    ]);
  });

  it('draws together hands that meet the same key in the same bars, and several keys of one finger', () => {
    expect(words({ black: [use('right', 3, 'F#', '1'), use('left', 3, 'F#', '1')] })[0]).toBe(
      'right 3 and left 3 on F♯ in bar 1',
    );
    expect(words({ black: [use('right', 4, 'Bb', '1'), use('right', 4, 'Eb', '2')] })[0]).toBe(
      'right 4 on B♭ and E♭ in bars 1 and 2',
    );
  });
});

describe('bars', () => {
  it.each([
    [['3'], 'bar 3'],
    [['1', '2'], 'bars 1 and 2'],
    [['1', '2', '3'], 'bars 1–3'],
    [['1', '2', '3', '5', '7', '8'], 'bars 1–3, 5, 7 and 8'],
    [['0', '1', '2', 'X1'], 'bars 0–2 and X1'],
  ])('%j are %s', (bars, phrase) => expect(barRanges(TERMS, bars)).toBe(phrase));
});

describe('signatures and positions in words', () => {
  it.each([
    ['C', 'no sharps or flats'],
    ['F', '1 flat: B♭'],
    ['A', '3 sharps: F♯ C♯ G♯'],
    ['E', '4 sharps: F♯ C♯ G♯ D♯ (all the sharps but A, E and B)'],
    ['Db', '5 flats: B♭ E♭ A♭ D♭ G♭ (all the flats but C and F)'],
    ['C#', '7 sharps: F♯ C♯ G♯ D♯ A♯ E♯ B♯ (all the sharps)'],
  ])('%s (handbook, signs and signatures)', (name, phrase) =>
    expect(signatureWords(TERMS, keyCard(key(name)).signs, key(name))).toBe(phrase),
  );

  it('fingers are named from the thumb in the right hand and from the fifth in the left, as they lie', () => {
    expect(blackWordsOf(fiveFingers(key('Bb')))).toBe('right 1, 4 · left 5, 2 on black');
    expect(blackWordsOf(fiveFingers(key('C')))).toBe('no finger on black');
  });

  it('a drill is named by its key, or by how many keys it has', () => {
    expect(drillTitle(TERMS, 'skips', [key('Eb')])).toBe('Skips in E♭ major');
    expect(drillTitle(TERMS, 'five-fingers', fifteenKeys('major').slice(0, 2))).toBe('Five fingers in two keys');
    expect(drillTitle(TERMS, 'five-fingers', fifteenKeys('major').slice(0, 12))).toBe('Five fingers in 12 keys');
  });
});
