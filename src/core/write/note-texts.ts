import { childText, element, firstChild, withAttribute, withChildren, type XmlElement } from '../xml';
import type { NoteId, NoteItem, Part } from '../score';
import { writeItem, type ItemWriter } from './write-score';
import { writeNote } from './write-note';

/** What the engraver is to put at notes beyond the music. */
export interface NoteTexts {
  /** Lines of text under the notes, below any words that are sung: letters, degrees, counts. A note without an entry has none. */
  readonly lines: readonly ReadonlyMap<NoteId, string>[];
  /** Words over notes. */
  readonly words: ReadonlyMap<NoteId, string>;
  /** How many lines to leave free under each staff, below everything else. The first of them is marked by `ROOM_MARK`. */
  readonly roomLines: number;
}

export const NO_TEXTS: NoteTexts = { lines: [], words: new Map(), roomLines: 0 };

/** Stands where free lines begin: the engraving tells how high that is. A braille cell without dots, which nobody sees; the engraver drops what it
 * takes for white space where it reads its own format again. */
export const ROOM_MARK = '\u2800';

/** Writes the items of a part with an id on every note (`prefix` and the note's own), and the texts at notes. `breaks` are the bars at which systems
 * begin: each system has the free lines once. */
export function noteTextWriter(part: Part, prefix: string, texts: NoteTexts, breaks: readonly number[]): ItemWriter {
  const sung = texts.lines.length + texts.roomLines === 0 ? 0 : sungLines(part);
  const roomAt = texts.roomLines === 0 ? new Set<NoteId>() : firstNotes(part, breaks);
  return (item) => {
    if (item.kind !== 'note') return writeItem(item);
    const under = [
      ...texts.lines.map((line) => line.get(item.id)),
      ...Array.from({ length: texts.roomLines }, () => (roomAt.has(item.id) ? ROOM_MARK : undefined)),
    ];
    const lyrics = under.flatMap((text, i) => (text === undefined ? [] : [lyric(sung + i + 1, text)]));
    const words = texts.words.get(item.id);
    const note = withAttribute(writeNote(item), 'id', prefix + item.id);
    const worded = words === undefined ? note : withWords(note, words);
    return lyrics.length === 0 ? worded : withChildren(worded, [...worded.children, ...lyrics]);
  };
}

function lyric(line: number, text: string): XmlElement {
  return element('lyric', { number: String(line) }, [element('syllabic', {}, ['single']), element('text', {}, [text])]);
}

/** Words over a note are written as one more fingering: the engraver sets it beside the finger, clear of everything else. */
function withWords(note: XmlElement, words: string): XmlElement {
  const fingering = element('fingering', { placement: 'above' }, [words]);
  const notations = firstChild(note, 'notations');
  if (!notations)
    return withChildren(note, [...note.children, element('notations', {}, [element('technical', {}, [fingering])])]);
  const technical = firstChild(notations, 'technical');
  const marked = technical
    ? withChildren(
        notations,
        notations.children.map((child) =>
          child === technical ? withChildren(technical, [...technical.children, fingering]) : child,
        ),
      )
    : withChildren(notations, [...notations.children, element('technical', {}, [fingering])]);
  return withChildren(
    note,
    note.children.map((child) => (child === notations ? marked : child)),
  );
}

/** How many lines of words are sung under this part. */
function sungLines(part: Part): number {
  const numbers = part.measures.flatMap(({ items }) =>
    items.flatMap((item) =>
      item.kind === 'note'
        ? item.xml.children.flatMap((child) =>
            child.kind === 'element' && child.name === 'lyric' ? [lineOf(child)] : [],
          )
        : [],
    ),
  );
  return Math.max(0, ...numbers);
}

function lineOf(lyricXml: XmlElement): number {
  const number = Number(lyricXml.attributes['number'] ?? '1');
  return childText(lyricXml, 'text') === undefined || !Number.isInteger(number) ? 1 : number;
}

/** The first note on each staff in each system. */
function firstNotes(part: Part, breaks: readonly number[]): ReadonlySet<NoteId> {
  const found = new Map<string, NoteItem>();
  for (const measure of part.measures) {
    const system = breaks.filter((bar) => bar <= measure.index).length;
    for (const item of measure.items) {
      if (item.kind !== 'note' || item.pitch === null || item.isGrace) continue;
      const place = `${system}/${item.staff}`;
      if (!found.has(place)) found.set(place, item);
    }
  }
  return new Set([...found.values()].map(({ id }) => id));
}
