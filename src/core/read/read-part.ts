import { err, ok, type Fault, type Remark, type Result } from '../base';
import { childText, firstChild, isElement, textOf, withChildren, type XmlElement } from '../xml';
import { nameAtFifths, stepOfLetter, type Letter, type PitchName } from '../pitch';
import type { HarmonyItem, Measure, MeasureItem, NoteItem, Part } from '../score';
import { barTicks, type Meter, type Ticks } from '../time';
import { parseFraction, ticksOf, type Fraction } from './durations';
import { readAttributes, readMeter } from './read-attributes';
import { readNote } from './read-note';

/** What reading a part takes along from bar to bar. */
interface Running {
  divisions: Fraction;
  meter: Meter;
  staves: number;
  previousGap: Ticks;
}

/** Gives each note without an id of its own one that is the same for the same file. */
export interface IdSource {
  readonly take: (own: string | undefined, bar: string) => string;
}

export interface PartReading {
  readonly part: Part;
  readonly remarks: readonly Remark[];
}

/** Reads one `<part>`. Errors: those of notes and attributes, `read.missing`, `read.bad-value`. */
export function readPart(
  xml: XmlElement,
  name: string,
  ticksPerQuarter: number,
  ids: IdSource,
): Result<PartReading, Fault> {
  const running: Running = {
    divisions: { over: 1, under: 1 },
    meter: { beats: 4, beatType: 4 },
    staves: 1,
    previousGap: 0,
  };
  const measures: Measure[] = [];
  const remarks: Remark[] = [];
  const unknown = new Map<string, { readonly bar: string; readonly count: number }>();
  const bars = xml.children.filter(isElement).filter((child) => child.name === 'measure');
  for (const [index, bar] of bars.entries()) {
    const measure = readMeasure(bar, index, { ticksPerQuarter, running, ids });
    if (!measure.ok) return measure;
    measures.push(measure.value);
    const isLast = index === bars.length - 1;
    unknownElements(measure.value, unknown);
    const remark = lengthRemark(measure.value, isLast, ticksPerQuarter, name || (xml.attributes['id'] ?? ''));
    if (remark) remarks.push(remark);
  }
  for (const [element, { bar, count }] of unknown) remarks.push({ code: 'carried-element', element, bar, count });
  const shell = withChildren(
    xml,
    xml.children.map((child) => (isElement(child) ? withChildren(child, []) : child)),
  );
  return ok({ part: { id: xml.attributes['id'] ?? '', name, staves: running.staves, xml: shell, measures }, remarks });
}

// eslint-disable-next-line max-lines-per-function -- one case an element of a measure, all of them moving the same place in time
function readMeasure(
  xml: XmlElement,
  index: number,
  {
    ticksPerQuarter,
    running,
    ids,
  }: { readonly ticksPerQuarter: number; readonly running: Running; readonly ids: IdSource },
): Result<Measure, Fault> {
  const number = xml.attributes['number'] ?? String(index + 1);
  const items: MeasureItem[] = [];
  let now: Ticks = 0;
  let chordOnset: Ticks = 0;
  let length: Ticks = 0;
  for (const child of xml.children) {
    if (!isElement(child)) {
      items.push({ kind: 'carried', onset: now, node: child });
      continue;
    }
    switch (child.name) {
      case 'attributes': {
        const read = readAttributesInto(child, now, number, running);
        if (!read.ok) return read;
        items.push(read.value);
        break;
      }
      case 'note': {
        const duration = noteDuration(child, number, running.divisions, ticksPerQuarter);
        if (!duration.ok) return duration;
        const isChordMember = firstChild(child, 'chord') !== undefined;
        const onset = isChordMember ? chordOnset : now;
        const note = readNote(child, {
          bar: number,
          id: ids.take(child.attributes['id'], number),
          onset,
          duration: duration.value,
        });
        if (!note.ok) return note;
        items.push(note.value);
        if (!isChordMember) {
          chordOnset = now;
          now += duration.value;
        }
        running.staves = Math.max(running.staves, note.value.staff);
        break;
      }
      case 'backup':
      case 'forward': {
        const duration = noteDuration(child, number, running.divisions, ticksPerQuarter);
        if (!duration.ok) return duration;
        items.push({ kind: 'carried', onset: now, node: child });
        now = child.name === 'forward' ? now + duration.value : Math.max(0, now - duration.value);
        break;
      }
      case 'harmony':
        items.push(readHarmony(child, now));
        break;
      default:
        items.push({ kind: 'carried', onset: now, node: child });
    }
    length = Math.max(length, now);
  }
  const full = barTicks(running.meter, ticksPerQuarter);
  const lead = leadOf(xml, { index, length, full, previousGap: running.previousGap });
  running.previousGap = Math.max(0, full - length - lead);
  return ok({ index, number, meter: running.meter, lead, length, xml: withChildren(xml, []), items });
}

