import {
  childElements,
  element,
  firstChild,
  isElement,
  mapChildren,
  withChild,
  withChildren,
  withoutChildren,
  type XmlDocument,
  type XmlElement,
  type XmlNode,
  serialiseXml,
} from '../xml';
import { LETTERS, type PitchName } from '../pitch';
import { chordNames, readKey } from '../read';
import { assertNever, memoOf } from '../base';
import type { AttributesItem, HarmonyItem, KeySignature, Measure, MeasureItem, Part, Score } from '../score';
import { writeNote } from './write-note';

/** Writes a score as MusicXML. A score that was not changed gives the tree that was read. */
export function writeMusicXml(score: Score): string {
  return serialiseXml(scoreDocument(score));
}

/** The document of a score, with its parts in their places. */
export function scoreDocument(score: Score): XmlDocument {
  const parts = score.parts.values();
  const children = score.document.root.children.map((child): XmlNode => {
    if (!isElement(child) || child.name !== 'part') return child;
    const part = parts.next().value;
    return part ? withBars(part, writtenBar) : child;
  });
  return { ...score.document, root: withChildren(score.document.root, children) };
}

/** How one item becomes a node. */
export type ItemWriter = (item: MeasureItem) => XmlNode;

/** The element of a part, its bars filled in. */
export function writePart(part: Part, write: ItemWriter): XmlElement {
  return withBars(part, (measure) => writeMeasure(measure, write));
}

function withBars(part: Part, write: (measure: Measure) => XmlElement): XmlElement {
  const measures = part.measures.values();
  return mapChildren(part.xml, (child) => {
    if (child.name !== 'measure') return child;
    const measure = measures.next().value;
    return measure ? write(measure) : child;
  });
}

/** A bar as it is written into files. The same bar gives the same element. */
const writtenBar = memoOf((measure: Measure): XmlElement => writeMeasure(measure, writeItem));

function writeMeasure(measure: Measure, write: ItemWriter): XmlElement {
  return withChildren(measure.xml, measure.items.map(write));
}

/** The node of an item, with the typed values in place of those it was read with. */
export function writeItem(item: MeasureItem): XmlNode {
  switch (item.kind) {
    case 'note':
      return writeNote(item);
    case 'attributes':
      return writeAttributes(item);
    case 'harmony':
      return writeHarmony(item);
    case 'carried':
      return item.node;
    default:
      return assertNever(item);
  }
}

function writeAttributes(item: AttributesItem): XmlElement {
  const keys = item.keys.values();
  return mapChildren(item.xml, (child) => {
    if (child.name !== 'key') return child;
    const key = keys.next().value;
    return key ? writeKey(child, key) : child;
  });
}

function writeKey(xml: XmlElement, key: KeySignature): XmlElement {
  const asRead = readKey(xml, '');
  if (asRead.ok && asRead.value.fifths === key.fifths && asRead.value.mode === key.mode) return xml;
  // The signs to cancel, and the octaves they were drawn in, belonged to the signature that was there before.
  const bare = withoutChildren(xml, (child) => child.name === 'cancel' || child.name === 'key-octave');
  const fifths = withChild(bare, element('fifths', {}, [String(key.fifths)]), []);
  return key.mode === null ? fifths : withChild(fifths, element('mode', {}, [key.mode]), ['fifths']);
}

function writeHarmony(item: HarmonyItem): XmlElement {
  return writeChordNames(writeChordNames(item.xml, 'root', item.roots), 'bass', item.basses);
}

function writeChordNames(xml: XmlElement, kind: 'root' | 'bass', names: readonly PitchName[]): XmlElement {
  const asRead = chordNames(xml, kind);
  const isSame = asRead.every((name, i) => name.step === names[i]?.step && name.alter === names[i]?.alter);
  if (isSame || childElements(xml, kind).length !== names.length) return xml;
  const remaining = names.values();
  return mapChildren(xml, (child) => {
    if (child.name !== kind) return child;
    const name = remaining.next().value;
    return name ? chordName(child, kind, name) : child;
  });
}

function chordName(xml: XmlElement, kind: 'root' | 'bass', name: PitchName): XmlElement {
  const stepName = `${kind}-step`;
  const before = firstChild(xml, stepName);
  const step = { ...(before ?? element(stepName)), children: [{ kind: 'text' as const, text: LETTERS[name.step] }] };
  const withStep = withChild(xml, step, []);
  if (name.alter === 0) return withoutChildren(withStep, (child) => child.name === `${kind}-alter`);
  return withChild(withStep, element(`${kind}-alter`, {}, [String(name.alter)]), [stepName]);
}
