import { childElements, childText } from '../xml';
import type { NoteItem } from './score';

/** What is sung at a note in the first verse, with a hyphen where the word goes on; null where nothing is. */
export function syllableAt(note: NoteItem): string | null {
  const [lyric] = childElements(note.xml, 'lyric');
  const text = lyric && childText(lyric, 'text');
  if (!text) return null;
  return ['begin', 'middle'].includes(childText(lyric, 'syllabic') ?? '') ? `${text}-` : text;
}
