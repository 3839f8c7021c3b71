import { childElements } from '../xml';
import type { Hand, NoteId, NoteItem, Score } from '../score';
import { beatTicks, type Ticks } from '../time';
import { playingOrder } from './playing-order';
import { playedBars, soundingNotes, type PlayedBar } from './sounding-notes';
import { tempoMap, type TempoMark } from './tempo-map';

/** A note to be heard. Times in seconds from the beginning at full tempo; `hand` is null in parts that are not the pupil's. */
export interface PerformedNote {
  readonly id: NoteId;
  readonly hand: Hand | null;
  readonly midi: number;
  readonly startS: number;
  readonly endS: number;
  /** 1..127 */
  readonly velocity: number;
}

/** A bar as it is played, with the times of its beats. */
export interface PerformedBar {
  readonly index: number;
  readonly number: string;
  readonly startS: number;
  readonly beatsS: readonly number[];
  /** Length of a beat as the bar begins: what a count-in goes by. */
  readonly beatS: number;
  /** How many beats the time signature has. */
  readonly beats: number;
}

/** A piece as it sounds: repeats played out, tempo, ritardando, fermata, dynamics and staccato heard. */
export interface Performance {
  readonly notes: readonly PerformedNote[];
  readonly bars: readonly PerformedBar[];
  readonly lengthS: number;
}

/** How much of its length a staccato note sounds, and a plain one before the next is struck. Our own choice; common practice. */
const STACCATO = 0.5;
const PLAIN = 0.97;

/** Performs a score. Only the pupil's part has hands. */
export function performanceOf(score: Score, pupilsPartId: string): Performance {
  const lead = score.parts[0];
  if (!lead) return { notes: [], bars: [], lengthS: 0 };
  const order = playingOrder(lead.measures);
  const quarter = score.ticksPerQuarter;
  const leadBars = playedBars(lead, order);
  const seconds = clockOf(tempoMap(leadBars, quarter), quarter);
  const notes = score.parts.flatMap((part) =>
    soundingNotes(playedBars(part, order), part, quarter).map((note): PerformedNote => {
      const startS = seconds(note.start);
      return {
        id: note.id,
        hand: part.id === pupilsPartId ? note.hand : null,
        midi: note.midi,
        startS,
        endS: startS + (seconds(note.end) - startS) * (isStaccato(note.item) ? STACCATO : PLAIN),
        velocity: note.velocity,
      };
    }),
  );
  return {
    notes: notes.sort((a, b) => a.startS - b.startS || a.midi - b.midi),
    bars: leadBars.map((bar) => performedBar(bar, quarter, seconds)),
    lengthS: seconds(leadBars.reduce((end, { measure, start }) => Math.max(end, start + measure.length), 0)),
  };
}

function performedBar({ measure, start }: PlayedBar, quarter: Ticks, seconds: (at: Ticks) => number): PerformedBar {
  const beat = beatTicks(measure.meter, quarter);
  // In a pick-up the beats before it are silent: the first one played may be the fourth.
  const first = measure.lead % beat === 0 ? 0 : beat - (measure.lead % beat);
  const count = Math.max(0, Math.ceil((measure.length - first) / beat - 1e-6));
  return {
    index: measure.index,
    number: measure.number,
    startS: seconds(start),
    beatsS: Array.from({ length: count }, (_, i) => seconds(start + first + i * beat)),
    beatS: seconds(start + beat) - seconds(start),
    beats: measure.meter.beats,
  };
}

/** From ticks to seconds, by the tempi of the piece. */
function clockOf(tempi: readonly TempoMark[], quarter: Ticks): (at: Ticks) => number {
  let passed = 0;
  const marks = tempi.map((mark, i) => {
    const before = tempi[i - 1];
    if (before) passed += ((mark.at - before.at) / quarter) * (60 / before.quartersPerMinute);
    return { ...mark, atS: passed };
  });
  return (at) => {
    const mark = marks.findLast((candidate) => candidate.at <= at) ?? marks[0];
    return mark ? mark.atS + ((at - mark.at) / quarter) * (60 / mark.quartersPerMinute) : 0;
  };
}

function isStaccato(item: NoteItem): boolean {
  const marks = childElements(item.xml, 'notations').flatMap((notations) => childElements(notations, 'articulations'));
  return marks
    .flatMap((group) => childElements(group))
    .some(({ name }) => name === 'staccato' || name === 'staccatissimo');
}
