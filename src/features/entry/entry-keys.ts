/* eslint max-params: ["error", 6] -- a table: each line is one key, in the order in which it is read */
import type { Row, InputMethod } from '@/core/entry';
import type { Finger } from '@/core/score';
import type { ScreenCommand } from '@/workers/entry-protocol';

/** What a key of the entering screen is for: a command, or something the screen itself does. */
export type EntryAction =
  | ScreenCommand
  | { readonly kind: 'ask'; readonly what: 'dynamic' | 'under' | 'over' }
  | { readonly kind: 'frame'; readonly what: 'signature' | 'meter' }
  | { readonly kind: 'leave' };

/** A key by the name the browser gives it, with `Control+`, `Alt+` or `Shift+` in front where they are held. `name` tells a binding apart for ever:
 * it is what a changed key is kept under. `ways`: in which ways of entering it counts; all where nothing is said. */
export interface EntryKey {
  readonly name: string;
  readonly key: string;
  readonly group: 'notes' | 'rests' | 'next' | 'hand' | 'last' | 'caret' | 'bars';
  readonly does: string;
  readonly action: EntryAction;
  readonly methods?: readonly InputMethod[];
}

const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];

/** The rows of a keyboard, as fingers 1 to 5 and, beside them, the rest of that length. By place on most keyboards, from the top. */
const ROW_KEYS: Readonly<Record<Row, readonly [fingers: string, rest: string]>> = {
  beat: ['12345', '6'],
  longer: ['qwert', 'y'],
  bar: ['asdfg', 'h'],
  shorter: ['zxcvb', 'n'],
};

const ROW_WORDS: Readonly<Record<Row, string>> = {
  beat: 'a beat',
  longer: 'two beats',
  bar: 'the whole bar',
  shorter: 'half a beat',
};

const BY_FINGER: readonly InputMethod[] = ['fingers'];
const BY_LETTER: readonly InputMethod[] = ['letters'];
const WITH_LENGTHS: readonly InputMethod[] = ['letters', 'keys'];

function rowKeys(row: Row): readonly EntryKey[] {
  const [fingers, rest] = ROW_KEYS[row];
  const notes = FINGERS.map((finger): EntryKey => ({
    name: `${row}-${finger}`,
    key: fingers[finger - 1] as string,
    group: 'notes',
    does: `finger ${finger}, ${ROW_WORDS[row]}`,
    action: { kind: 'finger', finger, row },
    methods: BY_FINGER,
  }));
  return [
    ...notes,
    {
      name: `${row}-rest`,
      key: rest,
      group: 'rests',
      does: `rest, ${ROW_WORDS[row]}`,
      action: { kind: 'rest', row },
      methods: BY_FINGER,
    },
  ];
}

const LETTER_KEYS: readonly EntryKey[] = (['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const).map((letter) => ({
  name: `letter-${letter}`,
  key: letter.toLowerCase(),
  group: 'notes',
  does: `the nearest ${letter}`,
  action: { kind: 'letter', letter },
  methods: BY_LETTER,
}));

const LENGTHS: readonly (readonly [key: string, quarters: number, words: string])[] = [
  ['1', 4, 'whole note'],
  ['2', 2, 'half note'],
  ['4', 1, 'quarter'],
  ['8', 0.5, 'eighth'],
  ['6', 0.25, 'sixteenth'],
  ['3', 0.125, 'thirty-second'],
];

const LENGTH_KEYS: readonly EntryKey[] = LENGTHS.map(([key, quarters, words]) => ({
  name: `length-${words}`,
  key,
  group: 'notes',
  does: `${words} from here on`,
  action: { kind: 'length', quarters },
  methods: WITH_LENGTHS,
}));

const key = (
  name: string,
  pressed: string,
  group: EntryKey['group'],
  does: string,
  action: EntryAction,
  methods?: readonly InputMethod[],
): EntryKey => ({ name, key: pressed, group, does, action, ...(methods ? { methods } : {}) });

