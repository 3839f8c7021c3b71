import { withoutBars, withTies } from '../edit';
import {
  tiedFrom,
  mapMeasures,
  handNotes,
  type CarriedItem,
  type Finger,
  type Measure,
  type MeasureItem,
  type NoteId,
  type NoteItem,
  type Part,
  type Score,
} from '../score';
import { childElements, element, firstChild, isElement, withChildren, withoutChildren, type XmlElement } from '../xml';

/** Keeps some bars of a piece, by their indexes, under the numbers they have. Signatures, clefs and the tempo that hold go on; repeats and jumps go, since
 * a choice of bars is no form; a double bar line stands where bars were left out. A note that is tied on from a bar that is gone is struck, with its finger. */
export function keepBars(score: Score, partId: string, bars: readonly number[]): Score {
  const wanted = new Set(bars);
  const count = Math.max(...score.parts.map(({ measures }) => measures.length));
  const gone = Array.from({ length: count }, (_, i) => i).filter((i) => !wanted.has(i));
  if (gone.length === 0 || gone.length === count) return score;
  const kept = bars.filter((bar) => bar >= 0 && bar < count).toSorted((a, b) => a - b);
  const tied = fingersOfTies(score, partId);
  const prepared = mapMeasures(score, (measure, part) =>
    wanted.has(measure.index) ? cutBar(measure, part, { kept, tied }) : measure,
  );
  const left = runs(gone).reduceRight((at, [from, length]) => withoutBars(at, from, length), prepared);
  return withTempoInFront(left, score, kept);
}

/** Neighbouring numbers as runs: where each begins and how long it is. */
function runs(numbers: readonly number[]): readonly (readonly [from: number, length: number])[] {
  const found: [number, number][] = [];
  for (const number of numbers) {
    const last = found.at(-1);
    if (last && last[0] + last[1] === number) last[1] += 1;
    else found.push([number, 1]);
  }
  return found;
}

/** The fingers of the notes that tied ones begin with: a tied note may be the first that is left of it. */
function fingersOfTies(score: Score, partId: string): ReadonlyMap<NoteId, readonly Finger[]> {
  const part = score.parts.find(({ id }) => id === partId);
  const notes = part ? handNotes(part, score.ticksPerQuarter) : [];
  if (notes.every(({ tieStop }) => !tieStop)) return new Map();
  const fingers = new Map(notes.map(({ id, item }) => [id, item.fingers]));
  return new Map([...tiedFrom(notes)].map(([id, head]) => [id, fingers.get(head) ?? []]));
}

function mapNotes(measure: Measure, change: (note: NoteItem) => NoteItem): Measure {
  const items = measure.items.map((item) => (item.kind === 'note' ? change(item) : item));
  return items.every((item, i) => item === measure.items[i]) ? measure : { ...measure, items };
}

/** A bar that stays, cut off from what goes on its left and right. */
function cutBar(
  measure: Measure,
  part: Part,
  { kept, tied }: { readonly kept: readonly number[]; readonly tied: ReadonlyMap<NoteId, readonly Finger[]> },
): Measure {
  const { index } = measure;
  const isLast = index === kept.at(-1);
  const isCutBefore = index > 0 && !kept.includes(index - 1);
  const isCutAfter = isLast ? index < part.measures.length - 1 : !kept.includes(index + 1);
  const loosened = mapNotes(measure, (note) => {
    const cut = untied(note, measure, { isCutBefore, isCutAfter });
    const isStruckNow = note.tieStop && !cut.tieStop && note.fingers.length === 0;
    return isStruckNow ? { ...cut, fingers: tied.get(note.id) ?? [] } : cut;
  });
  const formless = { ...loosened, items: loosened.items.flatMap(withoutForm) };
  if (!isCutAfter && !isLast) return formless;
  return withEndLine(formless, isLast ? 'light-heavy' : 'light-light');
}

function untied(
  note: NoteItem,
  { length }: Measure,
  { isCutBefore, isCutAfter }: { readonly isCutBefore: boolean; readonly isCutAfter: boolean },
): NoteItem {
  const stop = note.tieStop && !(isCutBefore && note.onset === 0);
  const start = note.tieStart && !(isCutAfter && note.onset + note.duration >= length);
  return withTies(note, stop, start);
}

/** What makes the form of a whole piece: repeats, endings, jumps and their signs. */
const JUMPS = ['dacapo', 'dalsegno', 'fine', 'tocoda', 'segno', 'coda'];

function withoutForm(item: MeasureItem): readonly MeasureItem[] {
  if (item.kind !== 'carried' || !isElement(item.node)) return [item];
  const { node } = item;
  if (node.name === 'barline') {
    const bare = withoutChildren(
      node,
      ({ name }) => name === 'repeat' || name === 'ending' || name === 'segno' || name === 'coda',
    );
    const isHeavy = firstChild(node, 'repeat') !== undefined;
    const plain = isHeavy ? withoutChildren(bare, ({ name }) => name === 'bar-style') : bare;
    return childElements(plain).length === 0 ? [] : [plain === node ? item : { ...item, node: plain }];
  }
  return isJump(node) ? [] : [item];
}

function isJump(node: XmlElement): boolean {
  const sound = node.name === 'sound' ? node : firstChild(node, 'sound');
  if (sound && JUMPS.some((name) => sound.attributes[name] !== undefined)) return true;
  return childElements(node, 'direction-type').some((type) => firstChild(type, 'segno') ?? firstChild(type, 'coda'));
}

function withEndLine(measure: Measure, style: 'light-light' | 'light-heavy'): Measure {
  const styled = element('bar-style', {}, [style]);
  const others = measure.items.filter((item) => !isRightBarline(item));
  const old = measure.items.find((item): item is CarriedItem => isRightBarline(item));
  const line: CarriedItem = {
    kind: 'carried',
    onset: measure.length,
    node:
      old && isElement(old.node)
        ? withChildren(old.node, [
            styled,
            ...old.node.children.filter((node) => !(isElement(node) && node.name === 'bar-style')),
          ])
        : element('barline', { location: 'right' }, [styled]),
  };
  return { ...measure, items: [...others, line] };
}

function isRightBarline(item: MeasureItem): boolean {
  return (
    item.kind === 'carried' &&
    isElement(item.node) &&
    item.node.name === 'barline' &&
    (item.node.attributes['location'] ?? 'right') === 'right'
  );
}

/** The tempo that holds where the first bar that is kept begins, if it was said in a bar that is gone. */
function withTempoInFront(left: Score, whole: Score, kept: readonly number[]): Score {
  const [first] = kept;
  const said = whole.parts[0]?.measures
    .slice(0, first)
    .flatMap(({ items }) => items)
    .findLast(isTempo);
  if (!said) return left;
  const at = left.parts[0]?.measures[0];
  if (!at || at.items.some((item) => item.onset === 0 && isTempo(item))) return left;
  const place = at.items.findIndex((item) => item.kind === 'note');
  const items = at.items.toSpliced(Math.max(0, place), 0, { ...said, onset: 0 });
  const [part, ...parts] = left.parts as [Part, ...Part[]];
  return { ...left, parts: [{ ...part, measures: part.measures.with(0, { ...at, items }) }, ...parts] };
}

function isTempo(item: MeasureItem): boolean {
  if (item.kind !== 'carried' || !isElement(item.node)) return false;
  const sound = item.node.name === 'sound' ? item.node : firstChild(item.node, 'sound');
  return sound?.attributes['tempo'] !== undefined;
}
