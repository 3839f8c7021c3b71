import { element, type XmlElement } from '../xml';
import { pitchText } from '../pitch';
import { pitchElement } from '../score';
import { beatTicks, noteValue, splitLength, type Meter, type NoteValue } from '../time';
import type { Beam } from './beams';
import { chordElement } from './chord-symbol';
import {
  PLAIN_TICKS,
  type PlainBar,
  type PlainEvent,
  type PlainLyric,
  type PlainNote,
  type PlainTuplet,
} from './plain-piece';

/** What goes on from note to note in a voice. */
export interface NoteState {
  readonly openSlurs: number[];
  readonly openTies: Set<string>;
}

export interface NotePlacing {
  readonly staff: number;
  readonly voice: number;
  readonly bar: PlainBar;
  readonly meter: Meter;
  readonly beam: Beam | null;
  readonly isWholeRest: boolean;
}

const text = (name: string, value: string | number): XmlElement => element(name, {}, [String(value)]);

/** The elements of an event: chord symbol, dynamics and words, grace notes, then the notes themselves; a length that no
 * single value holds is written as several notes tied together. */
export function noteElements(event: PlainEvent, placing: NotePlacing, state: NoteState): readonly XmlElement[] {
  const elements: XmlElement[] = [];
  if (event.chordSymbol) elements.push(chordElement(event.chordSymbol, placing.staff));
  if (event.dynamic !== null)
    elements.push(direction(element('dynamics', {}, [element(event.dynamic)]), 'below', placing.staff));
  if (event.words !== null) elements.push(direction(text('words', event.words), 'above', placing.staff));
  for (const grace of event.graces) elements.push(graceElement(grace, placing));
  const pieces = valuesOf(event, placing);
  pieces.forEach((value, i) => {
    const isFirst = i === 0;
    const isLast = i === pieces.length - 1;
    elements.push(...chordNotes(event, value, { part: { isFirst, isLast }, placing, state }));
  });
  return elements;
}

interface TimedValue extends NoteValue {
  readonly time: number;
}

function valuesOf(event: PlainEvent, { bar, meter }: NotePlacing): readonly TimedValue[] {
  const { tuplet, duration } = event;
  const printed = tuplet ? (duration * tuplet.actual) / tuplet.normal : duration;
  const whole = noteValue(printed, PLAIN_TICKS);
  if (whole) return [{ ...whole, time: duration }];
  const values = splitLength(printed, event.onset - bar.start, beatTicks(meter, PLAIN_TICKS), PLAIN_TICKS);
  return values.map((value) => ({
    ...value,
    time: tuplet ? (value.ticks * tuplet.normal) / tuplet.actual : value.ticks,
  }));
}

/** Which note of a tied length is written, and where it stands. */
interface ChordPlace {
  readonly part: { readonly isFirst: boolean; readonly isLast: boolean };
  readonly placing: NotePlacing;
  readonly state: NoteState;
}

function chordNotes(event: PlainEvent, value: TimedValue, place: ChordPlace): readonly XmlElement[] {
  const { part, placing, state } = place;
  if (event.notes.length === 0) return [restElement(event, value, place)];
  const slurs = slurMarks(event, part, state);
  return event.notes.map((note, i) => {
    const name = pitchText(note.pitch);
    const isTiedIn = state.openTies.delete(name);
    const isTiedOn = note.tiesOn || !part.isLast;
    if (isTiedOn) state.openTies.add(name);
    const ties = [...(isTiedIn ? ['stop'] : []), ...(isTiedOn ? ['start'] : [])];
    const marks = [
      ...ties.map((type) => element('tied', { type })),
      ...(i === 0 ? [...slurs, ...tupletMarks(event.tuplet, part)] : []),
      ...(part.isFirst ? fingeringMarks(note, placing) : []),
      ...(i === 0 ? chordMarks(event, part) : []),
    ];
    return element('note', {}, [
      ...(i > 0 ? [element('chord')] : []),
      pitchElement(note.pitch),
      text('duration', value.time),
      ...ties.map((type) => element('tie', { type })),
      ...typeElements(value, placing),
      ...timingElements(event),
      text('staff', placing.staff),
      ...(i === 0 ? beamElements(placing.beam, value) : []),
      ...notations(marks),
      ...(i === 0 && part.isFirst ? event.lyrics.map(lyricElement) : []),
    ]);
  });
}

