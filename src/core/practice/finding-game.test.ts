import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { isBlackKey } from '../keyboard';
import { midiNumber, parseKey, pitchText, signatureOf, type Key } from '../pitch';
import { FIND_KINDS, findQuestion, isFirstNote, judge, type FindKind, type FindQuestion } from './finding-game';
import { SAYS } from '../../../tests/support/usual-words';

const RANGE = { low: 48, high: 83 };
/** Gives these numbers one after the other, then the last again and again. */
const numbers = (...given: readonly number[]) => {
  let at = 0;
  return () => given[Math.min(at++, given.length - 1)] as number;
};
const random = fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 1, maxLength: 40 });
const answersTo = (question: FindQuestion): readonly number[] => {
  if (question.kind === 'signature') return [60 + question.tonic];
  return question.kind === 'guide-notes' ? Array.from({ length: question.count }, () => 60) : question.keys;
};

describe('a question', () => {
  it.each(FIND_KINDS)(
    '%s can be answered on the keyboard, is right when it is, and wrong with any other key',
    (kind: FindKind) => {
      fc.assert(
        fc.property(random, (given) => {
          const question = findQuestion(kind, numbers(...given), RANGE);
          const answers = answersTo(question);
          expect(judge(question, answers, kind === 'guide-notes' ? 'handed-in' : 'playing')).toBe('right');
          if (kind === 'guide-notes') {
            expect(judge(question, [...answers, 60], 'handed-in')).toBe('wrong');
            expect(judge(question, answers, 'playing')).toBe('open');
            return;
          }
          for (const midi of answers.slice(0, 10))
            expect([midi >= RANGE.low, midi <= RANGE.high]).toEqual([true, true]);
          const others = Array.from({ length: 12 }, (_, i) => 60 + i).filter(
            (midi) => !answers.some((answer) => answer % 12 === midi % 12),
          );
          for (const other of others) expect(judge(question, [other], 'playing')).toBe('wrong');
        }),
        { numRuns: 60 },
      );
    },
  );

  it('all the Fs: each once, in any order, and no other (handbook, Finding)', () => {
    const question = findQuestion('all-of', numbers(3 / 13), RANGE);
    expect(SAYS.questionWords(question)).toBe('Play every F on this keyboard.');
    expect(judge(question, [77, 53], 'playing')).toBe('open');
    expect(judge(question, [77, 53, 65], 'playing')).toBe('right');
    expect(judge(question, [77, 53], 'handed-in')).toBe('wrong');
    expect(SAYS.verdictWords(question, false)).toBe('Not yet. It is three keys called F.');
  });

  it('which finger is on black in E: 2 and 3, on F♯ and G♯ (handbook, common practice)', () => {
    const question = findQuestion('black-in-position', numbers(0), RANGE, [parseKey('E', 'major') as Key]);
    expect(question).toMatchObject({ keys: [66, 68], fingers: [2, 3] });
    expect(SAYS.verdictWords(question, true)).toBe('Right: fingers 2 and 3.');
  });

  it('asks about keys that the pupil knows, where there are some', () => {
    const known = ['D', 'A'].map((name) => parseKey(name, 'major') as Key);
    fc.assert(
      fc.property(random, (given) => {
        const question = findQuestion('signature', numbers(...given), RANGE, known);
        if (question.kind !== 'signature') throw new Error(question.kind);
        expect([2, 3]).toContain(signatureOf(question.key));
      }),
    );
  });

  it('asks for black keys of positions only where there are some', () => {
    fc.assert(
      fc.property(random, (given) => {
        const question = findQuestion('black-in-position', numbers(...given), RANGE, [parseKey('C', 'major') as Key]);
        if (question.kind !== 'black-in-position') throw new Error(question.kind);
        expect(question.keys.length).toBeGreaterThan(0);
        expect(question.keys.every(isBlackKey)).toBe(true);
        expect(question.fingers).toHaveLength(question.keys.length);
      }),
    );
  });

  it('counts guide notes as they are printed', () => {
    const question = findQuestion('guide-notes', numbers(0.3, 0.9, 0.7, 0.1, 0.2, 0.8), RANGE);
    if (question.kind !== 'guide-notes') throw new Error(question.kind);
    expect(question.count).toBe(question.pitches.filter(isFirstNote).length);
    expect(
      ['C3', 'F3', 'C4', 'G4', 'C5'].every((name) =>
        question.pitches.every((pitch) => pitchText(pitch) !== name || isFirstNote(pitch)),
      ),
    ).toBe(true);
    expect(question.pitches.every((pitch) => midiNumber(pitch) >= RANGE.low)).toBe(true);
  });

  it('is the same for the same numbers', () => {
    for (const kind of FIND_KINDS)
      expect(findQuestion(kind, numbers(0.4, 0.6, 0.2), RANGE)).toEqual(
        findQuestion(kind, numbers(0.4, 0.6, 0.2), RANGE),
      );
  });
});
