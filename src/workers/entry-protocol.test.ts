import { describe, expect, it } from '@jest/globals';
import { ENTRY_KEYS } from '@/features/entry/entry-keys';
import { checkedCommand, type ScreenCommand } from './entry-protocol';

/** One of each command that the screen sends; the compiler holds the list against the union. */
const COMMANDS: { readonly [Kind in ScreenCommand['kind']]: Extract<ScreenCommand, { kind: Kind }> } = {
  finger: { kind: 'finger', finger: 3, row: 'bar' },
  rest: { kind: 'rest', row: 'shorter' },
  'bar-rest': { kind: 'bar-rest' },
  letter: { kind: 'letter', letter: 'B' },
  keys: { kind: 'keys', midis: [60, 64] },
  'plain-rest': { kind: 'plain-rest' },
  again: { kind: 'again' },
  alter: { kind: 'alter', alter: -1 },
  reach: { kind: 'reach', letters: 1 },
  octave: { kind: 'octave', octaves: -1 },
  join: { kind: 'join', as: 'tie' },
  triplet: { kind: 'triplet' },
  'seat-by': { kind: 'seat-by', letters: -7 },
  'seat-letter': { kind: 'seat-letter', letter: 'G' },
  'seat-key': { kind: 'seat-key', midi: 62, hand: 'left' },
  'seat-finger': { kind: 'seat-finger', finger: 1, where: 4 },
  'thumbs-together': { kind: 'thumbs-together' },
  move: { kind: 'move' },
  'open-hand': { kind: 'open-hand' },
  'close-hand': { kind: 'close-hand' },
  way: { kind: 'way', way: 'letters' },
  mode: { kind: 'mode', mode: 'between' },
  'row-length': { kind: 'row-length', row: 'beat', quarters: 1.5 },
  length: { kind: 'length', quarters: 0.5 },
  voice: { kind: 'voice' },
  walk: { kind: 'walk', by: 1, to: 'bar' },
  extend: { kind: 'extend', by: -1 },
  'other-hand': { kind: 'other-hand', at: 'where-it-stops' },
  'go-to': { kind: 'go-to', noteId: 'e1' },
  'go-to-bar': { kind: 'go-to-bar', bar: 0, hand: 'right' },
  select: { kind: 'select', what: 'all' },
  dot: { kind: 'dot' },
  'set-length': { kind: 'set-length', quarters: 2 },
  step: { kind: 'step', letters: 1 },
  'half-step': { kind: 'half-step', by: 1 },
  'set-finger': { kind: 'set-finger', finger: null },
  'tie-off': { kind: 'tie-off' },
  sign: { kind: 'sign', sign: 'fermata' },
  slur: { kind: 'slur' },
  dynamic: { kind: 'dynamic', dynamic: null },
  words: { kind: 'words', place: 'under', text: '' },
  'remove-before': { kind: 'remove-before' },
  'remove-here': { kind: 'remove-here' },
  'remove-note': { kind: 'remove-note', noteId: 'e1' },
  copy: { kind: 'copy' },
  cut: { kind: 'cut' },
  paste: { kind: 'paste' },
  'copy-bars': { kind: 'copy-bars' },
  'repeat-bar': { kind: 'repeat-bar' },
  'insert-bar': { kind: 'insert-bar' },
  'remove-bars': { kind: 'remove-bars' },
  'move-passage': { kind: 'move-passage', letters: -1 },
  'give-to-other-hand': { kind: 'give-to-other-hand' },
  meter: { kind: 'meter', meter: { beats: 6, beatType: 8 } },
  signature: { kind: 'signature', fifths: -7, mode: null },
  'pick-up': { kind: 'pick-up', quarters: 0.5 },
  heading: { kind: 'heading', what: 'composer', text: 'The Tin Lantern' },
  tempo: { kind: 'tempo', perMinute: 96 },
  undo: { kind: 'undo' },
  redo: { kind: 'redo' },
};

describe('checkedCommand', () => {
  it.each(Object.values(COMMANDS))('%j is let in as it is', (command) => expect(checkedCommand(command)).toBe(command));

  it('lets in everything that a key of the screen asks for', () => {
    const asked = ENTRY_KEYS.flatMap(({ deed }) => (deed.kind === 'ask' || deed.kind === 'frame' || deed.kind === 'leave' ? [] : [deed]));
    for (const deed of asked) expect(checkedCommand(deed)).toBe(deed);
  });

  it.each([
    [{ kind: 'finger', finger: 6, row: 'beat' }],
    [{ kind: 'finger', finger: '3', row: 'beat' }],
    [{ kind: 'finger', finger: 3 }],
    [{ kind: 'letter', letter: 'H' }],
    [{ kind: 'keys', midis: [60.5] }],
    [{ kind: 'meter', meter: { beats: 4, beatType: 3 } }],
    [{ kind: 'signature', fifths: 8, mode: null }],
    [{ kind: 'tempo', perMinute: 4000 }],
    [{ kind: 'words', place: 'under', text: 'x'.repeat(401) }],
    [{ kind: 'take-in', from: 'abc', music: {} }],
    [{}],
  ])('%j is not', (command) => expect(() => checkedCommand(command as unknown as ScreenCommand)).toThrow());
});
