import { describe, expect, it } from '@jest/globals';
import { parseKey, pitchText, type Key } from '../pitch';
import { asWritten, moveTo } from '../piece';
import { unwrap } from '../base';
import { blackFingers } from '../survey';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { moved, open, USUAL } from '../../../tests/support/open';
import { USUAL_PLAYER, type Player } from '../fingering';
import type { Flag } from './flag';

const AVOIDING: Player = { ...USUAL_PLAYER, outer: 'avoid' };

const MAJOR = { right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', left: 'C3q/5 D3q/4 E3q/3 F3q/2 | G3w/1', mode: 'major' };
const MINOR = { right: 'A4q/1 B4q/2 C5q/3 D5q/4 | E5w/5', left: 'A2q/5 B2q/4 C3q/3 D3q/2 | E3w/1', mode: 'minor' };
const told = (flags: readonly Flag[]): readonly string[] =>
  flags.map((flag) => `${flag.severity} ${flag.evidence.kind} ${flag.hand} ${flag.bars.join('+')}`);

/** Finger on black in every five-finger pattern: right hand, left hand. Source: handbook, section 4, common practice. */
const MAJOR_PATTERNS: Readonly<Record<string, readonly [string, string]>> = {
  C: ['', ''],
  G: ['', ''],
  D: ['3', '3'],
  A: ['3', '3'],
  E: ['2,3', '3,4'],
  F: ['4', '2'],
  Bb: ['1,4', '2,5'],
  Eb: ['1,4,5', '1,2,5'],
  Ab: ['1,2,4,5', '1,2,4,5'],
  Db: ['1,2,4,5', '1,2,4,5'],
  Gb: ['1,2,3,5', '1,3,4,5'],
  B: ['2,3,5', '1,3,4'],
  'C#': ['1,2,4,5', '1,2,4,5'],
  'F#': ['1,2,3,5', '1,3,4,5'],
  Cb: ['2,3,5', '1,3,4'],
};
/** Right hand in minor; the left has six minus each. */
const MINOR_PATTERNS: Readonly<Record<string, string>> = {
  D: '',
  A: '',
  E: '2',
  C: '3',
  G: '3',
  F: '3,4',
  B: '2,5',
  'F#': '1,2,5',
  Bb: '1,3,4',
  'C#': '1,2,4,5',
  'G#': '1,2,4,5',
  Ab: '1,2,4,5',
  Eb: '1,3,4,5',
};

describe('fingers on black keys in five-finger patterns (common practice)', () => {
  it.each(Object.entries(MAJOR_PATTERNS))('%s major', (tonic, [right, left]) => {
    const fingers = blackFingers(moved(open(musicXml(MAJOR)), tonic).positions);
    expect([fingers.right.join(','), fingers.left.join(',')]).toEqual([right, left]);
  });

  it.each(Object.entries(MINOR_PATTERNS))('%s minor', (tonic, right) => {
    const fingers = blackFingers(moved(open(musicXml(MINOR)), tonic).positions);
    expect(fingers.right.join(',')).toBe(right);
    expect(fingers.left.join(',')).toBe(
      right
        .split(',')
        .filter(Boolean)
        .map((finger) => 6 - Number(finger))
        .sort()
        .join(','),
    );
  });
});

describe('flags of fingers on black keys', () => {
  it('name thumb, fourth and fifth, each once for both hands, and no long finger', () => {
    const { flags } = moved(open(musicXml(MAJOR)), 'Eb');
    expect(told(flags)).toEqual([
      'watch fifth-on-black left 1+2',
      'watch thumb-on-black right 1+2',
      'watch fourth-on-black right 1',
    ]);
    const uses = flags.map(({ evidence }) =>
      'uses' in evidence ? evidence.uses.map(({ hand, key }) => `${hand} ${pitchText(key)}`).join(', ') : '',
    );
    expect(uses).toEqual(['right Bb4, left Eb3', 'right Eb4, left Bb3', 'right Ab4']);
    expect(told(moved(open(musicXml(MAJOR)), 'D').flags)).toEqual([]);
    expect(told(moved(open(musicXml(MAJOR)), 'E').flags)).toEqual(['watch fourth-on-black left 1']);
  });

  it('weigh more where the school avoids short fingers on black', () => {
    const piece = open(musicXml(MAJOR));
    const options = { ...USUAL, to: parseKey('Bb', 'major') as Key, player: AVOIDING };
    expect(told(unwrap(moveTo(piece, asWritten(piece, AVOIDING), options)).flags)).toEqual([
      'should fifth-on-black left 1',
      'should thumb-on-black right 1',
      'watch fourth-on-black right 1',
    ]);
  });

  it('are none for a C♭ that is the white key of B', () => {
    const flags = moved(open(musicXml(MAJOR)), 'Gb').flags.filter(
      ({ evidence }) => evidence.kind === 'fourth-on-black' && evidence.uses.some(({ key }) => key.step === 0),
    );
    expect(flags).toEqual([]);
  });

  it('are marked as there before, where they were', () => {
    const flags = moved(open(demoFile('cat-on-the-landing')), 'G').flags;
    const doubles = flags.filter(({ evidence }) => evidence.kind === 'double-duty');
    expect(doubles.map(({ wasThere }) => wasThere)).toEqual([true]);
  });
});

describe('double-duty', () => {
  it('tells of one finger on F and F♯ (common practice)', () => {
    const flags = moved(open(demoFile('cat-on-the-landing')), 'C').flags.filter(
      ({ evidence }) => evidence.kind === 'double-duty',
    );
    expect(
      flags.map(({ evidence, byBlackKey }) => [evidence.kind === 'double-duty' && evidence.finger, byBlackKey]),
    ).toEqual([[4, true]]);
  });

  it('is none of a key that is only repeated', () => {
    expect(told(moved(open(musicXml({ right: 'C4q/1 C4q/1 G4h/5' })), 'C').flags)).toEqual([]);
  });

  it('is not caused by a black key where both keys are white', () => {
    const flags = moved(open(musicXml({ right: 'C4q/1 F4q/4 F#4h/4', mode: 'major' })), 'B').flags.filter(
      ({ evidence }) => evidence.kind === 'double-duty',
    );
    expect(flags.map(({ byBlackKey }) => byBlackKey)).toEqual([false]);
  });
});

describe('shared-key', () => {
  it('tells of both thumbs on middle C within a beat', () => {
    expect(
      told(
        open(musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'Rq C4q/1 B3h/2' })) &&
          moved(open(musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'Rq C4q/1 B3h/2' })), 'C').flags,
      ),
    ).toEqual(['watch shared-key left 1']);
  });

  it('weighs more while the other hand still holds the key, also when both strike it at once', () => {
    expect(told(moved(open(musicXml({ right: 'C4w/1', left: 'Rh C4h/1' })), 'C').flags)).toEqual([
      'should shared-key left 1',
    ]);
    expect(told(moved(open(musicXml({ right: 'C4w/1', left: 'C4w/1' })), 'C').flags)).toHaveLength(1);
  });

  it('is none a full beat later, or in another octave', () => {
    expect(told(moved(open(musicXml({ right: 'C4q/1 Rq Rh', left: 'Rh C4h/1' })), 'C').flags)).toEqual([]);
    expect(told(moved(open(musicXml({ right: 'C5w/1', left: 'C4w/1' })), 'C').flags)).toEqual([]);
  });

  it('stays in every key, since both hands move alike', () => {
    const counts = ['C', 'D', 'Eb', 'G'].map(
      (to) =>
        moved(open(demoFile('two-boats')), to).flags.filter(({ evidence }) => evidence.kind === 'shared-key').length,
    );
    expect(new Set(counts).size).toBe(1);
    expect(counts[0]).toBeGreaterThan(0);
  });
});

