import type { AskedMusic, AskedNote, AskedMoment } from '../asked';
import type { Chance } from './chance';
import type { Playing, Stroke } from './pupil';

/** A stroke that something may be done to: not of the first moments, where a pulse is not yet there, nor of the last. */
export interface Place {
  readonly stroke: Stroke;
  readonly index: number;
  readonly note: AskedNote;
}

/** Moments at either end that are left alone. */
const ENDS = 2;

/** The strokes of a kind that lie free of other slips, in the order in which they are tried. */
export function placesFor(
  { music, strokes }: Playing,
  chance: Chance,
  isFree: (from: number, to: number) => boolean,
  fits: (place: Place) => boolean,
): readonly Place[] {
  const places = strokes.flatMap((stroke, index): readonly Place[] => {
    if (stroke.note === null) return [];
    const note = music.notes[stroke.note] as AskedNote;
    const isInside = stroke.moment >= ENDS && stroke.moment < music.moments.length - ENDS;
    const place = { stroke, index, note };
    return isInside && !note.isGrace && isFree(stroke.moment, stroke.moment) && fits(place) ? [place] : [];
  });
  return chance.shuffled(places);
}

/** The strokes with some of them changed. */
export function withStrokes(
  strokes: readonly Stroke[],
  changed: ReadonlyMap<number, Partial<Stroke>>,
): readonly Stroke[] {
  return strokes.map((stroke, i) => ({ ...stroke, ...changed.get(i) }));
}

/** The keys that are asked for at a moment and beside it. */
export function keysAround({ moments, notes }: AskedMusic, moment: number, beside: number): ReadonlySet<number> {
  const near = moments.slice(Math.max(0, moment - beside), moment + beside + 1);
  return new Set(near.flatMap((one: AskedMoment) => one.notes.map((note) => (notes[note] as AskedNote).midi)));
}
