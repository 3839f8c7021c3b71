import { describe, expect, it } from '@jest/globals';
import { commandSchema } from '@/contract/entry-questions';
import { entryKeys, keyFor, keysWith, pressedKey, printedKey, takenBy } from './entry-keys';
import { WORDS } from '../../../tests/support/usual-words';

const KEYS = entryKeys(WORDS);

const event = (key: string, more: Partial<KeyboardEvent> = {}) => ({
  key,
  code: '',
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...more,
});

describe('the keys for entering', () => {
  it('no key means two things in one way of entering', () => {
    for (const one of KEYS) expect([one.name, takenBy(KEYS, one.name, one.key)?.name]).toEqual([one.name, undefined]);
  });

  it('every name is there once', () => {
    expect(new Set(KEYS.map(({ name }) => name)).size).toBe(KEYS.length);
  });

  it('a digit is a finger or a length, by the way of entering', () => {
    expect(keyFor(KEYS, '4', 'fingers')?.action).toEqual({ kind: 'finger', finger: 4, row: 'beat' });
    expect(keyFor(KEYS, '4', 'letters')?.action).toEqual({ kind: 'length', quarters: 1 });
    expect(keyFor(KEYS, 'q', 'letters')).toBeUndefined();
  });

  it('a key that was changed takes the place of the old one', () => {
    const keys = keysWith(WORDS, [{ deed: 'tie', key: 'F2' }]);
    expect(keyFor(keys, 'F2', 'fingers')?.name).toBe('tie');
    expect(keyFor(keys, 'o', 'fingers')).toBeUndefined();
    expect(takenBy(keys, 'dot', 'F2')?.name).toBe('tie');
  });
});

describe('what the keys ask for', () => {
  it('is let in at the worker’s door', () => {
    const asked = KEYS.flatMap(({ action }) =>
      action.kind === 'ask' || action.kind === 'frame' || action.kind === 'leave' ? [] : [action],
    );
    expect(asked.length).toBeGreaterThan(40);
    for (const action of asked) expect(commandSchema.validateSync(action, { strict: true })).toBe(action);
  });
});

describe('pressedKey', () => {
  it.each([
    ['a letter, also with Shift', event('Q', { shiftKey: true }), 'q'],
    ['an arrow with Shift', event('ArrowLeft', { shiftKey: true }), 'Shift+ArrowLeft'],
    ['Control and Shift', event('Z', { ctrlKey: true, shiftKey: true }), 'Control+Shift+z'],
    ['the command key as Control', event('c', { metaKey: true }), 'Control+c'],
    ['Alt with a letter that types another one', event('å', { altKey: true, code: 'KeyA' }), 'Alt+a'],
    ['plus for the equals sign', event('+', { shiftKey: true }), '='],
    ['a bracket typed with AltGr', event('[', { ctrlKey: true, altKey: true, getModifierState: () => true }), '['],
  ])('%s', (_, pressed, name) => expect(pressedKey(pressed)).toBe(name));
});

describe('printedKey', () => {
  it('prints keys as they stand on a keyboard', () => {
    expect(['Control+Shift+z', 'ArrowUp', 'q', '='].map(printedKey)).toEqual(['Ctrl Shift Z', '↑', 'Q', '=']);
  });
});
