/* eslint max-params: ["error", 6] -- a table: each line is one key, in the order in which it is read */
import type { Row, InputMethod } from '@/core/entry';
import { stepOfLetter } from '@/core/pitch';
import type { Finger } from '@/core/score';
import type { ScreenCommand } from '@/contract/entry-questions';
import type { Words } from '@/features/shared/words/use-words';

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

const rowWords = (w: Words): Readonly<Record<Row, string>> => ({
  beat: w.entry.oneBeat,
  longer: w.entry.twoBeats,
  bar: w.entry.wholeBar,
  shorter: w.entry.halfBeat,
});

const BY_FINGER: readonly InputMethod[] = ['fingers'];
const BY_LETTER: readonly InputMethod[] = ['letters'];
const WITH_LENGTHS: readonly InputMethod[] = ['letters', 'keys'];

function rowKeys(w: Words, row: Row): readonly EntryKey[] {
  const [fingers, rest] = ROW_KEYS[row];
  const notes = FINGERS.map((finger): EntryKey => ({
    name: `${row}-${finger}`,
    key: fingers[finger - 1] as string,
    group: 'notes',
    does: w.entry.finger(finger, rowWords(w)[row]),
    action: { kind: 'finger', finger, row },
    methods: BY_FINGER,
  }));
  return [
    ...notes,
    {
      name: `${row}-rest`,
      key: rest,
      group: 'rests',
      does: w.entry.rest(rowWords(w)[row]),
      action: { kind: 'rest', row },
      methods: BY_FINGER,
    },
  ];
}

const letterKeys = (w: Words): readonly EntryKey[] =>
  (['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const).map((letter) => ({
    name: `letter-${letter}`,
    key: letter.toLowerCase(),
    group: 'notes',
    does: w.entry.nearest(w.says.letter({ step: stepOfLetter(letter), alter: 0 })),
    action: { kind: 'letter', letter },
    methods: BY_LETTER,
  }));

/** Lengths by their keys. The names are those under which changed keys are kept. */
const LENGTHS: readonly (readonly [key: string, quarters: number, name: string])[] = [
  ['1', 4, 'whole note'],
  ['2', 2, 'half note'],
  ['4', 1, 'quarter'],
  ['8', 0.5, 'eighth'],
  ['6', 0.25, 'sixteenth'],
  ['3', 0.125, 'thirty-second'],
];

