import type { NotesOfKind, MarkKind, MarkWords } from '../annotate';
import { intervalSize, labelWords } from './en-labels';

/** How marks are called, in English. */
export const MARK_NAMES: Readonly<Record<MarkKind, string>> = {
  ring: 'ring',
  guide: 'guide note',
  reminder: 'reminder of its name',
  interval: 'interval to the next note',
  words: 'words of your own',
};

/** What a mark says over its note. */
export function markText(words: MarkWords): string {
  if (words.kind === 'name') return `${words.name}!`;
  return words.kind === 'text' ? words.text : labelWords(words);
}

/** What is looked for, as an answer to “every …”. */
export function kindWords(find: NotesOfKind): string {
  switch (find.by) {
    case 'letter':
    case 'pitch':
      return find.value;
    case 'finger':
      return `finger ${find.value}`;
    case 'interval':
      return find.value === 1 ? 'step' : intervalSize(find.value);
    case 'black':
      return 'black key';
    case 'guide':
      return 'guide note (bass F, middle C, treble G)';
  }
}
