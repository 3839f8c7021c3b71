import { markWords, type Mark, type MarkKind } from '../annotate';
import { type Language } from '../explain';
import type { Version } from '../piece';
import { struckNotes } from '../score';
import type { WrittenMarks } from '../write';

/** The colours of rings and guide notes in files for other programs. Our own: those of the page by daylight. */
const COLOURS: Partial<Readonly<Record<MarkKind, string>>> = { ring: '#A3281C', guide: '#17616A' };

/** The marks of a version as a file for other programs has them: what they say over their notes, and colours for what is drawn round a note. */
export function writtenMarks(language: Language, { notes, key }: Version, marks: readonly Mark[]): WrittenMarks {
  const says = language.inKey(key);
  const said = markWords(marks, struckNotes(notes));
  return {
    words: new Map([...said].map(([id, words]) => [id, words.map(says.markText).join(' ')])),
    colours: new Map(
      marks.flatMap(({ kind, note }) => {
        const colour = COLOURS[kind];
        return colour === undefined ? [] : [[note, colour] as const];
      }),
    ),
  };
}
