import { memoOf } from '../base';
import { childElements, childText, isElement, type XmlElement } from '../xml';
import { intervalOf, midiNumber, transposeBy, type Interval, type Pitch } from '../pitch';
import { barTicks, beatAt, type Ticks } from '../time';
import { ledgerLines } from './clef';
import type { Clef, Finger, Hand, Measure, MeasureItem, NoteId, NoteItem, Part, Score, Transposition } from './score';

/** A note as a hand plays it: sounding pitch, times counted from the beginning of the piece, ties still apart. */
export interface HandNote {
  readonly id: NoteId;
  readonly hand: Hand;
  readonly pitch: Pitch;
  readonly midi: number;
  readonly barIndex: number;
  readonly bar: string;
  readonly beat: number;
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly isGrace: boolean;
  readonly tieStop: boolean;
  readonly tieStart: boolean;
  readonly finger: Finger | null;
  readonly slurBegins: boolean;
  readonly slurEnds: boolean;
  readonly detached: boolean;
  readonly ledgerLines: number;
  readonly item: NoteItem;
}

/** The part that is the pupil's: the one asked for by id or number (from 1), else the first with two staves, else the first. */
export function pupilPart(score: Score, wanted: string | null): Part | undefined {
  if (wanted !== null) {
    return score.parts.find((part) => part.id === wanted) ?? score.parts[Number(wanted) - 1];
  }
  return score.parts.find((part) => part.staves >= 2) ?? score.parts[0];
}

/** Which hands a part has. Two staves or more: both; one staff: the left where it begins in a bass clef. */
export function handsOf(part: Part): readonly Hand[] {
  if (part.staves >= 2) return ['right', 'left'];
  return firstClef(part)?.sign === 'F' ? ['left'] : ['right'];
}

/** The hand that plays a staff: the uppermost is the right hand's, the others the left's. */
export function handOfStaff(part: Part, staff: number): Hand {
  if (part.staves < 2) return handsOf(part)[0] as Hand;
  return staff === 1 ? 'right' : 'left';
}

/** How a transposing part sounds; nothing for one that sounds as written. */
export function soundingShift(part: Part): Transposition {
  for (const measure of part.measures) {
    for (const item of measure.items) {
      if (item.kind === 'attributes' && item.transposition) return item.transposition;
    }
  }
  return { steps: 0, semitones: 0 };
}

/** All pitched notes of a part in order of time, cue notes left out. Within one moment, low notes come first. */
export function handNotes(part: Part, ticksPerQuarter: number): readonly HandNote[] {
  const shift = soundingShift(part);
  const toSounding = intervalOf(shift.steps, shift.semitones);
  const clefs = new Map<number, Clef>();
  const notes: HandNote[] = [];
  let start = 0;
  for (const [i, measure] of part.measures.entries()) {
    start += leftOutBefore(part.measures[i - 1], measure, ticksPerQuarter);
    for (const item of measure.items) {
      if (item.kind === 'attributes') item.clefs.forEach((clef) => clefs.set(clef.staff, clef));
      if (item.kind !== 'note' || !item.pitch || item.isCue) continue;
      const pitch = soundingPitch(item.pitch, toSounding);
      const marks = marksOf(item);
      notes.push({
        id: item.id,
        hand: handOfStaff(part, item.staff),
        pitch,
        midi: midiNumber(pitch),
        barIndex: measure.index,
        bar: measure.number,
        beat: rounded(beatAt(item.onset, measure.lead, measure.meter, ticksPerQuarter)),
        onset: start + item.onset,
        duration: item.duration,
        isGrace: item.isGrace,
        tieStop: item.tieStop,
        tieStart: item.tieStart,
        finger: item.fingers[0] ?? null,
        slurBegins: marks.some((mark) => isSlur(mark, 'start')),
        slurEnds: marks.some((mark) => isSlur(mark, 'stop')),
        detached: marks.some(isDetachedMark),
        ledgerLines: ledgerLines(item.pitch, clefs.get(item.staff)),
        item,
      });
    }
    start += measure.length;
  }
  // Grace notes keep the order in which they are written: they are played one after the other.
  return notes.sort(
    (a, b) => a.onset - b.onset || Number(b.isGrace) - Number(a.isGrace) || (a.isGrace ? 0 : a.midi - b.midi),
  );
}

/** The time of bars that were left out in front of one: between bars 3 and 7 of a drill the hand has all the time that it had in the piece. A double bar line and
 * a jump in the numbers together say so; either alone says nothing. */
export function leftOutBefore(before: Measure | undefined, measure: Measure, ticksPerQuarter: number): Ticks {
  const [last, next] = [before?.number ?? '', measure.number];
  if (!before || !/^\d+$/.test(last) || !/^\d+$/.test(next) || !before.items.some(isDoubleLine)) return 0;
  return Math.max(0, Number(next) - Number(last) - 1) * barTicks(before.meter, ticksPerQuarter);
}

function isDoubleLine(item: MeasureItem): boolean {
  return (
    item.kind === 'carried' &&
    isElement(item.node) &&
    item.node.name === 'barline' &&
    childText(item.node, 'bar-style') === 'light-light'
  );
}

/** Thirds of a beat have no exact decimal: six places tell them apart and print well. */
function rounded(beat: number): number {
  return Math.round(beat * 1e6) / 1e6;
}

/** It is asked for with every note. */
const firstClef = memoOf((part: Part): Clef | undefined => {
  for (const { items } of part.measures)
    for (const item of items) if (item.kind === 'attributes' && item.clefs[0]) return item.clefs[0];
  return undefined;
});

function soundingPitch(written: Pitch, toSounding: Interval): Pitch {
  if (toSounding.fifths === 0 && toSounding.octaves === 0) return written;
  const sounding = transposeBy(written, toSounding);
  return sounding.ok ? sounding.value : written;
}

function isSlur({ name, attributes }: XmlElement, type: 'start' | 'stop'): boolean {
  return name === 'slur' && attributes['type'] === type;
}

function isDetachedMark(mark: XmlElement): boolean {
  return (
    mark.name === 'articulations' &&
    childElements(mark).some(({ name }) => name === 'staccato' || name === 'staccatissimo')
  );
}

function marksOf(item: NoteItem): readonly XmlElement[] {
  return childElements(item.xml, 'notations').flatMap((group) => childElements(group));
}
