import { describe, expect, it } from '@jest/globals';
import { asWritten } from '../../piece';
import { benchView } from '../../views';
import { parsePitch, type Pitch } from '../../pitch';
import type { Fault, Remark } from '../../base';
import type { Flag, FlagEvidence } from '../../flags';
import { demoFile } from '../../../../tests/support/demo-pieces';
import { musicXml } from '../../../../tests/support/build-piece';
import { moved, open } from '../../../../tests/support/open';
import { faultWords } from './faults';
import { barsText } from './common';
import { flagWords } from './flags';
import { pupilWords } from './pupil';
import { costWords, reasonWords } from './rules';
import { remarkWords } from './remarks';
import { SAYS, TERMS } from '../../../../tests/support/usual-words';
import { PLAIN_PAGE } from '../../../../tests/support/plain-page';

const at = { line: 12, column: 8 };
/** One of each code; the compiler holds the list against the union. */
const FAULTS: { readonly [Code in Fault['code']]: Extract<Fault, { code: Code }> } = {
  'read.empty': { code: 'read.empty' },
  'read.too-large': { code: 'read.too-large', limitMb: 10 },
  'read.unknown-format': { code: 'read.unknown-format' },
  'read.not-a-score': { code: 'read.not-a-score', rootName: 'opus', at },
  'read.encoding': { code: 'read.encoding', encoding: 'ebcdic' },
  'read.malformed': { code: 'read.malformed', said: 'unclosed tag', at },
  'read.cut-off': { code: 'read.cut-off', at },
  'read.entity': { code: 'read.entity', name: 'x', at },
  'read.midi-damaged': { code: 'read.midi-damaged', reason: 'ends-early' },
  'read.archive': { code: 'read.archive', detail: 'no-score' },
  'read.own-file': { code: 'read.own-file', reason: 'incomplete' },
  'read.no-notes': { code: 'read.no-notes' },
  'read.rote': { code: 'read.rote', reason: 'sentence', said: 'Clap your hands.', at },
  'read.rote-sum': { code: 'read.rote-sum', bar: '3', hand: 'left', at },
  'read.too-many-bars': { code: 'read.too-many-bars', limit: 5000 },
  'read.bad-value': { code: 'read.bad-value', element: 'step', value: 'H', bar: '3', at },
  'read.missing': { code: 'read.missing', element: 'duration', inside: 'note', bar: '3', at },
  'read.unpitched': { code: 'read.unpitched', bar: '3', at },
  'read.quarter-tone': { code: 'read.quarter-tone', bar: '3', at },
  'read.key-steps': { code: 'read.key-steps', bar: '3', at },
  'pitch.out-of-range': { code: 'pitch.out-of-range', unit: 'fifths', amount: 30 },
  'move.out-of-range': { code: 'move.out-of-range', bar: '3' },
  'query.file-missing': { code: 'query.file-missing', name: 'played' },
  'query.missing': { code: 'query.missing', name: 'to' },
  'query.value': { code: 'query.value', name: 'to', value: 'H', allowed: 'a key' },
  'query.part': { code: 'query.part', value: 'X', parts: ['P1'] },
  'print.engraver': { code: 'print.engraver' },
  'print.too-much': { code: 'print.too-much', bars: 900, most: 320 },
  'job.too-large': { code: 'job.too-large' },
  'query.slow': { code: 'query.slow', seconds: 20 },
  'job.busy': { code: 'job.busy', seconds: 2 },
  'job.stopped': { code: 'job.stopped' },
  'job.too-long': { code: 'job.too-long', seconds: 20 },
  'job.failed': { code: 'job.failed' },
};
const REMARKS: { readonly [Code in Remark['code']]: Extract<Remark, { code: Code }> } = {
  'respelled-key': { code: 'respelled-key', bar: '9', fromSigns: 8, to: 'Ab-major', part: 'Piano' },
  'octave-proposed': { code: 'octave-proposed', hand: 'right', direction: 'lower' },
  'respelled-note': { code: 'respelled-note', bars: ['3'], from: 'E#', to: 'F' },
  'other-mode': { code: 'other-mode', from: 'C-major', to: 'C-minor' },
  'enharmonic-proposed': { code: 'enharmonic-proposed', to: 'Ab-minor' },
  'not-playable': {
    code: 'not-playable',
    hand: 'left',
    bar: '2',
    limit: 'move',
    atLevel: 1,
    level: 2,
    spanMm: null,
    isKeys: false,
    easier: { kind: 'one-place' },
  },
  'moves-spared': { code: 'moves-spared', hand: 'left', bars: ['2'] },
  'bar-length': { code: 'bar-length', bar: '2', part: 'Piano', expected: '4', found: '3' },
  'key-guessed': { code: 'key-guessed', key: 'A-minor', runnerUp: 'C-major' },
  'carried-element': { code: 'carried-element', element: 'x-studio', bar: '2', count: 3 },
  'abc-key': { code: 'abc-key', line: 4, key: 'Hxx', from: 'the beginning' },
  'abc-unclear': { code: 'abc-unclear', line: 6, column: 7, about: { said: 'Unknown character ignored' } },
  'abc-octaves': { code: 'abc-octaves' },
  'more-tunes': { code: 'more-tunes', count: 3 },
  'midi-grid': { code: 'midi-grid', grid: 4, moved: 3 },
  'midi-hands': { code: 'midi-hands', by: 'pitch' },
  'midi-key': { code: 'midi-key', key: 'C-major', by: 'notes' },
  'midi-drums': { code: 'midi-drums', count: 12 },
  'duplicate-id': { code: 'duplicate-id', bar: '2', id: 'n1' },
};
const pitch = parsePitch('F#4') as Pitch;
const EVIDENCE: { readonly [Kind in FlagEvidence['kind']]: FlagEvidence } = {
  'finger-change': {
    kind: 'finger-change',
    key: pitch,
    before: [1, 2],
    after: [2, 3],
    cause: 'colour',
    gain: 3.2,
    alternatives: [{ finger: 4, price: 0.6 }],
    isApplied: true,
    isOffer: false,
  },
  'position-change': { kind: 'position-change', finger: 2, key: pitch, because: 'black-keys' },
  extension: { kind: 'extension', letters: 1, because: 'notes' },
  stretch: { kind: 'stretch', fingers: [4, 5], keys: [pitch, { ...pitch, octave: 5 }], mm: 55, inLine: false },
  'out-of-reach': {
    kind: 'out-of-reach',
    keys: [pitch, { ...pitch, octave: 5 }],
    needsMm: 165,
    spanMm: 150,
    isHeld: false,
    canShare: true,
    inLine: false,
  },
  hop: { kind: 'hop', finger: 1, keys: [pitch, { ...pitch, octave: 5 }], inChords: false },
  crossing: { kind: 'crossing', technique: 'thumb-under', finger: 1, key: pitch },
  'held-finger': { kind: 'held-finger', finger: 3, key: pitch },
  'thumb-on-black': { kind: 'thumb-on-black', finger: 1, uses: [{ hand: 'right', key: pitch }], school: 'allow' },
  'fifth-on-black': { kind: 'fifth-on-black', finger: 5, uses: [{ hand: 'left', key: pitch }], school: 'avoid' },
  'fourth-on-black': {
    kind: 'fourth-on-black',
    finger: 4,
    uses: [
      { hand: 'right', key: pitch },
      { hand: 'left', key: pitch },
    ],
    school: 'allow',
  },
  'double-duty': { kind: 'double-duty', finger: 4, keys: [pitch, { ...pitch, alter: 0 }] },
  'shared-key': { kind: 'shared-key', key: pitch, isHeld: true },
  'ledger-lines': { kind: 'ledger-lines', lines: 3 },
  'double-accidental': { kind: 'double-accidental', pitch },
  'off-keyboard': { kind: 'off-keyboard', pitch, keyboard: 61 },
  'hands-overlap': { kind: 'hands-overlap', right: pitch, left: { ...pitch, octave: 5 } },
};
const flag = (evidence: FlagEvidence): Flag => ({
  evidence,
  severity: 'watch',
  hand: 'left',
  bar: '3',
  bars: ['3', '5'],
  beat: 1,
  notes: ['n1'],
  byBlackKey: true,
  wasThere: false,
  costs: null,
});