const lengthKeys = (w: Words): readonly EntryKey[] =>
  LENGTHS.map(([key, quarters, name]) => ({
    name: `length-${name}`,
    key,
    group: 'notes',
    does: w.entry.fromHereOn(w.says.lengthWords(quarters)),
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
// eslint-disable-next-line max-lines-per-function -- a table: one line a key
export const entryKeys = (w: Words): readonly EntryKey[] => [
  ...(['beat', 'longer', 'bar', 'shorter'] as const).flatMap((one) => rowKeys(w, one)),
  ...letterKeys(w),
  ...lengthKeys(w),
  key('plain-rest', 'r', 'rests', w.entry.restAlone, { kind: 'plain-rest' }, WITH_LENGTHS),
  key('rest-of-bar', '0', 'rests', w.entry.restForWholeBar, { kind: 'bar-rest' }),
  key('again', ',', 'notes', w.entry.sameOnceMore, { kind: 'again' }),
  key('sharp', '=', 'next', w.entry.sharpBeforeNextNote, { kind: 'alter', alter: 1 }),
  key('flat', '-', 'next', w.entry.flatBeforeNextNote, { kind: 'alter', alter: -1 }),
  key('natural', 'j', 'next', w.entry.naturalBeforeNextNote, { kind: 'alter', alter: 0 }),
  key('chord', 'p', 'next', w.entry.nextNoteSoundsWithThis, { kind: 'join', as: 'chord' }),
  key('tie', 'o', 'next', w.entry.nextNoteIsTiedTo, { kind: 'join', as: 'tie' }),
  key('triplet', 'k', 'next', w.entry.nextThreeAreTriplet, { kind: 'triplet' }),
  key('octave-down', '7', 'next', w.entry.nextNoteOctaveLower, { kind: 'octave', octaves: -1 }, ['fingers']),
  key('octave-up', '8', 'next', w.entry.nextNoteOctaveHigher, { kind: 'octave', octaves: 1 }, ['fingers']),
  key('reach-down', '[', 'next', w.entry.nextNoteOneKeyLower, { kind: 'reach', letters: -1 }, BY_FINGER),
  key('reach-up', ']', 'next', w.entry.nextNoteOneKeyHigher, { kind: 'reach', letters: 1 }, BY_FINGER),
  key('move', 'm', 'hand', w.entry.moveHandThenLetterOr, { kind: 'move' }, BY_FINGER),
  key('hand-up', 'ArrowUp', 'hand', w.entry.handOneKeyUp, { kind: 'seat-by', letters: 1 }, BY_FINGER),
  key('hand-down', 'ArrowDown', 'hand', w.entry.handOneKeyDown, { kind: 'seat-by', letters: -1 }, BY_FINGER),
  key('hand-octave-up', 'Shift+ArrowUp', 'hand', w.entry.handOctaveUp, { kind: 'seat-by', letters: 7 }, BY_FINGER),
  key(
    'hand-octave-down',
    'Shift+ArrowDown',
    'hand',
    w.entry.handOctaveDown,
    { kind: 'seat-by', letters: -7 },
    BY_FINGER,
  ),
  key('thumbs', 'Alt+t', 'hand', w.entry.bothThumbsOnMiddleC, { kind: 'thumbs-together' }, BY_FINGER),
  key('open', "'", 'hand', w.entry.openHandByKeyBeside, { kind: 'open-hand' }, BY_FINGER),
  key('close', '\\', 'hand', w.entry.closeHand, { kind: 'close-hand' }, BY_FINGER),
  key('dot', '.', 'last', w.entry.dotAgainTwoThenNone, { kind: 'dot' }),
  key('slur', 'u', 'last', w.entry.slurBeginsHereAgainEnds, { kind: 'slur' }),
  key('staccato', 'i', 'last', w.entry.staccato, { kind: 'sign', sign: 'staccato' }),
  key('accent', 'Alt+a', 'last', w.entry.accent, { kind: 'sign', sign: 'accent' }),
  key('tenuto', 'Alt+n', 'last', w.entry.tenuto, { kind: 'sign', sign: 'tenuto' }),
  key('fermata', 'Alt+f', 'last', w.entry.fermata, { kind: 'sign', sign: 'fermata' }),
  key('loudness', 'l', 'last', w.entry.loudness, { kind: 'ask', what: 'dynamic' }),
  key('words-under', ';', 'last', w.entry.syllableKey, { kind: 'ask', what: 'under' }),
  key('words-over', 'Alt+w', 'last', w.shared.wordsOverNoteKey, { kind: 'ask', what: 'over' }),
  key('pitch-up', 'Control+ArrowUp', 'last', w.entry.oneStepHigher, { kind: 'step', letters: 1 }),
  key('pitch-down', 'Control+ArrowDown', 'last', w.entry.oneStepLower, { kind: 'step', letters: -1 }),
  key('letter-up', 'ArrowUp', 'last', w.entry.oneStepHigher, { kind: 'step', letters: 1 }, WITH_LENGTHS),
  key('letter-down', 'ArrowDown', 'last', w.entry.oneStepLower, { kind: 'step', letters: -1 }, WITH_LENGTHS),
  key('letter-octave-up', 'Shift+ArrowUp', 'last', w.entry.octaveHigher, { kind: 'step', letters: 7 }, WITH_LENGTHS),
  key(
    'letter-octave-down',
    'Shift+ArrowDown',
    'last',
    w.entry.octaveLower,
    { kind: 'step', letters: -7 },
    WITH_LENGTHS,
  ),
  key('half-up', 'Alt+ArrowUp', 'last', w.entry.halfStepHigher, { kind: 'half-step', by: 1 }),
  key('half-down', 'Alt+ArrowDown', 'last', w.entry.halfStepLower, { kind: 'half-step', by: -1 }),
  ...FINGERS.map((finger) =>
    key(`finger-${finger}`, `Alt+${finger}`, 'last', w.entry.fingerInstead(finger), { kind: 'set-finger', finger }),
  ),
  key('finger-none', 'Alt+0', 'last', w.entry.noFinger, { kind: 'set-finger', finger: null }),
  key('untie', 'Alt+o', 'last', w.entry.noTie, { kind: 'tie-off' }),
  key('remove', 'Backspace', 'last', w.entry.takeNoteBeforeCaretOut, { kind: 'remove-before' }),
  key('remove-here', 'Delete', 'last', w.entry.takeNoteAtCaretOut, { kind: 'remove-here' }),
  key('back', 'ArrowLeft', 'caret', w.entry.oneNoteBack, { kind: 'walk', by: -1, to: 'entry' }),
  key('on', 'ArrowRight', 'caret', w.entry.oneNoteOnOrInto, { kind: 'walk', by: 1, to: 'entry' }),
  key('bar-back', 'Control+ArrowLeft', 'caret', w.entry.oneBarBack, { kind: 'walk', by: -1, to: 'bar' }),
  key('bar-on', 'Control+ArrowRight', 'caret', w.entry.oneBarOn, { kind: 'walk', by: 1, to: 'bar' }),
  key('beginning', 'Home', 'caret', w.entry.toBeginning, { kind: 'walk', by: -1, to: 'end' }),
  key('end', 'End', 'caret', w.entry.toWhereThisHandStops, { kind: 'walk', by: 1, to: 'end' }),
  key('other-hand', 'Enter', 'caret', w.entry.otherHandAtSameBeat, { kind: 'other-hand', at: 'same-beat' }),
  key('other-hand-on', '9', 'caret', w.entry.otherHandWhereItStops, { kind: 'other-hand', at: 'where-it-stops' }),
  key('voice', 'Alt+v', 'caret', w.entry.anotherVoiceOfThisHand, { kind: 'voice' }),
  key('between', 'Insert', 'caret', w.entry.enterBetweenNotesInsteadOf, { kind: 'mode', mode: 'between' }),
  key('select-back', 'Shift+ArrowLeft', 'caret', w.entry.selectBackwards, { kind: 'extend', by: -1 }),
  key('select-on', 'Shift+ArrowRight', 'caret', w.entry.selectOnwards, { kind: 'extend', by: 1 }),
  key('select-bar', 'Alt+b', 'caret', w.entry.selectTheBar, { kind: 'select', what: 'bar' }),
  key('select-all', 'Control+a', 'caret', w.entry.selectAllOfHand, { kind: 'select', what: 'all' }),
  key('repeat-bar', '/', 'bars', w.entry.barBeforeOnceMore, { kind: 'repeat-bar' }),
  key('copy', 'Control+c', 'bars', w.entry.copy, { kind: 'copy' }),
  key('cut', 'Control+x', 'bars', w.entry.cut, { kind: 'cut' }),
  key('paste', 'Control+v', 'bars', w.entry.putInWhatWasCopied, { kind: 'paste' }),
  key('copy-bars', 'Control+Shift+c', 'bars', w.entry.copyWholeBarsBothHands, { kind: 'copy-bars' }),
  key('insert-bar', 'Alt+Insert', 'bars', w.entry.emptyBarBeforeThisOne, { kind: 'insert-bar' }),
  key('remove-bars', 'Control+Delete', 'bars', w.entry.takeBarsOutBothHands, { kind: 'remove-bars' }),
  key('higher', 'Alt+PageUp', 'bars', w.entry.moveSelectedUp, { kind: 'move-passage', letters: 1 }),
  key('lower', 'Alt+PageDown', 'bars', w.entry.moveSelectedDown, { kind: 'move-passage', letters: -1 }),
  key('give', 'Alt+h', 'bars', w.entry.giveSelectedToOtherHand, { kind: 'give-to-other-hand' }),
  key('signature', 'Alt+k', 'bars', w.entry.anotherKeyFromThisBar, {
    kind: 'frame',
    what: 'signature',
  }),
  key('meter', 'Alt+m', 'bars', w.entry.anotherTimeFromThisBar, { kind: 'frame', what: 'meter' }),
  key('undo', 'Control+z', 'bars', w.entry.takeLastStepBack, { kind: 'undo' }),
  key('redo', 'Control+Shift+z', 'bars', w.shared.doItAgain, { kind: 'redo' }),
  key('leave', 'Escape', 'caret', w.entry.letGoOrLeave, { kind: 'leave' }),
];

export const groupNames = (w: Words): Readonly<Record<EntryKey['group'], string>> => ({
  notes: w.entry.notes,
  rests: w.entry.rests,
  next: w.entry.forNextNote,
  hand: w.entry.whereHandIs,
  last: w.entry.noteJustEnteredOrAt,
  caret: w.entry.goingAbout,
  bars: w.entry.passagesAndBars,
});

/** A key that the teacher chose for something. */
export interface ChosenKey {
  readonly deed: string;
  readonly key: string;
}

/** The keys as the teacher has them. */
export function keysWith(w: Words, chosen: readonly ChosenKey[]): readonly EntryKey[] {
  const changed = new Map(chosen.map(({ deed: action, key: own }) => [action, own]));
  return entryKeys(w).map((one) => ({ ...one, key: changed.get(one.name) ?? one.key }));
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
