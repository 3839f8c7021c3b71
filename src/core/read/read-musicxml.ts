import { err, ok, type Fault, type Remark, type Result } from '../base';
import {
  childAt,
  childElements,
  childText,
  isElement,
  textOf,
  withChildren,
  type XmlDocument,
  type XmlElement,
  parseXml,
} from '../xml';
import type { Part, Score } from '../score';
import { commonTicks, parseFraction, type Fraction } from './durations';
import { MAX_BARS, tooManyBars } from './limits';
import { hasPitch, readPart, type IdSource } from './read-part';
import { toPartwise } from './timewise';

/** A score, and what was doubtful in the file but kept. */
export interface Reading {
  readonly score: Score;
  readonly remarks: readonly Remark[];
  /** Whether the signs of print are in the score, or have still to be drawn by the bar rule. */
  readonly signs: 'drawn' | 'to-draw';
  /** What a piece file of ours holds beside the music. */
  readonly carried: Readonly<Record<string, unknown>>;
}

/** Reads MusicXML 3.0 to 4.0, part-wise or time-wise. Nothing in the file is left out of the score.
 * Errors: the `read.*` codes, with line and column. */
export function readMusicXml(text: string): Result<Reading, Fault> {
  const parsed = parseXml(text);
  return parsed.ok ? readDocument(parsed.value) : parsed;
}

/** Reads MusicXML like `readMusicXml`, and also what has no notes yet. */
export function readDraft(text: string): Result<Reading, Fault> {
  const parsed = parseXml(text);
  return parsed.ok ? readParts(parsed.value) : parsed;
}

/** Reads a MusicXML document that was parsed, or composed by one of the other readers. */
export function readDocument(parsed: XmlDocument): Result<Reading, Fault> {
  const reading = readParts(parsed);
  return reading.ok && !reading.value.score.parts.some(hasPitch) ? err({ code: 'read.no-notes' }) : reading;
}

function readParts(parsed: XmlDocument): Result<Reading, Fault> {
  const document = toPartwise(parsed);
  const { root } = document;
  if (root.name !== 'score-partwise') {
    return err({ code: 'read.not-a-score', rootName: root.name, at: { line: root.line, column: root.column } });
  }
  const partElements = childElements(root, 'part');
  const longest = Math.max(0, ...partElements.map((part) => childElements(part, 'measure').length));
  if (longest > MAX_BARS) return tooManyBars(MAX_BARS);
  const ticksPerQuarter = ticksFor(partElements);
  if (ticksPerQuarter === null) {
    return err({
      code: 'read.bad-value',
      element: 'divisions',
      value: 'many different',
      bar: '1',
      at: { line: root.line, column: root.column },
    });
  }
  const remarks: Remark[] = [];
  const ids = idSource(partElements, remarks);
  const parts: Part[] = [];
  for (const xml of partElements) {
    const read = readPart(xml, partName(root, xml.attributes['id'] ?? ''), ticksPerQuarter, ids);
    if (!read.ok) return read;
    parts.push(read.value.part);
    remarks.push(...read.value.remarks);
  }
  return ok({
    score: { ...headings(document), document: emptied(document), ticksPerQuarter, parts },
    remarks,
    signs: 'drawn',
    carried: {},
  });
}

function headings(document: XmlDocument): Pick<Score, 'title' | 'composer'> {
  const { root } = document;
  const title =
    textOf(childAt(root, 'work', 'work-title')) || textOf(childAt(root, 'movement-title')) || creditTitle(root);
  const creators = childElements(childAt(root, 'identification') ?? root, 'creator');
  const composer = creators.find((creator) => creator.attributes['type'] === 'composer');
  return { title, composer: textOf(composer) };
}

function creditTitle(root: XmlElement): string {
  const credit = childElements(root, 'credit').find((item) => childText(item, 'credit-type') === 'title');
  return textOf(credit && childAt(credit, 'credit-words'));
}

function partName(root: XmlElement, id: string): string {
  const entries = childElements(childAt(root, 'part-list') ?? root, 'score-part');
  return textOf(childAt(entries.find((entry) => entry.attributes['id'] === id) ?? root, 'part-name'));
}

/** The document without the contents of its parts: they are kept once, in the typed parts. */
function emptied(document: XmlDocument): XmlDocument {
  const children = document.root.children.map((child) =>
    isElement(child) && child.name === 'part' ? withChildren(child, []) : child,
  );
  return { ...document, root: withChildren(document.root, children) };
}

function ticksFor(parts: readonly XmlElement[]): number | null {
  const divisions: Fraction[] = [{ over: 1, under: 1 }];
  const unders: number[] = [];
  for (const item of parts.flatMap((part) => childElements(part, 'measure')).flatMap((bar) => childElements(bar))) {
    const isAttributes = item.name === 'attributes';
    const value = parseFraction(childText(item, isAttributes ? 'divisions' : 'duration') ?? '');
    if (value && isAttributes) divisions.push(value);
    else if (value) unders.push(value.under);
  }
  return commonTicks(divisions, [...new Set(unders)]);
}

function idSource(parts: readonly XmlElement[], remarks: Remark[]): IdSource {
  const notes = parts.flatMap((part) => childElements(part, 'measure')).flatMap((bar) => childElements(bar, 'note'));
  const own = new Set(notes.map((note) => note.attributes['id']));
  const taken = new Set<string>();
  let count = 0;
  return {
    take(id, bar) {
      if (id !== undefined && id !== '' && !taken.has(id)) {
        taken.add(id);
        return id;
      }
      if (id) remarks.push({ code: 'duplicate-id', bar, id });
      do count += 1;
      while (own.has(`n${count}`));
      return `n${count}`;
    },
  };
}
