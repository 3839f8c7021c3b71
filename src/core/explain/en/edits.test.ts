import { describe, expect, it } from '@jest/globals';
import type { EditLabel } from '../../edit';
import type { Notice } from '../../entry';
import { editWords, noticeWords, signsWords, miscountWords } from './edits';
import { TERMS } from '../../../../tests/support/usual-words';

const C4 = { step: 0, alter: 0, octave: 4 } as const;
const F4 = { step: 3, alter: 1, octave: 4 } as const;

/** One of each code, with its words; the compiler holds the list against the union. */
const EDITS: { readonly [Code in EditLabel['code']]: readonly [Extract<EditLabel, { code: Code }>, string] } = {
  entered: [
    { code: 'entered', bar: '3', hand: 'right', pitches: [C4, F4], finger: 1 },
    'C4 and F♯4 with 1, right hand, bar 3',
  ],
  rest: [{ code: 'rest', bar: '3', hand: 'left' }, 'rest, left hand, bar 3'],
  joined: [{ code: 'joined', bar: '3', pitch: F4 }, 'F♯4 added to the chord, bar 3'],
  removed: [{ code: 'removed', bar: '3', what: 'chord' }, 'chord taken out, bar 3'],
  length: [{ code: 'length', bar: '3' }, 'another length, bar 3'],
  pitch: [{ code: 'pitch', bar: '3', from: C4, to: F4 }, 'C4 made F♯4, bar 3'],
  finger: [{ code: 'finger', bar: '3', finger: null }, 'finger taken away, bar 3'],
  tie: [{ code: 'tie', bar: '3', is: 'off' }, 'tie taken away, bar 3'],
  slur: [{ code: 'slur', bar: '3', is: 'ended' }, 'slur ended, bar 3'],
  sign: [{ code: 'sign', bar: '3', sign: 'fermata', is: 'on' }, 'fermata set, bar 3'],
  words: [{ code: 'words', bar: '3', kind: 'lyric', text: 'rain' }, '“rain” under a note, bar 3'],
  'bars-added': [{ code: 'bars-added', bar: '3', count: 1 }, 'one bar put in before bar 3'],
  'bars-removed': [{ code: 'bars-removed', bar: '3', count: 2 }, 'two bars taken out from bar 3'],
  'bar-repeated': [{ code: 'bar-repeated', bar: '3' }, 'the bar before repeated in bar 3'],
  pasted: [{ code: 'pasted', bar: '3' }, 'what was copied put in, bar 3'],
  'moved-passage': [{ code: 'moved-passage', bar: '3', steps: -7 }, 'moved an octave down, bar 3'],
  'other-hand': [{ code: 'other-hand', bar: '3', hand: 'left' }, 'given to the left hand, bar 3'],
  meter: [{ code: 'meter', bar: '3', meter: { beats: 6, beatType: 8 } }, '6/8 from bar 3'],
  signature: [{ code: 'signature', bar: '3', fifths: -1 }, 'one flat from bar 3'],
  'pick-up': [{ code: 'pick-up', quarters: 0 }, 'pick-up made a full bar'],
  heading: [{ code: 'heading', what: 'title', text: 'Rain' }, 'title “Rain”'],
  tempo: [{ code: 'tempo', perMinute: 80 }, 'tempo 80 quarters a minute'],
  'played-in': [{ code: 'played-in', bar: '3', notes: 4 }, 'four notes played in from bar 3'],
  abc: [{ code: 'abc', bar: '3' }, 'ABC from bar 3'],
};

/** Every notice there is: one that is missing here is a type error. */
const NOTICES: Readonly<Record<Notice['code'], true>> = {
  'nothing-to-change': true,
  'nothing-to-tie': true,
  'off-keyboard': true,
  'nothing-copied': true,
  'clip-too-fine': true,
  'no-bar-before': true,
  'one-hand-only': true,
  'last-bar': true,
  'nothing-to-undo': true,
  'nothing-to-redo': true,
};

describe('editWords', () => {
  it.each(Object.values(EDITS))('%j', (label, words) => expect(editWords(TERMS, label)).toBe(words));

  it('tells the other half of what comes in two kinds', () => {
    expect(editWords(TERMS, { code: 'finger', bar: '1', finger: 4 })).toBe('finger 4, bar 1');
    expect(editWords(TERMS, { code: 'words', bar: '1', kind: 'words', text: '' })).toBe('words taken away, bar 1');
    expect(editWords(TERMS, { code: 'moved-passage', bar: '1', steps: 1 })).toBe('moved one step up, bar 1');
    expect([0, 3, -2].map(signsWords)).toEqual(['no sharps or flats', 'three sharps', 'two flats']);
  });
});

describe('noticeWords', () => {
  it.each(Object.keys(NOTICES) as Notice['code'][])('%s is a sentence, or two', (code) =>
    expect(noticeWords(TERMS, { code })).toMatch(/^[A-Z].*\.$/),
  );
});

describe('miscountWords', () => {
  it('counts in beats of the meter', () => {
    expect(miscountWords(TERMS, { bar: 2, number: '3', hand: 'left', found: 120, wanted: 144 }, 48)).toBe(
      'Bar 3, left hand: 2.5 beats, 3 wanted',
    );
  });
});
