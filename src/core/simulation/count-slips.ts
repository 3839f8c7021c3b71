import type { AskedNote, AskedMoment } from '../asked';
import { keysAround, placesFor } from './places';
import type { MakeSlip } from './make-slip';

/** A note is not played. */
export const dropsNote: MakeSlip = (playing, chance, isFree) => {
  const [place] = placesFor(playing, chance, isFree, () => true);
  if (!place) return null;
  const { moment, note } = place.stroke;
  return {
    strokes: playing.strokes.filter((_, i) => i !== place.index),
    from: moment,
    to: moment,
    at: moment,
    notes: note === null ? [] : [note],
  };
};

/** How far a key that was touched on the way lies from the note before it. Unit: semitones. */
const ON_THE_WAY = [-4, -3, -2, 2, 3, 4];
/** There is time for one between two moments. Unit: ms. */
const ROOM_MS = 380;

/** A key is struck between two moments of which nothing was asked. */
export const addsNote: MakeSlip = (playing, chance, isFree) => {
  const { music, msPerQuarter, strokes } = playing;
  const roomAfter = (moment: number): number => {
    const [here, next] = [music.moments[moment], music.moments[moment + 1]];
    return here && next ? (next.at - here.at) * msPerQuarter : 0;
  };
  const keysFor = (moment: number, { midi }: AskedNote): readonly number[] => {
    const theirs = keysAround(music, moment, 3);
    return ON_THE_WAY.map((off) => midi + off).filter((key) => !theirs.has(key));
  };
  const [place] = placesFor(
    playing,
    chance,
    isFree,
    ({ stroke, note }) => roomAfter(stroke.moment) >= ROOM_MS && keysFor(stroke.moment, note).length > 0,
  );
  if (!place) return null;
  const { moment, downMs, velocity } = place.stroke;
  const at = downMs + roomAfter(moment) * chance.between(0.35, 0.6);
  const midi = chance.of(keysFor(moment, place.note));
  return {
    strokes: [...strokes, { note: null, moment, midi, downMs: at, upMs: at + 120, velocity }],
    from: moment,
    to: moment + 1,
    at: moment,
    notes: (music.moments[moment] as AskedMoment).notes,
  };
};