function restElement(event: PlainEvent, value: TimedValue, { part, placing }: ChordPlace): XmlElement {
  return element('note', {}, [
    element('rest', placing.isWholeRest ? { measure: 'yes' } : {}),
    text('duration', value.time),
    ...typeElements(value, placing),
    ...timingElements(event),
    text('staff', placing.staff),
    ...notations(tupletMarks(event.tuplet, part)),
  ]);
}

function typeElements(value: TimedValue, { voice, isWholeRest }: NotePlacing): readonly XmlElement[] {
  const printed = isWholeRest
    ? []
    : [text('type', value.type), ...Array.from({ length: value.dots }, () => element('dot'))];
  return [text('voice', voice), ...printed];
}

function timingElements({ tuplet }: PlainEvent): readonly XmlElement[] {
  if (!tuplet) return [];
  return [element('time-modification', {}, [text('actual-notes', tuplet.actual), text('normal-notes', tuplet.normal)])];
}

function fingeringMarks({ finger }: PlainNote, { staff }: NotePlacing): readonly XmlElement[] {
  if (finger === null) return [];
  const placement = staff === 1 ? 'above' : 'below';
  return [element('technical', {}, [element('fingering', { placement }, [String(finger)])])];
}

/** What stands at the chord as a whole: articulations at its beginning, a fermata at its end. */
function chordMarks({ articulations, hasFermata }: PlainEvent, part: ChordPlace['part']): readonly XmlElement[] {
  const marks = articulations.map((mark) => element(mark));
  return [
    ...(part.isFirst && marks.length > 0 ? [element('articulations', {}, marks)] : []),
    ...(part.isLast && hasFermata ? [element('fermata', { type: 'upright' })] : []),
  ];
}

function notations(marks: readonly XmlElement[]): readonly XmlElement[] {
  return marks.length === 0 ? [] : [element('notations', {}, marks)];
}

function slurMarks(
  event: PlainEvent,
  part: { readonly isFirst: boolean; readonly isLast: boolean },
  { openSlurs }: NoteState,
): readonly XmlElement[] {
  const marks: XmlElement[] = [];
  if (part.isLast) {
    for (let i = 0; i < event.slurStops; i += 1) {
      const number = openSlurs.pop();
      if (number !== undefined) marks.push(element('slur', { type: 'stop', number: String(number) }));
    }
  }
  if (part.isFirst) {
    for (let i = 0; i < event.slurStarts; i += 1) {
      const number = [1, 2, 3, 4, 5, 6].find((free) => !openSlurs.includes(free)) ?? 1;
      openSlurs.push(number);
      marks.push(element('slur', { type: 'start', number: String(number) }));
    }
  }
  return marks;
}

function tupletMarks(
  tuplet: PlainTuplet | null,
  part: { readonly isFirst: boolean; readonly isLast: boolean },
): readonly XmlElement[] {
  return [
    ...(tuplet?.begins && part.isFirst ? [element('tuplet', { type: 'start', number: '1' })] : []),
    ...(tuplet?.ends && part.isLast ? [element('tuplet', { type: 'stop', number: '1' })] : []),
  ];
}

/** How many beams a value has; one beam is written for all, the finer ones follow from the first. */
function beamElements(beam: Beam | null, { type }: NoteValue): readonly XmlElement[] {
  if (beam === null) return [];
  const count = ['eighth', '16th', '32nd', '64th', '128th'].indexOf(type) + 1;
  return count === 0 ? [] : [element('beam', { number: '1' }, [beam])];
}

function graceElement(grace: PlainNote, placing: NotePlacing): XmlElement {
  return element('note', {}, [
    element('grace', { slash: 'yes' }),
    pitchElement(grace.pitch),
    text('voice', placing.voice),
    text('type', 'eighth'),
    text('staff', placing.staff),
    ...notations(fingeringMarks(grace, placing)),
  ]);
}

function lyricElement(lyric: PlainLyric, i: number): XmlElement {
  return element('lyric', { number: String(i + 1) }, [
    text('syllabic', lyric.syllabic),
    text('text', lyric.text),
    ...(lyric.extends ? [element('extend')] : []),
  ]);
}

function direction(inside: XmlElement, placement: 'above' | 'below', staff: number): XmlElement {
  return element('direction', { placement }, [element('direction-type', {}, [inside]), text('staff', staff)]);
}
