import type { Fault } from '@/core/base';
import {
  LEFT_OUT,
  MUSIC_SIZES,
  PAPERS,
  PRINTS,
  SHEET_KINDS,
  TURNS,
  type LeftOut,
  type PaperChoice,
  type SheetKind,
} from '@/core/paper';
import type { Choice } from './choice';

/** What a caller wants on paper. */
export interface PrintQuery {
  readonly sheet: SheetKind;
  readonly paper: PaperChoice;
  readonly blank: { readonly leave: LeftOut; readonly answers: 'with' | 'without' };
  /** Several keys in one file, as they were written; empty for the one that is named by `to`. */
  readonly keys: readonly string[];
  readonly pupil: string | null;
  readonly foot: string;
}

/** More keys than there are make no sheet. */
const MOST_KEYS = 30;
const MOST_LETTERS = 120;

/** Reads what is wanted on paper. Errors go into `faults`. */
export function readPrintQuery(search: URLSearchParams, choice: Choice, faults: Fault[]): PrintQuery {
  const keys = (search.get('keys') ?? '').split(',').filter((key) => key.trim() !== '');
  if (keys.length > MOST_KEYS)
    faults.push({
      code: 'query.value',
      name: 'keys',
      value: String(keys.length),
      allowed: `at most ${MOST_KEYS} keys`,
    });
  const words = (name: string): string => (search.get(name) ?? '').trim().slice(0, MOST_LETTERS);
  return {
    sheet: choice<SheetKind>('sheet', SHEET_KINDS, 'handout'),
    paper: {
      paper: choice('paper', PAPERS, 'a4'),
      turn: choice('turn', TURNS, 'upright'),
      size: choice('size', MUSIC_SIZES, 'usual'),
      print: choice('print', PRINTS, 'usual'),
    },
    blank: {
      leave: choice<LeftOut>('leave', LEFT_OUT, 'notes'),
      answers: choice('answers', ['no', 'yes'], 'no') === 'yes' ? 'with' : 'without',
    },
    keys,
    pupil: words('pupil') || null,
    foot: words('foot'),
  };
}
