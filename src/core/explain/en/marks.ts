import type { NotesOfKind, MarkKind, MarkWords } from '../../annotate';
import { letterOf } from './common';
import { intervalSize, labelWords } from './labels';
import type { Terms } from './terms';

/** How marks are called, in English. */
export const MARK_NAMES: Readonly<Record<MarkKind, string>> = {
  ring: 'ring',
  guide: 'guide note',
  reminder: 'reminder of its name',
  interval: 'interval to the next note',
  words: 'words of your own',
};

/** What a mark says over its note. */
export function markText(t: Terms, words: MarkWords): string {
  if (words.kind === 'name') return `${t.name(words.name)}!`;
  return words.kind === 'text' ? words.text : labelWords(t, words);
}

/** What is looked for, as an answer to “every …”. */
export function kindWords(t: Terms, find: NotesOfKind): string {
  switch (find.by) {
    case 'letter':
      return t.name(find.value);
    case 'pitch':
      return t.pitch(find.value);
    case 'finger':
      return t.finger(find.value);
    case 'interval':
      return find.value === 1 ? 'step' : intervalSize(find.value);
    case 'black':
      return 'black key';
    case 'guide':
      return `guide note (bass ${letterOf(t, 'F')}, middle ${letterOf(t, 'C')}, treble ${letterOf(t, 'G')})`;
  }
}
