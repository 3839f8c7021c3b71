import type { Label, LabelKind } from '../../annotate';
import type { Terms } from './terms';

/** How the kinds of labels are called, in English. */
export const LABEL_NAMES: Readonly<Record<LabelKind, string>> = {
  letters: 'letters',
  degrees: 'degrees',
  'do-minor': 'movable do (do-minor)',
  'la-minor': 'movable do (la-minor)',
  'fixed-do': 'fixed do',
  counts: 'counts',
  intervals: 'intervals in each hand',
  'between-hands': 'intervals between the hands',
};

/** A label as it stands under its note. */
export function labelWords(t: Terms, label: Label): string {
  if (label.kind === 'text') return label.text;
  if (label.kind === 'name') return t.letter(label.name);
  const size = intervalSize(Math.abs(label.letters));
  if (label.kind === 'distance' || label.letters === 0) return size;
  return `${label.letters > 0 ? '↑' : '↓'}${size}`;
}

/** An interval as beginners call it, by its letters: step, skip, 4th … */
export function intervalSize(letters: number): string {
  if (letters === 0) return 'same';
  if (letters === 1) return 'step';
  if (letters === 2) return 'skip';
  if (letters === 7) return 'octave';
  return ordinal(letters + 1);
}

function ordinal(number: number): string {
  const last = number % 10;
  const isTeen = Math.floor(number / 10) % 10 === 1;
  if (isTeen || last === 0 || last > 3) return `${number}th`;
  return `${number}${['st', 'nd', 'rd'][last - 1]}`;
}
