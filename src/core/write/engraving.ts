import {
  element,
  mapChildren,
  withAttribute,
  withChildren,
  withoutAttributes,
  type XmlElement,
  type XmlNode,
  serialiseXml,
} from '../xml';
import { isRhythm, type MeasureItem, type Part, type Score } from '../score';
import { signatureLine } from '../notation';
import { noteTextWriter, type NoteTexts } from './note-texts';
import { onLines } from './rhythm-lines';
import { writePart } from './write-score';

/** One version of a piece on the engraved page. `prefix` keeps its note ids apart from those of the other versions;
 * `label` stands in front of its staves. */
export interface Layer {
  readonly score: Score;
  readonly prefix: string;
  readonly label: string;
  readonly texts: NoteTexts;
}

/** Music for the engraver. */
export interface EngravingPage {
  readonly musicXml: string;
  /** Key changes inside the piece at which the staves do not agree, as in a piece shown in two keys. */
  readonly keyChanges: readonly StaffKeyChange[];
}

/** A key change at the beginning of a bar, by its index: the signature of every staff of the page, from the top. */
export interface StaffKeyChange {
  readonly bar: number;
  readonly fifths: readonly number[];
}

/** Music for the engraver, as MusicXML: all layers as parts of one score, bar under bar and note under note.
 * Every note has an id: the layer's prefix and its own. `breaks` are the bar indexes where systems begin; each system
 * is a page of its own, so that it can be drawn by itself. The breaks, widths and credits of the files are left out, since they belong to another page. */
export function engravingPage(layers: readonly Layer[], breaks: readonly number[]): EngravingPage {
  const parts = layers.flatMap((layer) =>
    layer.score.parts.map((part) => ({ layer, part, id: `${layer.prefix}${part.id}` })),
  );
  const list = element(
    'part-list',
    {},
    parts.map(({ layer, part, id }) => scorePart(layer, part, id)),
  );
  const bodies = parts.map(({ layer, part, id }, i) => {
    const written = withAttribute(writePart(part, noteTextWriter(part, layer.prefix, layer.texts, breaks)), 'id', id);
    return preparePart(isRhythm(part) ? onLines(written) : written, i === 0 ? breaks : []);
  });
  const root = element('score-partwise', { version: '4.0' }, [list, ...bodies]);
  const musicXml = serialiseXml({ declaration: null, doctype: null, prolog: [], epilog: [], root });
  return { musicXml: withShortTexts(musicXml), keyChanges: keyChanges(parts.map(({ part }) => part)) };
}

/** A text of a page that is longer than this is cut to as much of it; the piece keeps all of it. Unit: letters. */
const MOST_LETTERS = 200;
const LONG_TEXT = />[^<]{201,}(?=<)/g;
const LONG_VALUE = /="[^"]{201,}(?=")/g;

/** Words of fifty thousand letters would keep the engraver busy for minutes, and stand beyond every page. */
function withShortTexts(musicXml: string): string {
  const cut = (text: string): string => `${text.slice(0, MOST_LETTERS).replace(/&[^;]*$/, '')}…`;
  return musicXml.replace(LONG_TEXT, cut).replace(LONG_VALUE, cut);
}

function keyChanges(parts: readonly Part[]): readonly StaffKeyChange[] {
  const isChange = (item: MeasureItem): boolean =>
    item.kind === 'attributes' && item.onset === 0 && item.keys.length > 0;
  const changing = parts.flatMap((part) =>
    part.measures.filter(({ index, items }) => index > 0 && items.some(isChange)).map(({ index }) => index),
  );
  const lines = parts.map((part) => ({ part, line: signatureLine(part) }));
  return [...new Set(changing)]
    .map((bar) => ({
      bar,
      fifths: lines.flatMap(({ part, line }) =>
        Array.from({ length: part.staves }, (_, i) => line.at(bar, 0, i + 1).fifths),
      ),
    }))
    .filter(({ fifths }) => new Set(fifths).size > 1);
}

function scorePart(layer: Layer, part: Part, id: string): XmlElement {
  const label = layer.score.parts.length > 1 ? `${part.name} ${layer.label}` : layer.label;
  return element('score-part', { id }, [element('part-name', {}, [label]), element('part-abbreviation', {}, [label])]);
}

function preparePart(part: XmlElement, breaks: readonly number[]): XmlElement {
  let index = -1;
  return mapChildren(part, (child) => {
    if (child.name !== 'measure') return child;
    index += 1;
    const bare = withoutAttributes(child, ['width', 'id']);
    const kept = bare.children.filter((node) => !(node.kind === 'element' && node.name === 'print'));
    const first: readonly XmlNode[] = breaks.includes(index) ? [element('print', { 'new-page': 'yes' })] : [];
    return withChildren(bare, [...first, ...kept]);
  });
}
