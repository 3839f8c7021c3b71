import type { AskedNote, AskedMoment } from '../asked';
import { placesFor, withStrokes, type Place } from './places';
import type { Playing, Stroke } from './pupil';
import type { MakeSlip, SlipMade } from './make-slip';

/** How far a note comes off its time, so that anybody hears it; at least so much of a quarter. Unit: ms. */
const OFF_MS = 480;
const OFF_QUARTERS = 0.5;
/** What must be left to the note before or after. Unit: ms. */
const LEFT_MS = 220;

/** One hand's stroke comes before its time. */
export const comesEarly: MakeSlip = offTime(-1);
/** One hand's stroke comes after its time. */
export const comesLate: MakeSlip = offTime(1);

function offTime(direction: 1 | -1): MakeSlip {
  return (playing, chance, isFree) => {
    const offMs = Math.max(OFF_MS, OFF_QUARTERS * playing.msPerQuarter);
    const [place] = placesFor(
      playing,
      chance,
      isFree,
      ({ stroke }) => roomBeside(playing, stroke, direction) >= offMs + LEFT_MS,
    );
    if (!place) return null;
    const ms = direction * offMs;
    return moved(playing, place, strokesOfHand(playing, place), () => ms);
  };
}

/** From a moment to the one beside it. Unit: ms. */
function roomBeside({ music: { moments }, msPerQuarter }: Playing, { moment }: Stroke, direction: 1 | -1): number {
  const [here, beside] = [moments[moment], moments[moment + direction]];
  return here && beside ? Math.abs(beside.at - here.at) * msPerQuarter : 0;
}

/** The strokes of a moment that are of one hand, by their indexes. */
function strokesOfHand({ music, strokes }: Playing, { stroke, note }: Place): readonly number[] {
  return strokes.flatMap((other, i) => {
    const asked = other.note === null ? undefined : music.notes[other.note];
    return other.moment === stroke.moment && asked?.hand === note.hand && !asked.isGrace ? [i] : [];
  });
}

function moved(
  { strokes }: Playing,
  { stroke }: Place,
  which: readonly number[],
  msOf: (place: number) => number,
): SlipMade {
  const changed = which.map((i, place) => {
    const { downMs, upMs } = strokes[i] as Stroke;
    return [i, { downMs: downMs + msOf(place), upMs: upMs + msOf(place) }] as const;
  });
  return {
    strokes: withStrokes(strokes, new Map(changed)),
    from: stroke.moment,
    to: stroke.moment,
    at: stroke.moment,
    notes: which.flatMap((i) => strokes[i]?.note ?? []),
  };
}

/** A hand's chord is struck one key after the other. */
export const spreadsChord: MakeSlip = (playing, chance, isFree) => {
  const [place] = placesFor(
    playing,
    chance,
    isFree,
    (one) => strokesOfHand(playing, one).length >= 2 && roomBeside(playing, one.stroke, 1) >= SPREAD_MS + LEFT_MS,
  );
  if (!place) return null;
  const which = strokesOfHand(playing, place);
  return moved(playing, place, which, (i) => (SPREAD_MS * i) / (which.length - 1));
};

/** From the first key of a spread chord to the last. Unit: ms. */
const SPREAD_MS = 400;

/** The pupil stops to read, and goes on from there. */
export const hesitates: MakeSlip = (playing, chance, isFree) => {
  const { strokes, msPerQuarter, music } = playing;
  const [place] = placesFor(playing, chance, isFree, () => true);
  if (!place) return null;
  const { moment } = place.stroke;
  const ms = Math.max(500, msPerQuarter * 0.7) * chance.between(1, 1.8);
  return {
    strokes: strokes.map((stroke) => ({
      ...stroke,
      downMs: stroke.moment < moment ? stroke.downMs : stroke.downMs + ms,
      upMs: stroke.moment < moment ? stroke.upMs : stroke.upMs + ms,
    })),
    from: moment,
    to: moment,
    at: moment,
    notes: (music.moments[moment] as AskedMoment).notes,
  };
};

/** A pause before one begins again. Unit: ms. */
const PAUSE_MS = 900;

/** The pupil stops and begins again at the beginning of this bar or of the one before. */
export const beginsAgain: MakeSlip = (playing, chance, isFree) => {
  const { music, strokes } = playing;
  // Nothing else may be wrong in what is played twice.
  const beginsBefore = (moment: number): readonly number[] =>
    music.moments
      .flatMap(({ place: where }, m) => (where === 'bar' && m < moment ? [m] : []))
      .slice(-2)
      .filter((m) => isFree(m, moment));
  const [place] = placesFor(
    playing,
    chance,
    isFree,
    ({ stroke }) => stroke.moment > 3 && beginsBefore(stroke.moment).length > 0,
  );
  if (!place) return null;
  const { moment } = place.stroke;
  const again = chance.of(beginsBefore(moment));
  const first = timeOf(strokes, again);
  const stop = timeOf(strokes, moment);
  const laterMs = stop + PAUSE_MS - first;
  const before = strokes.filter((stroke) => stroke.moment < moment);
  return {
    strokes: [
      ...before.map((stroke) => ({ ...stroke, upMs: Math.min(stroke.upMs, stop) })),
      ...strokes
        .filter((stroke) => stroke.moment >= again)
        .map((stroke) => ({ ...stroke, downMs: stroke.downMs + laterMs, upMs: stroke.upMs + laterMs })),
    ],
    from: moment,
    to: moment,
    at: moment,
    notes: (music.moments[moment] as AskedMoment).notes.filter((note) => !(music.notes[note] as AskedNote).isGrace),
  };
};

function timeOf(strokes: readonly Stroke[], moment: number): number {
  return Math.min(...strokes.filter((stroke) => stroke.moment >= moment).map(({ downMs }) => downMs));
}
