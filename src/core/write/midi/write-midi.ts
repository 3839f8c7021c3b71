import { strToU8 } from 'fflate';
import { writeMidi, type MidiEvent } from 'midi-file';
import { playedBars, playingOrder, soundingNotes, tempoMap, type PlayedBar } from '../../playback';
import { keyOfSignature, signatureOf, intervalOf, type Key } from '../../pitch';
import {
  handOfStaff,
  handsOf,
  soundingShift,
  syllableAt,
  type Hand,
  type Measure,
  type Part,
  type Score,
} from '../../score';
import type { Meter } from '../../time';

/** Ticks in a quarter note of the file. 960 holds triplets and sixty-fourths exactly. */
const TICKS = 960;

/** Channels for hands; the tenth is the drums'. Source: General MIDI level 1, from memory. */
const CHANNELS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 10, 11, 12, 13, 14, 15];

interface Timed {
  readonly at: number;
  /** At one moment: first what ends, then what is set, then what begins. */
  readonly rank: 0 | 1 | 2;
  readonly event: Omit<MidiEvent, 'deltaTime'>;
}

/** Writes a score as Standard MIDI File, format 1: a track for tempo, time and key signatures, then one track a hand.
 * Repeats are played out and grace notes left in. `key` is the piece's own, for the key signature of the start. */
export function writeMidiFile(score: Score, key: Key): Uint8Array {
  const lead = score.parts[0];
  const order = lead ? playingOrder(lead.measures) : [];
  const tracks = [
    conductorTrack(score, order, key),
    ...score.parts.flatMap((part, i) => handTracks(score, part, i, order)),
  ];
  return Uint8Array.from(writeMidi({ header: { format: 1, numTracks: tracks.length, ticksPerBeat: TICKS }, tracks }));
}

function conductorTrack(score: Score, order: readonly number[], key: Key): MidiEvent[] {
  const part = score.parts[0];
  if (!part) return track([]);
  const scale = TICKS / score.ticksPerQuarter;
  const bars = playedBars(part, order);
  const tempi = tempoMap(bars, score.ticksPerQuarter).map(({ at, quartersPerMinute }) =>
    set(at * scale, tempoEvent(quartersPerMinute)),
  );
  const title = score.title === '' ? [] : [set(0, { type: 'trackName', text: latin(score.title) } as MidiEvent)];
  return track([...title, ...tempi, ...meters(bars, scale), ...keys(bars, scale, part, key)]);
}

function meters(bars: readonly PlayedBar[], scale: number): readonly Timed[] {
  let before: Meter | null = null;
  return bars.flatMap(({ measure, start }) => {
    const meter = soundingMeter(measure, scale);
    const isNew = before?.beats !== meter.beats || before.beatType !== meter.beatType;
    before = meter;
    return isNew
      ? [
          set(start * scale, {
            type: 'timeSignature',
            numerator: meter.beats,
            denominator: meter.beatType,
            metronome: 24,
            thirtyseconds: 8,
          } as MidiEvent),
        ]
      : [];
  });
}

/** The time signature of a bar as it sounds: a pick-up gets one of its own length, since the file knows no other way
 * to say where the bar lines are. */
function soundingMeter({ meter, lead, length }: Measure, scale: number): Meter {
  const beats = (length * scale * meter.beatType) / (4 * TICKS);
  return lead > 0 && Number.isInteger(beats) && beats > 0 ? { beats, beatType: meter.beatType } : meter;
}

function keys(bars: readonly PlayedBar[], scale: number, part: Part, own: Key): readonly Timed[] {
  const shift = soundingShift(part);
  const toSounding = intervalOf(shift.steps, shift.semitones).fifths;
  let before: number | null = null;
  return bars.flatMap(({ measure, start }) =>
    measure.items.flatMap((item) => {
      if (item.kind !== 'attributes') return [];
      const written = item.keys[0];
      if (!written || written.fifths === before) return [];
      before = written.fifths;
      const key = keyOfSignature(written.fifths + toSounding, written.mode ?? own.mode);
      return key.ok ? [set((start + item.onset) * scale, keyEvent(key.value))] : [];
    }),
  );
}

function keyEvent(key: Key): MidiEvent {
  const isMinor = ['minor', 'aeolian'].includes(key.mode);
  return { deltaTime: 0, type: 'keySignature', key: signatureOf(key), scale: isMinor ? 1 : 0 } as MidiEvent;
}

function tempoEvent(quartersPerMinute: number): MidiEvent {
  return {
    deltaTime: 0,
    type: 'setTempo',
    microsecondsPerBeat: Math.round(60_000_000 / quartersPerMinute),
  } as MidiEvent;
}

function handTracks(score: Score, part: Part, partIndex: number, order: readonly number[]): MidiEvent[][] {
  const bars = playedBars(part, order);
  const scale = TICKS / score.ticksPerQuarter;
  const sounds = soundingNotes(bars, part, score.ticksPerQuarter).map((note) => ({
    ...note,
    start: note.start * scale,
    end: note.end * scale,
  }));
  return handsOf(part).map((hand, i) => {
    const channel = CHANNELS[(2 * partIndex + i) % CHANNELS.length] as number;
    const name = part.staves >= 2 ? `${hand} hand` : part.name || `${hand} hand`;
    return track([
      set(0, { type: 'trackName', text: latin(name) } as MidiEvent),
      ...lyrics(bars, part, hand, TICKS / score.ticksPerQuarter),
      ...sounds
        .filter((note) => note.hand === hand)
        .flatMap(({ midi, start, end, velocity }) => sound(channel, midi, { start, end, velocity })),
    ]);
  });
}

function sound(
  channel: number,
  noteNumber: number,
  { start, end, velocity }: { readonly start: number; readonly end: number; readonly velocity: number },
): readonly Timed[] {
  return [
    { at: start, rank: 2, event: { type: 'noteOn', channel, noteNumber, velocity } as MidiEvent },
    { at: end, rank: 0, event: { type: 'noteOff', channel, noteNumber, velocity: 0 } as MidiEvent },
  ];
}

function lyrics(bars: readonly PlayedBar[], part: Part, hand: Hand, scale: number): readonly Timed[] {
  return bars.flatMap(({ measure, start }) =>
    measure.items.flatMap((item) => {
      if (item.kind !== 'note' || handOfStaff(part, item.staff) !== hand) return [];
      const text = syllableAt(item);
      return text === null
        ? []
        : [set((start + item.onset) * scale, { type: 'lyrics', text: latin(text) } as MidiEvent)];
    }),
  );
}

function set(at: number, event: MidiEvent | Omit<MidiEvent, 'deltaTime'>): Timed {
  return { at, rank: 1, event };
}

function track(timed: readonly Timed[]): MidiEvent[] {
  let before = 0;
  const events = timed
    .toSorted((a, b) => a.at - b.at || a.rank - b.rank)
    .map(({ at, event }) => {
      const deltaTime = Math.round(at) - before;
      before = Math.round(at);
      return { ...event, deltaTime } as MidiEvent;
    });
  return [...events, { deltaTime: 0, type: 'endOfTrack', meta: true } as MidiEvent];
}

/** The file format counts bytes: text goes in as UTF-8, one character a byte. */
function latin(text: string): string {
  return String.fromCharCode(...strToU8(text));
}
