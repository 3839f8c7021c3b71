import type { Clip, Dynamic } from '../edit';
import type { Letter, Mode } from '../pitch';
import type { Finger, Hand, Score } from '../score';
import type { Meter } from '../time';
import type { Row, InputMethod } from './session';

/** What the teacher wants done while entering. Plain data, so that it goes through messages; keys and buttons are only names for these. */
export type Command = EnteringCommand | ChangingCommand;

/** Entering notes, and going about. */
export type EnteringCommand =
  /** A note by the finger that plays it, with the length of a row; or a rest of that length. */
  | { readonly kind: 'finger'; readonly finger: Finger; readonly row: Row }
  | { readonly kind: 'rest'; readonly row: Row }
  | { readonly kind: 'bar-rest' }
  | { readonly kind: 'letter'; readonly letter: Letter }
  /** Keys of a keyboard struck together, as MIDI numbers. */
  | { readonly kind: 'keys'; readonly midis: readonly number[] }
  | { readonly kind: 'plain-rest' }
  | { readonly kind: 'again' }
  /** What holds for the next note alone. */
  | { readonly kind: 'alter'; readonly alter: -1 | 0 | 1 }
  | { readonly kind: 'reach'; readonly letters: number }
  | { readonly kind: 'octave'; readonly octaves: number }
  | { readonly kind: 'join'; readonly as: 'chord' | 'tie' }
  | { readonly kind: 'triplet' }
  /** Where the hand is. */
  | { readonly kind: 'seat-by'; readonly letters: number }
  | { readonly kind: 'seat-letter'; readonly letter: Letter }
  | { readonly kind: 'seat-key'; readonly midi: number; readonly hand: Hand }
  | { readonly kind: 'seat-finger'; readonly finger: Finger; readonly where: Finger }
  | { readonly kind: 'thumbs-together' }
  | { readonly kind: 'move' }
  | { readonly kind: 'open-hand' }
  | { readonly kind: 'close-hand' }
  /** How notes are entered. */
  | { readonly kind: 'way'; readonly method: InputMethod }
  | { readonly kind: 'mode'; readonly mode: 'over' | 'between' }
  | { readonly kind: 'row-length'; readonly row: Row; readonly quarters: number }
  | { readonly kind: 'length'; readonly quarters: number }
  | { readonly kind: 'voice' }
  /** Where the caret is. */
  | { readonly kind: 'walk'; readonly by: -1 | 1; readonly to: 'entry' | 'bar' | 'end' }
  | { readonly kind: 'extend'; readonly by: -1 | 1 }
  | { readonly kind: 'other-hand'; readonly at: 'same-beat' | 'where-it-stops' }
  | { readonly kind: 'go-to'; readonly noteId: string }
  | { readonly kind: 'go-to-bar'; readonly bar: number; readonly hand: Hand }
  | { readonly kind: 'select'; readonly what: 'bar' | 'all' | 'none' };

/** Changing what is there. */
export type ChangingCommand =
  /** Changes of the current entry. */
  | { readonly kind: 'dot' }
  | { readonly kind: 'set-length'; readonly quarters: number }
  | { readonly kind: 'step'; readonly letters: number }
  | { readonly kind: 'half-step'; readonly by: -1 | 1 }
  | { readonly kind: 'set-finger'; readonly finger: Finger | null }
  | { readonly kind: 'tie-off' }
  | { readonly kind: 'sign'; readonly sign: 'staccato' | 'accent' | 'tenuto' | 'fermata' }
  | { readonly kind: 'slur' }
  | { readonly kind: 'dynamic'; readonly dynamic: Dynamic | null }
  | { readonly kind: 'words'; readonly place: 'over' | 'under'; readonly text: string }
  | { readonly kind: 'remove-before' }
  | { readonly kind: 'remove-here' }
  | { readonly kind: 'remove-note'; readonly noteId: string }
  /** Passages and bars. */
  | { readonly kind: 'copy' }
  | { readonly kind: 'cut' }
  | { readonly kind: 'paste'; readonly clip: Clip | null }
  | { readonly kind: 'copy-bars' }
  | { readonly kind: 'repeat-bar' }
  | { readonly kind: 'insert-bar' }
  | { readonly kind: 'remove-bars' }
  | { readonly kind: 'move-passage'; readonly letters: number }
  | { readonly kind: 'give-to-other-hand' }
  /** The frame. */
  | { readonly kind: 'meter'; readonly meter: Meter }
  | { readonly kind: 'signature'; readonly fifths: number; readonly mode: Mode | null }
  | { readonly kind: 'pick-up'; readonly quarters: number }
  | { readonly kind: 'heading'; readonly what: 'title' | 'composer'; readonly text: string }
  | { readonly kind: 'tempo'; readonly perMinute: number }
  /** Bars that came from elsewhere: played in, or written as ABC. The score is what they were read into. */
  | { readonly kind: 'take-in'; readonly from: 'played' | 'abc'; readonly music: Score }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' };

/** Why a command did nothing. The words are in `explain/`. */
export type Notice =
  | { readonly code: 'nothing-to-change' }
  | { readonly code: 'nothing-to-tie' }
  | { readonly code: 'off-keyboard' }
  | { readonly code: 'nothing-copied' }
  | { readonly code: 'clip-too-fine' }
  | { readonly code: 'no-bar-before' }
  | { readonly code: 'one-hand-only' }
  | { readonly code: 'last-bar' }
  | { readonly code: 'nothing-to-undo' }
  | { readonly code: 'nothing-to-redo' };
