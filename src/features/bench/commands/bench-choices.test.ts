import { describe, expect, it } from '@jest/globals';
import type { BenchView } from '@/core/views';
import type { PupilRecord } from '@/data';
import { benchChoices, type BenchChoicesOf } from './bench-choices';
import { WORDS } from '../../../../tests/support/usual-words';

const moment = (bar: number) => ({
  bar: String(bar),
  barIndex: bar - 1,
  keys: [{ noteId: `n${bar}`, isStruck: true }],
});

const VIEW = {
  momentsAfter: [moment(1), moment(2), moment(3), moment(4)],
  notesOfKind: [{ by: 'letter', words: 'F♯', noteIds: ['n2', 'n3'] }],
} as unknown as BenchView;

const pupil = (id: string, name: string) => ({ id, name }) as PupilRecord;

/** What can be said, and what it was heard to do. */
function saying(more: Partial<BenchChoicesOf> = {}) {
  const heard: unknown[][] = [];
  const hear =
    (name: string) =>
    (...said: readonly unknown[]) =>
      void heard.push([name, ...said]);
  const of: BenchChoicesOf = {
    view: VIEW,
    keys: ['C-major', 'Eb-major'],
    stages: [{ id: 'left-alone', title: 'Left hand alone' }],
    goToStage: hear('goToStage'),
    pupils: [pupil('nell', 'Nell'), pupil('tam', 'Tam')],
    pupil: null,
    actions: { mark: hear('mark') } as unknown as BenchChoicesOf['actions'],
    goToKey: hear('goToKey'),
    choosePupil: hear('choosePupil'),
    selectNote: hear('selectNote'),
    playBars: hear('playBars'),
    onView: hear('onView'),
    toggleLabel: hear('toggleLabel'),
    save: hear('save'),
    ...more,
  };
  const say = (words: string, typed = ''): void =>
    benchChoices(WORDS, of, typed)
      .find((choice) => choice.words === words)
      ?.act();
  return { heard, say, words: (typed: string) => benchChoices(WORDS, of, typed).map(({ words }) => words) };
}

describe('what can be said on the Bench', () => {
  it('goes to keys by their names, and rings what there is', () => {
    const { heard, say } = saying();
    say('go to E♭ major');
    say('stage: Left hand alone');
    say('ring every F♯ (2)');
    expect(heard).toEqual([
      ['goToKey', 'Eb-major'],
      ['goToStage', 'left-alone'],
      ['mark', 'ring', ['n2', 'n3'], '', 'every F♯ marked'],
    ]);
  });

  it('hears and selects bars that are typed, where the piece has them', () => {
    const { heard, say, words } = saying();
    say('hear bars 3–4 (3 to 4)', 'hear bars 3-4');
    say('hear bar 2', 'bar 2');
    say('select bar 2', '2');
    expect(heard).toEqual([
      ['playBars', 2, 3],
      ['playBars', 1, 1],
      ['selectNote', 'n2'],
    ]);
    for (const typed of ['bars 4-3', 'bar 9', 'hear'])
      expect(words(typed).filter((one) => /^(hear|select) /.test(one))).toEqual([]);
  });

  it('takes the next pupil, any hand between the last and the first', () => {
    const { heard, say } = saying({ pupil: pupil('tam', 'Tam') });
    say('next pupil');
    say('pupil before');
    say('for Nell');
    expect(heard).toEqual([
      ['choosePupil', 'any'],
      ['choosePupil', 'nell'],
      ['choosePupil', 'nell'],
    ]);
  });

  it('says nothing twice', () => {
    const all = saying().words('bars 3-4');
    expect(all.filter((one, i) => all.indexOf(one) !== i)).toEqual([]);
  });
});
