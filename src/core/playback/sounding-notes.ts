import { intervalOf, midiNumber, transposeBy } from '../pitch';
import { handOfStaff, soundingShift, type Hand, type Measure, type NoteId, type NoteItem, type Part } from '../score';
import type { Ticks } from '../time';
import { instructionsOf, USUAL_LOUDNESS } from './directions';

/** A bar as it is played: repeats are played out, so one bar may come more than once. */
export interface PlayedBar {
  readonly measure: Measure;
  readonly start: Ticks;
}

/** A note as it sounds: ties joined, grace notes in front of their notes. `velocity` is MIDI's, 1..127; `last` is the item that ends it. */
export interface SoundingNote {
  readonly id: NoteId;
  readonly hand: Hand;
  readonly midi: number;
  readonly start: Ticks;
  readonly end: Ticks;
  readonly velocity: number;
  readonly item: NoteItem;
}

/** Length of a grace note, taken in front of its note. Unit: quarter notes. Our own choice. */
const GRACE_QUARTERS = 1 / 8;

/** A grace note at the very beginning has no room in front of its note. Unit: quarter notes. Our own choice: one tick of a MIDI file. */
const LEAST_QUARTERS = 1 / 960;

export function playedBars(part: Part, order: readonly number[]): readonly PlayedBar[] {
  let start = 0;
  return order.flatMap((index) => {
    const measure = part.measures[index];
    if (!measure) return [];
    const bar = { measure, start };
    start += measure.length;
    return [bar];
  });
}

/** All notes of a part as they sound, in no particular order. `quarter` is a quarter note in ticks. */
export function soundingNotes(bars: readonly PlayedBar[], part: Part, quarter: Ticks): readonly SoundingNote[] {
  const shift = soundingShift(part);
  const toSounding = intervalOf(shift.steps, shift.semitones);
  const sounded: SoundingNote[] = [];
  const tied = new Map<string, SoundingNote>();
  const loudness = new Map<number, number>();
  for (const { measure, start } of bars) {
    const said = instructionsOf(measure);
    for (const item of measure.items) {
      if (item.kind !== 'note') continue;
      const loud = said.findLast((mark) => mark.kind === 'loudness' && mark.onset <= item.onset);
      // A mark between the staves is for both hands.
      if (loud?.kind === 'loudness') loudness.set(item.staff, loud.velocity);
      const pitch = item.pitch && transposeBy(item.pitch, toSounding);
      if (!pitch?.ok || item.isCue) continue;
      const midi = midiNumber(pitch.value);
      const hand = handOfStaff(part, item.staff);
      const at = start + item.onset;
      const begins = item.isGrace ? Math.max(0, at - GRACE_QUARTERS * quarter) : at;
      const ends = item.isGrace ? Math.max(at, begins + LEAST_QUARTERS * quarter) : at + item.duration;
      const place = `${hand}/${midi}`;
      const open = item.tieStop ? tied.get(place) : undefined;
      const goesOn = open !== undefined && open.end === at;
      const note = goesOn
        ? { ...open, end: ends }
        : {
            id: item.id,
            hand,
            midi,
            start: begins,
            end: ends,
            velocity: loudness.get(item.staff) ?? USUAL_LOUDNESS,
            item,
          };
      if (open) tied.delete(place);
      if (open && !goesOn) sounded.push(open);
      if (item.tieStart) tied.set(place, note);
      else sounded.push(note);
    }
  }
  return [...sounded, ...tied.values()];
}