/** All keys as they are before anyone changes them. */
export const ENTRY_KEYS: readonly EntryKey[] = [
  ...(['beat', 'longer', 'bar', 'shorter'] as const).flatMap(rowKeys),
  ...LETTER_KEYS,
  ...LENGTH_KEYS,
  key('plain-rest', 'r', 'rests', 'rest', { kind: 'plain-rest' }, WITH_LENGTHS),
  key('rest-of-bar', '0', 'rests', 'rest for the whole bar', { kind: 'bar-rest' }),
  key('again', ',', 'notes', 'the same once more', { kind: 'again' }),
  key('sharp', '=', 'next', 'sharp before the next note', { kind: 'alter', alter: 1 }),
  key('flat', '-', 'next', 'flat before the next note', { kind: 'alter', alter: -1 }),
  key('natural', 'j', 'next', 'natural before the next note', { kind: 'alter', alter: 0 }),
  key('chord', 'p', 'next', 'the next note sounds with this one', { kind: 'join', as: 'chord' }),
  key('tie', 'o', 'next', 'the next note is tied to this one', { kind: 'join', as: 'tie' }),
  key('triplet', 'k', 'next', 'the next three are a triplet', { kind: 'triplet' }),
  key('octave-down', '7', 'next', 'the next note an octave lower', { kind: 'octave', octaves: -1 }, ['fingers']),
  key('octave-up', '8', 'next', 'the next note an octave higher', { kind: 'octave', octaves: 1 }, ['fingers']),
  key('reach-down', '[', 'next', 'the next note one key lower', { kind: 'reach', letters: -1 }, BY_FINGER),
  key('reach-up', ']', 'next', 'the next note one key higher', { kind: 'reach', letters: 1 }, BY_FINGER),
  key(
    'move',
    'm',
    'hand',
    'move the hand: then a letter, or a finger and the finger whose key it takes',
    { kind: 'move' },
    BY_FINGER,
  ),
  key('hand-up', 'ArrowUp', 'hand', 'the hand one key up', { kind: 'seat-by', letters: 1 }, BY_FINGER),
  key('hand-down', 'ArrowDown', 'hand', 'the hand one key down', { kind: 'seat-by', letters: -1 }, BY_FINGER),
  key('hand-octave-up', 'Shift+ArrowUp', 'hand', 'the hand an octave up', { kind: 'seat-by', letters: 7 }, BY_FINGER),
  key(
    'hand-octave-down',
    'Shift+ArrowDown',
    'hand',
    'the hand an octave down',
    { kind: 'seat-by', letters: -7 },
    BY_FINGER,
  ),
  key('thumbs', 'Alt+t', 'hand', 'both thumbs on middle C', { kind: 'thumbs-together' }, BY_FINGER),
  key('open', "'", 'hand', 'open the hand by a key beside this finger', { kind: 'open-hand' }, BY_FINGER),
  key('close', '\\', 'hand', 'close the hand', { kind: 'close-hand' }, BY_FINGER),
  key('dot', '.', 'last', 'dot; again: two, then none', { kind: 'dot' }),
  key('slur', 'u', 'last', 'slur begins here; again: ends here', { kind: 'slur' }),
  key('staccato', 'i', 'last', 'staccato', { kind: 'sign', sign: 'staccato' }),
  key('accent', 'Alt+a', 'last', 'accent', { kind: 'sign', sign: 'accent' }),
  key('tenuto', 'Alt+n', 'last', 'tenuto', { kind: 'sign', sign: 'tenuto' }),
  key('fermata', 'Alt+f', 'last', 'fermata', { kind: 'sign', sign: 'fermata' }),
  key('loudness', 'l', 'last', 'loudness', { kind: 'ask', what: 'dynamic' }),
  key('words-under', ';', 'last', 'syllable under the note', { kind: 'ask', what: 'under' }),
  key('words-over', 'Alt+w', 'last', 'words over the note', { kind: 'ask', what: 'over' }),
  key('pitch-up', 'Control+ArrowUp', 'last', 'one step higher', { kind: 'step', letters: 1 }),
  key('pitch-down', 'Control+ArrowDown', 'last', 'one step lower', { kind: 'step', letters: -1 }),
  key('letter-up', 'ArrowUp', 'last', 'one step higher', { kind: 'step', letters: 1 }, WITH_LENGTHS),
  key('letter-down', 'ArrowDown', 'last', 'one step lower', { kind: 'step', letters: -1 }, WITH_LENGTHS),
  key('letter-octave-up', 'Shift+ArrowUp', 'last', 'an octave higher', { kind: 'step', letters: 7 }, WITH_LENGTHS),
  key('letter-octave-down', 'Shift+ArrowDown', 'last', 'an octave lower', { kind: 'step', letters: -7 }, WITH_LENGTHS),
  key('half-up', 'Alt+ArrowUp', 'last', 'half a step higher', { kind: 'half-step', by: 1 }),
  key('half-down', 'Alt+ArrowDown', 'last', 'half a step lower', { kind: 'half-step', by: -1 }),
  ...FINGERS.map((finger) =>
    key(`finger-${finger}`, `Alt+${finger}`, 'last', `finger ${finger} instead`, { kind: 'set-finger', finger }),
  ),
  key('finger-none', 'Alt+0', 'last', 'no finger', { kind: 'set-finger', finger: null }),
  key('untie', 'Alt+o', 'last', 'no tie', { kind: 'tie-off' }),
  key('remove', 'Backspace', 'last', 'take the note before the caret out', { kind: 'remove-before' }),
  key('remove-here', 'Delete', 'last', 'take the note at the caret out', { kind: 'remove-here' }),
  key('back', 'ArrowLeft', 'caret', 'one note back', { kind: 'walk', by: -1, to: 'entry' }),
  key('on', 'ArrowRight', 'caret', 'one note on, or into the next bar', { kind: 'walk', by: 1, to: 'entry' }),
  key('bar-back', 'Control+ArrowLeft', 'caret', 'one bar back', { kind: 'walk', by: -1, to: 'bar' }),
  key('bar-on', 'Control+ArrowRight', 'caret', 'one bar on', { kind: 'walk', by: 1, to: 'bar' }),
  key('beginning', 'Home', 'caret', 'to the beginning', { kind: 'walk', by: -1, to: 'end' }),
  key('end', 'End', 'caret', 'to where this hand stops', { kind: 'walk', by: 1, to: 'end' }),
  key('other-hand', 'Enter', 'caret', 'the other hand, at the same beat', { kind: 'other-hand', at: 'same-beat' }),
  key('other-hand-on', '9', 'caret', 'the other hand, where it stops', { kind: 'other-hand', at: 'where-it-stops' }),
  key('voice', 'Alt+v', 'caret', 'another voice of this hand', { kind: 'voice' }),
  key('between', 'Insert', 'caret', 'enter between notes instead of over them', { kind: 'mode', mode: 'between' }),
  key('select-back', 'Shift+ArrowLeft', 'caret', 'select backwards', { kind: 'extend', by: -1 }),
  key('select-on', 'Shift+ArrowRight', 'caret', 'select onwards', { kind: 'extend', by: 1 }),
  key('select-bar', 'Alt+b', 'caret', 'select the bar', { kind: 'select', what: 'bar' }),
  key('select-all', 'Control+a', 'caret', 'select all that this hand plays', { kind: 'select', what: 'all' }),
  key('repeat-bar', '/', 'bars', 'the bar before once more', { kind: 'repeat-bar' }),
  key('copy', 'Control+c', 'bars', 'copy', { kind: 'copy' }),
  key('cut', 'Control+x', 'bars', 'cut', { kind: 'cut' }),
  key('paste', 'Control+v', 'bars', 'put in what was copied', { kind: 'paste' }),
  key('copy-bars', 'Control+Shift+c', 'bars', 'copy whole bars, both hands', { kind: 'copy-bars' }),
  key('insert-bar', 'Alt+Insert', 'bars', 'an empty bar before this one', { kind: 'insert-bar' }),
  key('remove-bars', 'Control+Delete', 'bars', 'take the bars out, both hands', { kind: 'remove-bars' }),
  key('higher', 'Alt+PageUp', 'bars', 'move what is selected one step up', { kind: 'move-passage', letters: 1 }),
  key('lower', 'Alt+PageDown', 'bars', 'move what is selected one step down', { kind: 'move-passage', letters: -1 }),
  key('give', 'Alt+h', 'bars', 'give what is selected to the other hand', { kind: 'give-to-other-hand' }),
  key('signature', 'Alt+k', 'bars', 'another key from this bar on; Escape comes back', {
    kind: 'frame',
    what: 'signature',
  }),
  key('meter', 'Alt+m', 'bars', 'another time from this bar on; Escape comes back', { kind: 'frame', what: 'meter' }),
  key('undo', 'Control+z', 'bars', 'take the last step back', { kind: 'undo' }),
  key('redo', 'Control+Shift+z', 'bars', 'do it again', { kind: 'redo' }),
  key('leave', 'Escape', 'caret', 'let go of what is selected; with nothing selected: to the Bench', { kind: 'leave' }),
];

