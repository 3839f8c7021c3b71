import { element, withAttribute } from '../xml';
import type { Measure, MeasureItem, NoteId, NoteItem, Score } from '../score';

/** What a file of music says of marks at notes, for programs that know nothing of ours: words over a note, and notes in a colour (`#RRGGBB`). */
export interface WrittenMarks {
  readonly words: ReadonlyMap<NoteId, string>;
  readonly colours: ReadonlyMap<NoteId, string>;
}

export const NO_MARKS: WrittenMarks = { words: new Map(), colours: new Map() };

/** A score with marks written into it: words as a direction over the note, a colour as that of the note. What has no mark is the same object as before. */
export function withWrittenMarks(score: Score, marks: WrittenMarks): Score {
  if (marks.words.size + marks.colours.size === 0) return score;
  return {
    ...score,
    parts: score.parts.map((part) => ({ ...part, measures: part.measures.map((bar) => markedBar(bar, marks)) })),
  };
}

function markedBar(bar: Measure, marks: WrittenMarks): Measure {
  const isMarked = (item: MeasureItem): item is NoteItem =>
    item.kind === 'note' && (marks.words.has(item.id) || marks.colours.has(item.id));
  if (!bar.items.some(isMarked)) return bar;
  const items: MeasureItem[] = [];
  // Notes of a chord stand behind its first one, and nothing may come between.
  let chordAt = 0;
  for (const item of bar.items) {
    if (item.kind === 'note' && !item.isChordMember) chordAt = items.length;
    if (!isMarked(item)) {
      items.push(item);
      continue;
    }
    const words = marks.words.get(item.id);
    const colour = marks.colours.get(item.id);
    items.push(colour === undefined ? item : { ...item, xml: withAttribute(item.xml, 'color', colour) });
    if (words !== undefined) {
      items.splice(chordAt, 0, wordsOver(item, words));
      chordAt += 1;
    }
  }
  return { ...bar, items };
}

function wordsOver({ onset, staff }: NoteItem, words: string): MeasureItem {
  const said = element('direction-type', {}, [element('words', {}, [words])]);
  const node = element('direction', { placement: 'above' }, [said, element('staff', {}, [String(staff)])]);
  return { kind: 'carried', onset, node };
}
