import {
  childText,
  element,
  isElement,
  textOf,
  withAttribute,
  withChild,
  withChildren,
  type XmlElement,
  type XmlNode,
} from '../xml';
import type { AttributesItem, Measure, MeasureItem, NoteItem, Part, Score } from '../score';
import { lcm } from '../time';

/** Ticks in a quarter that every length a teacher enters needs: 64th notes and triplets of 32nds. */
const ENTERED_TICKS = 48;

/** Elements of MusicXML that count in divisions. Source: MusicXML 4.0, type `divisions`. */
const IN_DIVISIONS = ['duration', 'offset'];

/** Makes a score ready to be changed: its grid is fine enough for every length that can be entered, written lengths count in ticks, and every
 * note says its id, so that what hangs on a note stays with it when others come before it. A score that is ready comes back as it is. */
export function readyToEdit(score: Score): Score {
  const ticks = lcm(score.ticksPerQuarter, ENTERED_TICKS);
  if (ticks === score.ticksPerQuarter && score.parts.every((part) => isReady(part, ticks))) return score;
  const finer = ticks / score.ticksPerQuarter;
  return { ...score, ticksPerQuarter: ticks, parts: score.parts.map((part) => readyPart(part, ticks, finer)) };
}

function isReady(part: Part, ticks: number): boolean {
  const items = part.measures.flatMap((measure) => measure.items);
  const divisions = items.flatMap((item) => (item.kind === 'attributes' ? [childText(item.xml, 'divisions')] : []));
  const isFine =
    divisions[0] === String(ticks) && divisions.every((text) => text === undefined || text === String(ticks));
  return isFine && items.every((item) => item.kind !== 'note' || item.xml.attributes['id'] === item.id);
}

function readyPart(part: Part, ticks: number, finer: number): Part {
  let divisions = 1;
  const measures = part.measures.map((measure, index): Measure => {
    const items = measure.items.map((item): MeasureItem => {
      if (item.kind === 'attributes') divisions = Number(childText(item.xml, 'divisions') ?? divisions);
      return readyItem(item, ticks, divisions, finer);
    });
    const opened = index === 0 ? withDivisions(items, ticks) : items;
    return { ...measure, lead: measure.lead * finer, length: measure.length * finer, items: opened };
  });
  return { ...part, measures };
}

function readyItem(item: MeasureItem, ticks: number, divisions: number, finer: number): MeasureItem {
  const onset = item.onset * finer;
  if (item.kind === 'carried') return { ...item, onset, node: inTicks(item.node, ticks, divisions) };
  if (item.kind === 'note') return readyNote(item, onset, inTicks(item.xml, ticks, divisions) as XmlElement, finer);
  return { ...item, onset, xml: inTicks(item.xml, ticks, divisions) as XmlElement };
}

function readyNote(note: NoteItem, onset: number, xml: XmlElement, finer: number): NoteItem {
  return { ...note, onset, duration: note.duration * finer, xml: withAttribute(xml, 'id', note.id) };
}

/** Counts what an element says in divisions in ticks instead. */
function inTicks(node: XmlNode, ticks: number, divisions: number): XmlNode {
  if (!isElement(node)) return node;
  if (node.name === 'divisions') return withChildren(node, [{ kind: 'text', text: String(ticks) }]);
  if (IN_DIVISIONS.includes(node.name))
    return withChildren(node, [{ kind: 'text', text: String((Number(textOf(node)) * ticks) / divisions) }]);
  const children = node.children.map((child) => inTicks(child, ticks, divisions));
  return children.every((child, i) => child === node.children[i]) ? node : withChildren(node, children);
}

/** A part that begins without saying how its lengths count says it now. */
function withDivisions(items: readonly MeasureItem[], ticks: number): readonly MeasureItem[] {
  const at = items.findIndex((item) => item.kind === 'attributes');
  const said = element('divisions', {}, [String(ticks)]);
  const first = items[at];
  if (first?.kind === 'attributes')
    return items.with(at, { ...first, xml: withChild(first.xml, said, ['footnote', 'level']) });
  const attributes: AttributesItem = {
    kind: 'attributes',
    onset: 0,
    xml: element('attributes', {}, [said]),
    keys: [],
    clefs: [],
    transposition: null,
  };
  return [attributes, ...items];
}