export const GROUP_NAMES: Readonly<Record<EntryKey['group'], string>> = {
  notes: 'Notes',
  rests: 'Rests',
  next: 'For the next note',
  hand: 'Where the hand is',
  last: 'The note just entered, or at the caret',
  caret: 'Going about',
  bars: 'Passages and bars',
};

/** A key that the teacher chose for something. */
export interface ChosenKey {
  readonly deed: string;
  readonly key: string;
}

/** The keys as the teacher has them. */
export function keysWith(chosen: readonly ChosenKey[]): readonly EntryKey[] {
  const changed = new Map(chosen.map(({ deed: action, key: own }) => [action, own]));
  return ENTRY_KEYS.map((one) => ({ ...one, key: changed.get(one.name) ?? one.key }));
}

/** What else a key is for in the same ways of entering; undefined where it is free. */
export function takenBy(keys: readonly EntryKey[], name: string, wanted: string): EntryKey | undefined {
  const own = keys.find((one) => one.name === name);
  const overlaps = (other: EntryKey): boolean =>
    !own?.methods || !other.methods || own.methods.some((method) => other.methods?.includes(method));
  return keys.find((other) => other.name !== name && other.key === wanted && overlaps(other));
}

/** The binding of a key in a way of entering. */
export function keyFor(keys: readonly EntryKey[], pressed: string, method: InputMethod): EntryKey | undefined {
  return keys.find((one) => one.key === pressed && (!one.methods || one.methods.includes(method)));
}