function readAttributesInto(xml: XmlElement, onset: Ticks, bar: string, running: Running): Result<MeasureItem, Fault> {
  const divisionsText = childText(xml, 'divisions');
  if (divisionsText !== undefined) {
    const divisions = parseFraction(divisionsText);
    if (!divisions) {
      return err({
        code: 'read.bad-value',
        element: 'divisions',
        value: divisionsText,
        bar,
        at: { line: xml.line, column: xml.column },
      });
    }
    running.divisions = divisions;
  }
  const meter = readMeter(xml, bar);
  if (!meter.ok) return meter;
  running.meter = meter.value ?? running.meter;
  running.staves = Math.max(running.staves, Number(childText(xml, 'staves') ?? '1') || 1);
  return readAttributes(xml, onset, bar);
}

function noteDuration(
  xml: XmlElement,
  bar: string,
  divisions: Fraction,
  ticksPerQuarter: number,
): Result<Ticks, Fault> {
  if (firstChild(xml, 'grace')) return ok(0);
  const at = { line: xml.line, column: xml.column };
  const text = childText(xml, 'duration');
  if (text === undefined) return err({ code: 'read.missing', element: 'duration', inside: xml.name, bar, at });
  const value = parseFraction(text);
  if (!value) return err({ code: 'read.bad-value', element: 'duration', value: text, bar, at });
  return ok(ticksOf(value, divisions, ticksPerQuarter));
}

/** The silence in front of a pick-up: a first bar that is too short, or the second half of a bar that a repeat divides. */
function leadOf(
  xml: XmlElement,
  {
    index,
    length,
    full,
    previousGap,
  }: { readonly index: number; readonly length: Ticks; readonly full: Ticks; readonly previousGap: Ticks },
): Ticks {
  if (length >= full) return 0;
  if (index === 0) return full - length;
  const completes = xml.attributes['implicit'] === 'yes' && previousGap > 0;
  return completes ? full - previousGap : 0;
}

/** What stands in a bar besides notes, attributes and chord symbols. Source: MusicXML 4.0, `music-data`. */
const KNOWN_IN_BARS = [
  'direction',
  'barline',
  'backup',
  'forward',
  'print',
  'sound',
  'listening',
  'figured-bass',
  'grouping',
  'link',
  'bookmark',
];

function unknownElements(
  { number, items }: Measure,
  found: Map<string, { readonly bar: string; readonly count: number }>,
): void {
  for (const item of items) {
    if (item.kind !== 'carried' || !isElement(item.node) || KNOWN_IN_BARS.includes(item.node.name)) continue;
    const { name } = item.node;
    found.set(name, { bar: found.get(name)?.bar ?? number, count: (found.get(name)?.count ?? 0) + 1 });
  }
}

function lengthRemark(measure: Measure, isLast: boolean, ticksPerQuarter: number, part: string): Remark | null {
  const full = barTicks(measure.meter, ticksPerQuarter);
  const isIncomplete = measure.index === 0 || isLast || measure.xml.attributes['implicit'] === 'yes';
  if (measure.length === full || (isIncomplete && measure.length < full)) return null;
  const beats = (ticks: Ticks): string => String(Math.round((ticks / ticksPerQuarter) * 1000) / 1000);
  return { code: 'bar-length', bar: measure.number, part, expected: beats(full), found: beats(measure.length) };
}

function readHarmony(xml: XmlElement, onset: Ticks): HarmonyItem {
  return { kind: 'harmony', onset, xml, roots: chordNames(xml, 'root'), basses: chordNames(xml, 'bass') };
}

/** The roots or basses of a chord symbol. */
export function chordNames(xml: XmlElement, kind: 'root' | 'bass'): readonly PitchName[] {
  return xml.children
    .filter(isElement)
    .filter((child) => child.name === kind)
    .flatMap((child) => {
      const letter = textOf(firstChild(child, `${kind}-step`));
      if (!/^[A-G]$/.test(letter)) return [];
      const alter = Number(childText(child, `${kind}-alter`) ?? '0');
      return Number.isInteger(alter) && nameAtFifths(7 * alter).ok
        ? [{ step: stepOfLetter(letter as Letter), alter: alter + 0 }]
        : [];
    });
}

export function hasPitch(part: Part): boolean {
  return part.measures.some((measure) =>
    measure.items.some((item): item is NoteItem => item.kind === 'note' && item.pitch !== null),
  );
}
