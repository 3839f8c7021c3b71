import type { AskedMusic, AskedNote } from '../asked';
import { placesFor, withStrokes, type Place } from './places';
import type { Playing } from './pupil';
import type { MakeSlip, SlipMade } from './make-slip';

/** A tied note is let go where the next one is written. */
export const letsTieGo: MakeSlip = (playing, chance, isFree) => {
  const [place] = placesFor(playing, chance, isFree, ({ note }) => note.tiedFrom !== null);
  if (!place || place.note.tiedFrom === null) return null;
  return held(playing, place, (place.note.tiedFrom - place.note.at) * 0.95);
};

/** A note is held on through the rest after it. */
export const playsThroughRest: MakeSlip = (playing, chance, isFree) => {
  const [place] = placesFor(playing, chance, isFree, ({ note }) => restAfter(playing.music, note) >= 1);
  if (!place) return null;
  return held(playing, place, place.note.length + restAfter(playing.music, place.note) * 0.98);
};

function held({ strokes, msPerQuarter }: Playing, { index, stroke }: Place, quarters: number): SlipMade {
  const upMs = stroke.downMs + quarters * msPerQuarter;
  return {
    strokes: withStrokes(strokes, new Map([[index, { upMs }]])),
    from: stroke.moment,
    to: stroke.moment,
    at: stroke.moment,
    notes: stroke.note === null ? [] : [stroke.note],
  };
}

/** How long the hand has nothing to play after a note, if it plays again. Unit: quarters. */
function restAfter({ notes }: AskedMusic, { hand, at, length }: AskedNote): number {
  const end = at + length;
  const own = notes.filter((other) => other.hand === hand);
  if (own.some((other) => other.at <= at && other.at + other.length > end + 1e-6)) return 0;
  const later = own.filter((other) => other.at > at + 1e-6);
  return later.length === 0 ? 0 : Math.min(...later.map((other) => other.at)) - end;
}