describe('flags of the page and the keyboard', () => {
  it('count ledger lines from three on, a run as one', () => {
    expect(told(moved(open(musicXml({ right: 'E6q F6q E6h | C6w' })), 'C').flags)).toEqual([
      'watch ledger-lines right 1',
    ]);
    expect(told(moved(open(musicXml({ right: 'C6w' })), 'C').flags)).toEqual([]);
  });

  it('tell of double accidentals once a pitch', () => {
    expect(told(moved(open(musicXml({ right: 'F#4h F#4h', mode: 'major' })), 'C#').flags)).toEqual([
      'watch double-accidental right 1',
    ]);
  });

  it('tell what the keyboard does not have: it must change', () => {
    const version = moved(open(musicXml({ right: 'C8w' })), 'D');
    expect(told(version.flags)).toContain('must off-keyboard right 1');
  });

  it('tell what the pupil’s own keyboard does not have', () => {
    const piece = open(musicXml({ right: 'C4w', left: 'B1w' }));
    const flags = (keyboard: 88 | 61) =>
      told(unwrap(moveTo(piece, asWritten(piece), { ...USUAL, to: piece.key.key, keyboard })).flags);
    expect([flags(88), flags(61)]).toEqual([[], ['must off-keyboard left 1']]);
  });

  it('tell of hands that cross, once for the stretch', () => {
    const crossings = (right: string, left: string): readonly string[] =>
      told(moved(open(musicXml({ right, left, mode: 'major' })), 'C').flags).filter((flag) => flag.includes('overlap'));
    expect(crossings('C4h E4h', 'G4w')).toEqual(['watch hands-overlap right 1']);
    expect(crossings('C5h E5h', 'G4w')).toEqual([]);
    expect(crossings('C4h C5h | C4h C5h', 'G4h C3h | G4h C3h')).toEqual([
      'watch hands-overlap right 1',
      'watch hands-overlap right 2',
    ]);
  });

  it('propose an octave where a hand would read many ledger lines, and move nothing', () => {
    const version = moved(open(musicXml({ right: 'A5q B5q C6h', mode: 'major' })), 'G', { direction: 'up' });
    expect(version.remarks).toEqual([{ code: 'octave-proposed', hand: 'right', direction: 'lower' }]);
    expect(moved(open(musicXml({ right: 'C5q D5q E5h', mode: 'major' })), 'G').remarks).toEqual([]);
  });

  it('come in the order of the music', () => {
    const { flags, notes } = moved(open(demoFile('mill-wheel')), 'Ab');
    const places = flags.map((flag) => notes.findIndex(({ id }) => id === flag.notes[0]));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(flags.length).toBeGreaterThan(3);
  });
});
