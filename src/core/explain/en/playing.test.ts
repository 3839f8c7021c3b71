import { describe, expect, it } from '@jest/globals';
import { SAYS } from '../../../../tests/support/usual-words';
import { parsePitch, type Pitch } from '../../pitch';
import { PLAY_FAULT_KINDS, type HeardFact, type Judgement, type NextThing, type PlayFault } from '../../practice';
import { languageOf } from '../language';
import { USUAL_WORDING } from '../wording';

const FAULT: PlayFault = {
  kind: 'wrong-key',
  hand: 'right',
  bar: '3',
  barIndex: 2,
  beat: 2,
  notes: ['n9'],
  written: parsePitch('F#4') as Pitch,
  played: parsePitch('F4') as Pitch,
  finger: 3,
  offMs: null,
  run: 0,
  keys: [8],
  againAt: null,
  stretch: null,
};
const BARS = { toBar: '4', toBarIndex: 3, isWhole: false, shift: null, beats: null };
const four = ['a', 'b', 'c', 'd'];

describe('what went wrong in playing', () => {
  it.each<readonly [Partial<PlayFault>, string]>([
    [{ kind: 'forgot-signature' }, 'Bar 3: F instead of F♯: the signature has F♯.'],
    [{ kind: 'forgot-accidental' }, 'Bar 3: F instead of F♯: the sign in the bar was forgotten.'],
    [{ kind: 'missing' }, 'Bar 3: F♯ is missing.'],
    [{ kind: 'missing', notes: four, hand: 'left' }, 'Bar 3, left hand: four notes are missing.'],
    [
      { kind: 'octave', played: parsePitch('F#5') as Pitch },
      'Bar 3: F♯5 instead of F♯4: the right name in another octave.',
    ],
    [{ kind: 'extra', written: null }, 'Bar 3: one key too many, F.'],
    [{ kind: 'late', offMs: 483 }, 'Bar 3, beat 2: F♯ comes too late, by 480 ms.'],
    [{ kind: 'hesitation', offMs: 1240 }, 'Bar 3, beat 2: the pulse stops before it, for 1.2 s.'],
    [{ kind: 'stopped', againAt: '2' }, 'Bar 3, beat 2: it stops, and begins again at bar 2.'],
    [{ kind: 'stopped' }, 'Bar 3, beat 2: it stops here.'],
    [
      { kind: 'old-position', notes: four },
      'Bar 3, right hand: four notes from where the hand was before. It moves here.',
    ],
    [
      { kind: 'finger-off', notes: four },
      'Bar 3, right hand: four notes, all one key beside. The whole hand sits one off.',
    ],
    [{ kind: 'corrected' }, 'Bar 3: F, then F♯: heard and put right.'],
    [
      { kind: 'transposed', hand: null, stretch: { ...BARS, shift: { letters: 3, halfSteps: 5 } } },
      'Bars 3–4: everything a fourth too high, as in another key.',
    ],
    [
      { kind: 'transposed', stretch: { ...BARS, isWhole: true, shift: { letters: -7, halfSteps: -12 } } },
      'From beginning to end, right hand: the right notes, an octave too low.',
    ],
    [
      { kind: 'transposed', stretch: { ...BARS, shift: { letters: 2, halfSteps: null } } },
      'Bars 3–4, right hand: the hand sits a third too high.',
    ],
    [{ kind: 'one-hand', hand: 'left', stretch: BARS }, 'The left hand was not played.'],
    [
      { kind: 'hand-late', hand: 'left', stretch: { ...BARS, beats: 1 } },
      'Bars 3–4: the left hand is one beat behind the right hand.',
    ],
    [
      { kind: 'hand-late', hand: 'right', stretch: { ...BARS, beats: -0.5 } },
      'Bars 3–4: the right hand is half a beat ahead of the left hand.',
    ],
  ])('%j', (facts, words) => expect(SAYS.playFaultWords({ ...FAULT, ...facts })).toBe(words));

  it.each<readonly [HeardFact, string]>([
    [{ kind: 'hand-behind', hand: 'left', ms: 183 }, 'The left hand came a little after the right, by 180 ms.'],
    [{ kind: 'swung', first: 'long', times: 2 }, 'The halves of the beat were uneven: long and short, about 2 to 1.'],
    [
      { kind: 'swung', first: 'short', times: 1.5 },
      'The halves of the beat were uneven: short and long, about 1 to 1.5.',
    ],
  ])('%j is told beside', (fact, words) => expect(SAYS.heardFactWords(fact)).toBe(words));

  it('has words for every kind, which scold nobody', () => {
    for (const kind of PLAY_FAULT_KINDS) {
      const words = SAYS.playFaultWords({ ...FAULT, kind });
      expect(words).toMatch(/^[A-Z].*\.$/);
      expect(words).not.toMatch(/wrong|bad|mistake|error|you /i);
    }
  });
});

describe('what to do next', () => {
  const NEXT: NextThing = {
    from: '3',
    to: '4',
    fromIndex: 2,
    toIndex: 3,
    hand: 'left',
    bpm: 60,
    way: 'find-first',
    about: FAULT,
  };

  it('is one thing: where, which hand, how fast, how', () => {
    expect(SAYS.nextThingWords(NEXT)).toBe('Bars 3–4, left hand alone, at 60: find F♯ with finger 3 before you start.');
    expect(SAYS.nextThingWords({ ...NEXT, to: '3', hand: 'both', bpm: null, way: 'slowly' })).toBe(
      'Bar 3, both hands: so slowly that nothing stops.',
    );
  });

  it('is as the teacher calls things', () => {
    const other = languageOf({ ...USUAL_WORDING, bar: 'measure', fingers: 'names' });
    expect(other.nextThingWords(NEXT)).toContain('Measures 3–4');
    expect(other.nextThingWords(NEXT)).toContain('with middle finger');
  });
});

describe('what was right', () => {
  const JUDGED = {
    clean: false,
    written: 32,
    right: 29,
    runs: [{ fromBar: '1', toBar: '8' }],
    pulse: { bpm: 71.8, steady: false, spreadMs: 38 },
  } as unknown as Judgement;

  it('is said first', () => {
    expect(SAYS.rightWords(JUDGED)).toEqual(['29 of 32 notes right.', 'The pulse was not steady yet, at 72.']);
    expect(SAYS.rightWords({ ...JUDGED, clean: true, right: 32, pulse: { ...JUDGED.pulse, steady: true } })).toEqual([
      'Clean: all 32 notes right, with a steady pulse, at 72.',
    ]);
    expect(SAYS.rightWords({ ...JUDGED, runs: [] })).toEqual(['Nothing was heard.']);
  });
});
