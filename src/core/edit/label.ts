import type { Pitch } from '../pitch';
import type { Finger, Hand } from '../score';
import type { Meter } from '../time';

/** What a change was, as facts: `explain/` puts it into words. `bar` is the printed number. */
export type EditLabel =
  | {
      readonly code: 'entered';
      readonly bar: string;
      readonly hand: Hand;
      readonly pitches: readonly Pitch[];
      readonly finger: Finger | null;
    }
  | { readonly code: 'rest'; readonly bar: string; readonly hand: Hand }
  | { readonly code: 'joined'; readonly bar: string; readonly pitch: Pitch }
  | { readonly code: 'removed'; readonly bar: string; readonly what: 'note' | 'rest' | 'chord' | 'passage' }
  | { readonly code: 'length'; readonly bar: string }
  | { readonly code: 'pitch'; readonly bar: string; readonly from: Pitch; readonly to: Pitch }
  | { readonly code: 'finger'; readonly bar: string; readonly finger: Finger | null }
  | { readonly code: 'tie'; readonly bar: string; readonly is: 'on' | 'off' }
  | { readonly code: 'slur'; readonly bar: string; readonly is: 'begun' | 'ended' | 'off' }
  | { readonly code: 'sign'; readonly bar: string; readonly sign: string; readonly is: 'on' | 'off' }
  | {
      readonly code: 'words';
      readonly bar: string;
      readonly kind: 'lyric' | 'words' | 'dynamic';
      readonly text: string;
    }
  | { readonly code: 'bars-added'; readonly bar: string; readonly count: number }
  | { readonly code: 'bars-removed'; readonly bar: string; readonly count: number }
  | { readonly code: 'bar-repeated'; readonly bar: string }
  | { readonly code: 'pasted'; readonly bar: string }
  | { readonly code: 'moved-passage'; readonly bar: string; readonly steps: number }
  | { readonly code: 'other-hand'; readonly bar: string; readonly hand: Hand }
  | { readonly code: 'meter'; readonly bar: string; readonly meter: Meter }
  | { readonly code: 'signature'; readonly bar: string; readonly fifths: number }
  | { readonly code: 'pick-up'; readonly quarters: number }
  | { readonly code: 'heading'; readonly what: 'title' | 'composer'; readonly text: string }
  | { readonly code: 'tempo'; readonly perMinute: number }
  | { readonly code: 'played-in'; readonly bar: string; readonly notes: number }
  | { readonly code: 'abc'; readonly bar: string };
