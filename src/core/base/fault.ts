/** Why something was refused: a stable code, the facts, and the place where they are known.
 * The words for teachers are made from it in `explain/`. Codes are dotted, lower case and never reused. */
export type Fault =
  | { readonly code: 'read.empty' }
  | { readonly code: 'read.too-large'; readonly limitMb: number }
  | { readonly code: 'read.unknown-format' }
  | { readonly code: 'read.not-a-score'; readonly rootName: string; readonly at: TextPlace }
  | { readonly code: 'read.encoding'; readonly encoding: string }
  | { readonly code: 'read.malformed'; readonly said: string; readonly at: TextPlace }
  | { readonly code: 'read.malformed'; readonly maxDepth: number; readonly at: TextPlace }
  /** A tune that the parser of ABC fails over from this line on, without saying why. */
  | { readonly code: 'read.malformed'; readonly tune: 'unclear'; readonly at: TextPlace }
  | { readonly code: 'read.cut-off'; readonly at: TextPlace }
  | { readonly code: 'read.entity'; readonly name: string; readonly at: TextPlace }
  | {
      readonly code: 'read.midi-damaged';
      readonly reason: 'ends-early' | 'unreadable' | 'film-frames' | 'format-2';
      /** What the reader of MIDI files says of it, where it says anything. */
      readonly said?: string;
    }
  | { readonly code: 'read.archive'; readonly detail: 'damaged' | 'no-score' | 'too-large' }
  | { readonly code: 'read.own-file'; readonly reason: 'cut-off' | 'incomplete' }
  | { readonly code: 'read.own-file'; readonly reason: 'newer'; readonly version: number }
  | { readonly code: 'read.own-file'; readonly reason: 'invalid'; readonly said: string }
  | { readonly code: 'read.no-notes' }
  /** A sentence of a rote sheet: not understood, its head or key not found, against what stands before it, or naming a bar that is not there. */
  | {
      readonly code: 'read.rote';
      readonly reason: 'head' | 'key' | 'sentence' | 'contradiction' | 'reference';
      readonly said: string;
      readonly at: TextPlace;
    }
  | { readonly code: 'read.rote-sum'; readonly bar: string; readonly hand: 'right' | 'left'; readonly at: TextPlace }
  | { readonly code: 'read.too-many-bars'; readonly limit: number }
  | {
      readonly code: 'read.bad-value';
      readonly element: string;
      readonly value: string;
      readonly bar: string;
      readonly at: TextPlace;
    }
  | {
      readonly code: 'read.missing';
      readonly element: string;
      readonly inside: string;
      readonly bar: string;
      readonly at: TextPlace;
    }
  | { readonly code: 'read.unpitched'; readonly bar: string; readonly at: TextPlace }
  | { readonly code: 'read.quarter-tone'; readonly bar: string; readonly at: TextPlace }
  | { readonly code: 'read.key-steps'; readonly bar: string; readonly at: TextPlace }
  | { readonly code: 'pitch.out-of-range'; readonly unit: 'fifths' | 'semitones'; readonly amount: number }
  | { readonly code: 'move.out-of-range'; readonly bar: string }
  | { readonly code: 'query.missing'; readonly name: string }
  | { readonly code: 'query.file-missing'; readonly name: string }
  | { readonly code: 'query.value'; readonly name: string; readonly value: string; readonly allowed: string }
  | { readonly code: 'query.part'; readonly value: string; readonly parts: readonly string[] }
  | { readonly code: 'print.engraver' }
  /** More bars than are printed at once, counted over all keys. */
  | { readonly code: 'print.too-much'; readonly bars: number; readonly most: number }
  | { readonly code: 'query.slow'; readonly seconds: number }
  | { readonly code: 'job.busy'; readonly seconds: number }
  | { readonly code: 'job.stopped' }
  | { readonly code: 'job.too-long'; readonly seconds: number }
  | { readonly code: 'job.too-large' }
  | { readonly code: 'job.failed' };

/** The file formats of the scripting interface. */
export const FILE_FORMATS = ['musicxml', 'mxl', 'abc', 'midi', 'newthumb'] as const;
export type FileFormat = (typeof FILE_FORMATS)[number];

/** A place in a text file; both count from 1. */
export interface TextPlace {
  readonly line: number;
  readonly column: number;
}

/** An easier version of a piece for one hand: moved by octaves into one place, or without one note of the chords in some bars, which may be octaves. */
export type Easier =
  | { readonly kind: 'one-place' }
  | {
      readonly kind: 'without';
      readonly which: 'lower' | 'inner' | 'upper';
      readonly of: 'chords' | 'octaves';
      readonly bars: readonly string[];
    };

/** Something kept as it was and told to the teacher: nothing was refused. `bar` is the printed bar number. Keys and notes are written as machines read
 * them: `Bb-major`, `F#`. */
export type Remark =
  | {
      readonly code: 'respelled-key';
      readonly bar: string;
      /** The signature that strict moving leads to: sharps count up, flats down. */
      readonly fromSigns: number;
      readonly to: string;
      readonly part: string;
    }
  | { readonly code: 'octave-proposed'; readonly hand: 'right' | 'left'; readonly direction: 'higher' | 'lower' }
  | { readonly code: 'respelled-note'; readonly bars: readonly string[]; readonly from: string; readonly to: string }
  | { readonly code: 'other-mode'; readonly from: string; readonly to: string }
  | { readonly code: 'enharmonic-proposed'; readonly to: string }
  | {
      readonly code: 'not-playable';
      readonly hand: 'right' | 'left';
      readonly bar: string;
      readonly limit: 'reach' | 'held-reach' | 'held-finger' | 'open' | 'move' | 'change' | 'cross';
      readonly atLevel: number;
      /** The lowest level and the least reach with which it could be played; null where none is. */
      readonly level: number | null;
      readonly spanMm: number | null;
      /** Whether it could be played on white keys. */
      readonly isKeys: boolean;
      /** What of it the hand could play; null where nothing simple helps. */
      readonly easier: Easier | null;
    }
  | { readonly code: 'moves-spared'; readonly hand: 'right' | 'left'; readonly bars: readonly string[] }
  | {
      readonly code: 'bar-length';
      readonly bar: string;
      readonly part: string;
      readonly expected: string;
      readonly found: string;
    }
  | { readonly code: 'key-guessed'; readonly key: string; readonly runnerUp: string }
  | { readonly code: 'carried-element'; readonly element: string; readonly bar: string; readonly count: number }
  | {
      readonly code: 'abc-unclear';
      readonly line: number;
      readonly column: number;
      /** The word that is not known, or what the reader of ABC says. */
      readonly about: { readonly unknown: string } | { readonly said: string };
    }
  | { readonly code: 'abc-key'; readonly line: number; readonly key: string; readonly from: 'the beginning' | 'there' }
  | { readonly code: 'abc-octaves' }
  | { readonly code: 'more-tunes'; readonly count: number }
  | { readonly code: 'midi-grid'; readonly grid: 1 | 2 | 3 | 4 | 6 | 8; readonly moved: number }
  | { readonly code: 'midi-hands'; readonly by: 'tracks' | 'pitch' }
  | { readonly code: 'midi-key'; readonly key: string; readonly by: 'file' | 'notes' }
  | { readonly code: 'midi-drums'; readonly count: number }
  | { readonly code: 'duplicate-id'; readonly bar: string; readonly id: string };
