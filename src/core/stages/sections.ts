import { notationsOf } from '../edit';
import { notesOf, type Measure, type Part } from '../score';
import { childElements, childText, firstChild, isElement } from '../xml';
import { inOrderOnce, type Subject } from './subject';

/** Bars of a line where the file has no lines of its own. Common practice in beginners' books. */
const BARS_A_LINE = 4;

/** The lines of a piece as bar indexes: as its file breaks them, else four bars each. A pick-up belongs to the first; a last line of one bar to the one before.
 * Empty where there is only one. */
export function linesOf({ part }: Pick<Subject, 'part'>): readonly (readonly number[])[] {
  const printed = part.measures.filter(beginsLine).map(({ index }) => index);
  const begins = printed.some((index) => index > 0) ? inOrderOnce([0, ...printed]) : countedLines(part);
  return sections(begins, part.measures.length);
}

function beginsLine({ items }: Measure): boolean {
  return items.some(
    (item) =>
      item.kind === 'carried' &&
      isElement(item.node) &&
      item.node.name === 'print' &&
      (item.node.attributes['new-system'] === 'yes' || item.node.attributes['new-page'] === 'yes'),
  );
}

function countedLines({ measures }: Part): readonly number[] {
  const pickup = (measures[0]?.lead ?? 0) > 0 ? 1 : 0;
  const begins = measures.flatMap(({ index }) =>
    (index - pickup) % BARS_A_LINE === 0 && index > pickup ? [index] : [],
  );
  const last = begins.at(-1);
  return [0, ...(last !== undefined && measures.length - last < 2 ? begins.slice(0, -1) : begins)];
}

function sections(begins: readonly number[], count: number): readonly (readonly number[])[] {
  if (begins.length < 2) return [];
  return begins.map((from, i) => Array.from({ length: (begins[i + 1] ?? count) - from }, (_, at) => from + at));
}

/** The phrases of a piece as bar indexes, as slurs, fermatas, double bars and repeats mark their ends. Empty where nothing marks them. */
export function phrasesOf({ part, struck }: Pick<Subject, 'part' | 'struck'>): readonly (readonly number[])[] {
  const last = part.measures.length - 1;
  const ends = part.measures
    .filter((measure) => measure.index < last && endsPhrase(measure, part, struck))
    .map(({ index }) => index);
  const begins = [0, ...ends.map((end) => end + 1)];
  const found = sections(begins, part.measures.length);
  // A slur over a bar or two is a gesture within a phrase.
  return found.length > 1 && found.every((bars) => bars.length >= 2) ? found : [];
}

function endsPhrase(measure: Measure, part: Part, struck: Subject['struck']): boolean {
  if (endsSection(measure)) return true;
  const upper = struck.filter(({ barIndex, item }) => barIndex === measure.index && item.staff === 1);
  const final = upper.at(-1);
  if (!final) return false;
  const marks = notationsOf(final.item.xml);
  const stops = marks.some(({ name, attributes }) => name === 'slur' && attributes['type'] === 'stop');
  const isLastOfBar = final.item.onset + final.duration >= measure.length;
  return marks.some(({ name }) => name === 'fermata') || (stops && isLastOfBar && slurBars(part, measure.index) >= 2);
}

/** Over how many bars the slur goes that ends in a bar of the upper staff. */
function slurBars(part: Part, index: number): number {
  for (let bar = index; bar >= 0; bar -= 1) {
    const starts = notesOf({ ...part, measures: part.measures.slice(bar, bar + 1) }).some(
      ({ staff, xml }) =>
        staff === 1 &&
        notationsOf(xml).some(({ name, attributes }) => name === 'slur' && attributes['type'] === 'start'),
    );
    if (starts) return index - bar + 1;
  }
  return 0;
}

function endsSection({ items }: Measure): boolean {
  return items.some(
    (item) =>
      item.kind === 'carried' &&
      isElement(item.node) &&
      item.node.name === 'barline' &&
      (childText(item.node, 'bar-style') === 'light-light' ||
        firstChild(item.node, 'repeat')?.attributes['direction'] === 'backward' ||
        childElements(item.node, 'fermata').length > 0),
  );
}