/** Sentences for teachers: none of the program's own words, no gaps left unfilled. */
function isForTeachers(sentence: string): void {
  expect(sentence.length).toBeGreaterThan(8);
  expect(sentence).toMatch(/([.?!]|=D)$/);
  expect(sentence).not.toMatch(/undefined|null|NaN|\[object|parse|exception|-on-black/i);
}

describe('words', () => {
  it.each(Object.values(FAULTS))('for the refusal $code say what is wrong and what to do', (fault) => {
    const { message, hint } = faultWords(TERMS, fault);
    isForTeachers(message);
    isForTeachers(hint);
    if ('at' in fault) expect(message).toMatch(/line 12|begins with/);
    if ('bar' in fault) expect(message).toContain('ar 3');
  });

  it.each(Object.values(REMARKS))('for the remark $code are a sentence', (remark) =>
    isForTeachers(remarkWords(TERMS, remark)),
  );

  it.each(Object.values(EVIDENCE))('for the flag $kind name the hand or the place, and a remedy', (evidence) => {
    const { title, message, suggestion } = flagWords(TERMS, flag(evidence));
    expect(title.length).toBeLessThan(34);
    isForTeachers(message);
    isForTeachers(suggestion);
    expect(message).toContain('bars 3 and 5');
  });

  it.each(Object.values(EVIDENCE))('for the pupil tell the flag $kind in one short sentence', (evidence) => {
    const sentence = pupilWords(TERMS, flag(evidence));
    isForTeachers(sentence);
    expect(sentence).toContain('bars 3 and 5');
    expect(sentence.split(' ').length).toBeLessThan(20);
  });

  it.each([
    [1, 'thumb'],
    [2, 'finger 2'],
    [3, 'finger 3'],
    [4, 'finger 4'],
    [5, 'finger 5'],
  ] as const)('call finger %i the %s', (finger, name) => {
    const hop = { kind: 'hop', finger, keys: [pitch, pitch], inChords: false } as const;
    expect(flagWords(TERMS, flag(hop)).message).toContain(`the left hand’s ${name} plays`);
  });

  it('say in a piece’s own key that its printed fingers stay', () => {
    const offer = { ...EVIDENCE['finger-change'], isApplied: false, isOffer: true } as FlagEvidence;
    const { message, suggestion } = flagWords(TERMS, flag(offer));
    expect(message).toBe('In bars 3 and 5 the left hand plays 1 2, as printed. 2 3 would do as well.');
    expect(suggestion).toContain('keeps the fingers that are printed');
  });

  it('tell why a finger changes, and what else would do', () => {
    const costs = {
      between: 'fingers',
      worse: [
        { rule: 'thumbBlack', cost: 4 },
        { rule: 'pass', cost: 2 },
      ],
      better: [{ rule: 'pass', cost: 2 }],
    } as const;
    const words = flagWords(TERMS, { ...flag(EVIDENCE['finger-change']), costs });
    expect(words.message).toBe(
      'In bars 3 and 5 the left hand plays 2 3 instead of 1 2, because of which keys are black. The old fingers would bring the thumb on a black key.',
    );
    expect(words.suggestion).toContain('To begin with finger 4 (a little harder) also works.');
    expect(costWords(costs)).toBe('The old fingers cost the hand 6.0, the new ones 2.0.');
    expect(reasonWords(TERMS, { ...costs, worse: costs.better })).toBe('');
  });
});

describe('barsText', () => {
  it.each([
    [['3'], 'bar 3'],
    [['1', '3', '5'], 'bars 1, 3 and 5'],
    [['1', '2', '3', '4', '5', '6', '7'], 'bars 1–7'],
    [['1', '2', '3', '5', '7', '8'], 'bars 1–3, 5, 7 and 8'],
    [['1', '3', '5', '7', '9', '11', '13'], 'bars 1, 3, 5 and 4 more'],
  ])('%j is %s', (bars, text) => {
    expect(barsText(TERMS, bars)).toBe(text);
  });
});

describe('hands in words', () => {
  const summary = (text: string, to: string): readonly string[] => {
    const piece = open(text);
    const before = moved(piece, 'C');
    return benchView(SAYS, piece, { before, after: moved(piece, to) }, PLAIN_PAGE).summary;
  };
  const words = (text: string): readonly string[] => {
    const piece = open(text);
    const version = asWritten(piece);
    return benchView(SAYS, piece, { before: version, after: version }, PLAIN_PAGE).positions.map(
      (position) => position.words,
    );
  };

  it('name the black keys and the fingers on them: “F♯ and G♯ under 2 and 3” (common practice)', () => {
    expect(summary(demoFile('lantern-walk'), 'E')).toEqual([
      'Right hand: F♯ and G♯ under 2 and 3.',
      'Left hand: F♯ and G♯ under 4 and 3.',
    ]);
  });

  it('go key by key where one finger has several keys, and stretch by stretch where the hand moves on', () => {
    expect(summary(demoFile('the-sixth-step'), 'Eb')[0]).toBe(
      'Right hand, bars 1–5: E♭ under 1; A♭ under 4; B♭ under 4.',
    );
  });

  it('say plainly that all stays as it is', () => {
    expect(summary(demoFile('lantern-walk'), 'G')).toEqual(['All stays as it is: the same fingers, white keys only.']);
  });

  it('tell a move from where the hand was: “1 where 4 was” (common practice)', () => {
    expect(words(musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | F4q/1 G4q/2 A4q/3 B4q/4' }))).toEqual([
      'C position',
      'F position · 1 where 4 was, on the repeated key',
    ]);
    expect(words(musicXml({ right: 'F4q/1 C5q/5 Rh | C4q/1 G4q/5 Rh' }))[1]).toBe(
      'C position · 5 where 2 was, in the rest',
    );
    expect(words(musicXml({ right: 'C5w | C5w', left: 'C3q/5 G3q/1 Rh | D3q/5 A3q/1 Rh' }))[2]).toBe(
      'D position · 5 where 4 was, in the rest',
    );
    expect(words(musicXml({ right: 'C4q/1 G4q/5 Rh | C5q/1 G5q/5 Rh' }))[1]).toBe(
      'C position · the same place an octave higher, in the rest',
    );
  });
});
