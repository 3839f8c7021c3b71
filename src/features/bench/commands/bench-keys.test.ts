import { describe, expect, it } from '@jest/globals';
import { USUAL_DESK } from '@/data/records/desk';
import { benchKeys, type BenchKeysOf } from './bench-keys';
import { WORDS } from '../../../../tests/support/usual-words';

const NOTE = {
  noteId: 'n1',
  hand: 'right',
  midi: 66,
  finger: 3,
  isBlack: true,
  isStruck: true,
  name: 'F♯4',
  otherName: 'G♭4',
} as const;

/** The keys, and what they were heard to do. */
function listening(more: Partial<BenchKeysOf> = {}) {
  const heard: unknown[][] = [];
  const hear =
    (name: string) =>
    (...said: readonly unknown[]) =>
      void heard.push([name, ...said]);
  const actions = {
    fingers: hear('fingers'),
    letGo: hear('letGo'),
    putAside: hear('putAside'),
    bringBack: hear('bringBack'),
    mark: hear('mark'),
  };
  const keys = benchKeys(WORDS, {
    noteNow: () => NOTE,
    actions,
    stepKey: hear('stepKey'),
    stepStage: hear('stepStage'),
    toggleRail: hear('toggleRail'),
    walk: hear('walk'),
    save: hear('save'),
    typeKey: hear('typeKey'),
    stepNote: hear('stepNote'),
    stepHandNote: hear('stepHandNote'),
    togglePlay: hear('togglePlay'),
    onEnter: hear('onEnter'),
    onSurvey: hear('onSurvey'),
    onStand: hear('onStand'),
    onPractise: hear('onPractise'),
    onEscape: hear('onEscape'),
    paper: { view: 'both', onView: hear('onView'), zoom: 92 },
    layout: { beside: { isOpen: true, onFold: hear('fold') }, nextKeyboard: hear('nextKeyboard') },
    desk: USUAL_DESK,
    ...more,
  });
  const press = (key: string): void =>
    keys.find((one) => (one.anyOf ? one.anyOf.includes(key) : one.key === key))?.act(key);
  return { keys, heard, press };
}

describe('the keys of the Bench', () => {
  it('no key means two things', () => {
    const all = listening().keys.flatMap(({ key, anyOf }) => anyOf ?? [key]);
    expect(all.filter((key, i) => all.indexOf(key) !== i)).toEqual([]);
  });

  it('each says what it does', () => {
    const said = listening().keys.map(({ does }) => does);
    expect(said.filter((does, i) => does.trim().length < 4 || said.indexOf(does) !== i)).toEqual([]);
  });

  it.each([
    ['[', ['stepKey', -1]],
    [']', ['stepKey', 1]],
    [',', ['stepStage', -1]],
    ['.', ['stepStage', 1]],
    ['ArrowRight', ['walk', 1]],
    ['ArrowUp', ['stepNote', 1]],
    ['n', ['stepHandNote', 1]],
    ['N', ['stepHandNote', -1]],
    ['p', ['togglePlay']],
    ['y', ['onSurvey']],
    ['w', ['onEnter']],
    ['s', ['save', 'musicxml']],
    ['v', ['onView', 'after']],
    ['4', ['fingers', [{ note: 'n1', finger: 4 }], 'here', 'finger 4 on F♯4']],
    ['0', ['letGo', ['n1'], 'finger on F♯4 given back']],
    ['r', ['mark', 'ring', ['n1'], '', 'ring at F♯4']],
  ])('%s', (key, wanted) => {
    const { heard, press } = listening();
    press(key);
    expect(heard.map((told) => told.slice(0, wanted.length))).toEqual([wanted]);
  });

  it('decides nothing where no note is taken up', () => {
    const { heard, press } = listening({ noteNow: () => null });
    for (const key of ['1', '5', '0', 'r']) press(key);
    expect(heard).toEqual([]);
  });
});
