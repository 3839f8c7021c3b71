import { mapMeasures, type AttributesItem, type Measure, type MeasureItem, type Score } from '../score';
import { element, isElement, withChildren, type XmlElement } from '../xml';

/** What stands in front of `<staff-details>` in attributes. Source: MusicXML 4.0, `attributes`. */
const BEFORE_DETAILS = [
  'footnote',
  'level',
  'divisions',
  'key',
  'time',
  'staves',
  'part-symbol',
  'instruments',
  'clef',
];

/** The rhythm of both hands for the closed lid: each staff has one line. The notes keep their pitches, so that fingers and places stay what they are; whoever
 * draws a staff of one line draws them on it. */
export function asRhythm(score: Score, partId: string): Score {
  return mapMeasures(score, (measure, part) =>
    part.id === partId && measure.index === 0 ? withOneLine(measure, part.staves) : measure,
  );
}

function withOneLine(measure: Measure, staves: number): Measure {
  const at = measure.items.findIndex((item) => item.kind === 'attributes' && item.onset === 0);
  const present = measure.items[at];
  const attributes: AttributesItem =
    present?.kind === 'attributes'
      ? present
      : { kind: 'attributes', onset: 0, xml: element('attributes'), keys: [], clefs: [], transposition: null };
  const others = attributes.xml.children.filter((node) => !(isElement(node) && node.name === 'staff-details'));
  const place = others.findLastIndex((node) => isElement(node) && BEFORE_DETAILS.includes(node.name)) + 1;
  const details = Array.from({ length: Math.max(1, staves) }, (_, i) => staffOfOneLine(i + 1));
  const xml = withChildren(attributes.xml, others.toSpliced(place, 0, ...details));
  const drawn: MeasureItem = { ...attributes, xml };
  return { ...measure, items: at >= 0 ? measure.items.with(at, drawn) : [drawn, ...measure.items] };
}

function staffOfOneLine(number: number): XmlElement {
  return element('staff-details', { number: String(number) }, [element('staff-lines', {}, ['1'])]);
}
