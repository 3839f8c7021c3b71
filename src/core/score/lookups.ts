import { childElements, childText } from '../xml';
import type { AttributesItem, KeySignature, Measure, MeasureItem, NoteItem, Part, Score } from './score';

/** Changes every measure of every part. */
export function mapMeasures(score: Score, change: (measure: Measure, part: Part) => Measure): Score {
  return {
    ...score,
    parts: score.parts.map((part) => ({ ...part, measures: part.measures.map((measure) => change(measure, part)) })),
  };
}

/** All items of a part in the document's order. */
export function itemsOf(part: Part): readonly MeasureItem[] {
  return part.measures.flatMap((measure) => measure.items);
}

export function notesOf(part: Part): readonly NoteItem[] {
  return itemsOf(part).filter((item): item is NoteItem => item.kind === 'note');
}

export function attributesOf(part: Part): readonly AttributesItem[] {
  return itemsOf(part).filter((item): item is AttributesItem => item.kind === 'attributes');
}

/** The signature a part begins with; none printed counts as none. */
export function firstSignature(part: Part): KeySignature {
  const found = attributesOf(part).flatMap((item) => item.keys)[0];
  return found ?? { staff: null, fifths: 0, mode: null };
}

/** Whether a part is written as rhythm: every staff begins with one line alone. */
export function isRhythm(part: Part): boolean {
  const details = (part.measures[0]?.items ?? []).flatMap((item) =>
    item.kind === 'attributes' ? childElements(item.xml, 'staff-details') : [],
  );
  return details.length >= part.staves && details.every((detail) => childText(detail, 'staff-lines') === '1');
}