/** What some keyboards print on the same key counts as the same: plus is the key of the equals sign with Shift. */
const SAME: Readonly<Record<string, string>> = { '+': '=', '*': ']', '#': '=' };

/** The name of a pressed key. Letters count without Shift; AltGr, by which many keyboards type brackets, is no Control and Alt. */
export function pressedKey(
  event: Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'> & {
    readonly getModifierState?: (name: string) => boolean;
  },
): string {
  const isGraph = event.getModifierState?.('AltGraph') === true;
  const isCommand = (event.ctrlKey || event.metaKey) && !isGraph;
  const isAlt = event.altKey && !isGraph;
  const isNamed = event.key.length > 1;
  // With Alt some systems type other letters: then the place of the key tells which one was meant.
  const plain =
    isAlt && !isNamed
      ? (/^(?:Key|Digit)(.)$/.exec(event.code)?.[1]?.toLowerCase() ?? event.key.toLowerCase())
      : isNamed
        ? event.key
        : event.key.toLowerCase();
  const shift = event.shiftKey && (isNamed || isCommand) ? 'Shift+' : '';
  const bare = SAME[plain] ?? plain;
  return `${isCommand ? 'Control+' : ''}${isAlt ? 'Alt+' : ''}${shift}${bare}`;
}

const PRINTED: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  Control: 'Ctrl',
  Backspace: '⌫',
  Delete: 'Del',
  Insert: 'Ins',
  Escape: 'Esc',
  PageUp: 'PgUp',
  PageDown: 'PgDn',
  ' ': 'Space',
};

/** A key as it is printed on a keyboard. */
export function printedKey(name: string): string {
  if (name === '+') return name;
  return name
    .split('+')
    .map((part) => PRINTED[part] ?? (part.length === 1 ? part.toUpperCase() : part))
    .join(' ');
}
