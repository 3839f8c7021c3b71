import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';
import { err, ok, type Fault, type Result } from '../../base';

/** A note as the file has it. Times in the file's own ticks. */
export interface MidiNote {
  readonly group: string;
  readonly key: number;
  readonly start: number;
  readonly end: number;
}

export interface MidiContent {
  readonly ticksPerQuarter: number;
  readonly title: string;
  readonly notes: readonly MidiNote[];
  /** Names of the groups that notes belong to: a track, or a channel where one track has several. */
  readonly names: ReadonlyMap<string, string>;
  readonly meters: readonly { readonly at: number; readonly beats: number; readonly beatType: number }[];
  readonly keys: readonly { readonly at: number; readonly fifths: number; readonly isMinor: boolean }[];
  readonly tempos: readonly { readonly at: number; readonly quartersPerMinute: number }[];
  readonly words: readonly { readonly at: number; readonly text: string }[];
  readonly drums: number;
}

/** The channel of drums, counted from 0. Source: General MIDI level 1, from memory. */
const DRUMS = 9;

/** Reads a Standard MIDI File, format 0 or 1. Errors: `read.midi-damaged`. */
export function readMidiEvents(bytes: Uint8Array): Result<MidiContent, Fault> {
  const read = readTracks(bytes);
  if (!read.ok) return read;
  const { ticksPerQuarter, tracks } = read.value;
  return ok({
    ticksPerQuarter,
    title: text(tracks[0]?.name ?? ''),
    notes: tracks.flatMap(({ notes }, i) =>
      notes
        .filter(({ channel }) => channel !== DRUMS)
        .map(({ channel, key, start, end }) => ({ key, start, end, group: `${i}/${channel}` })),
    ),
    names: new Map(
      tracks.flatMap(({ notes, name }, i) =>
        notes.map(({ channel }): readonly [string, string] => [`${i}/${channel}`, text(name)]),
      ),
    ),
    meters: tracks.flatMap(({ meters }) => meters).sort((a, b) => a.at - b.at),
    keys: tracks.flatMap(({ keys }) => keys).sort((a, b) => a.at - b.at),
    tempos: temposOf(tracks),
    words: tracks.flatMap(({ words }) => words),
    drums: tracks.flatMap(({ notes }) => notes).filter(({ channel }) => channel === DRUMS).length,
  });
}

/** Every key of a Standard MIDI File, of all tracks and channels, with the speed at which it was struck; times in the file's ticks. Errors: `read.midi-damaged`. */
export function readMidiStrokes(bytes: Uint8Array): Result<MidiStrokes, Fault> {
  const read = readTracks(bytes);
  if (!read.ok) return read;
  const { ticksPerQuarter, tracks } = read.value;
  return ok({ ticksPerQuarter, strokes: tracks.flatMap(({ notes }) => notes), tempos: temposOf(tracks) });
}

export interface MidiStrokes extends Pick<MidiContent, 'ticksPerQuarter' | 'tempos'> {
  readonly strokes: readonly {
    readonly key: number;
    readonly start: number;
    readonly end: number;
    readonly velocity: number;
  }[];
}

function temposOf(tracks: readonly ReadTrack[]): MidiContent['tempos'] {
  return tracks.flatMap(({ tempos }) => tempos).sort((a, b) => a.at - b.at);
}

function readTracks(
  bytes: Uint8Array,
): Result<{ readonly ticksPerQuarter: number; readonly tracks: readonly ReadTrack[] }, Fault> {
  if (isCutOff(bytes)) return err({ code: 'read.midi-damaged', reason: 'ends-early' });
  let data: MidiData;
  try {
    data = parseMidi(bytes);
  } catch (error) {
    return err({
      code: 'read.midi-damaged',
      reason: 'unreadable',
      ...(error instanceof Error ? { said: error.message.slice(0, 80) } : {}),
    });
  }
  const ticksPerQuarter = data.header.ticksPerBeat;
  if (!ticksPerQuarter) return err({ code: 'read.midi-damaged', reason: 'film-frames' });
  if (data.header.format === 2) return err({ code: 'read.midi-damaged', reason: 'format-2' });
  return ok({ ticksPerQuarter, tracks: data.tracks.map(readTrack) });
}

/** Whether a chunk says that it is longer than what there is. */
function isCutOff(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  while (at + 8 <= bytes.length) at += 8 + view.getUint32(at + 4);
  return at > bytes.length;
}

interface ReadTrack {
  name: string;
  readonly notes: { channel: number; key: number; start: number; end: number; velocity: number }[];
  readonly meters: { at: number; beats: number; beatType: number }[];
  readonly keys: { at: number; fifths: number; isMinor: boolean }[];
  readonly tempos: { at: number; quartersPerMinute: number }[];
  readonly words: { at: number; text: string }[];
}

function readTrack(events: readonly MidiEvent[]): ReadTrack {
  const track: ReadTrack = { name: '', notes: [], meters: [], keys: [], tempos: [], words: [] };
  const open = new Map<string, Omit<ReadTrack['notes'][number], 'end'>[]>();
  let at = 0;
  for (const event of events) {
    at += event.deltaTime;
    switch (event.type) {
      case 'noteOn':
      case 'noteOff': {
        const name = `${event.channel}/${event.noteNumber}`;
        const sounding = open.get(name) ?? [];
        if (event.type === 'noteOn' && event.velocity > 0)
          sounding.push({ channel: event.channel, key: event.noteNumber, start: at, velocity: event.velocity });
        else {
          const begun = sounding.shift();
          if (begun && at > begun.start) track.notes.push({ ...begun, end: at });
        }
        open.set(name, sounding);
        break;
      }
      case 'trackName':
        track.name ||= event.text;
        break;
      case 'timeSignature':
        if (isMeter(event.numerator, event.denominator))
          track.meters.push({ at, beats: event.numerator, beatType: event.denominator });
        break;
      case 'keySignature':
        track.keys.push({ at, fifths: event.key, isMinor: event.scale === 1 });
        break;
      case 'setTempo':
        track.tempos.push({ at, quartersPerMinute: 60_000_000 / event.microsecondsPerBeat });
        break;
      case 'lyrics':
        track.words.push({ at, text: text(event.text) });
        break;
      default:
    }
  }
  // A note that is never let go lasts to the end of its track.
  for (const note of [...open.values()].flat()) if (at > note.start) track.notes.push({ ...note, end: at });
  return track;
}

/** The file holds bytes: text is taken as UTF-8 where it is valid, else as Latin-1. */
function text(raw: string): string {
  try {
    return decodeURIComponent([...raw].map((c) => `%${c.charCodeAt(0).toString(16).padStart(2, '0')}`).join('')).trim();
  } catch {
    return raw.trim();
  }
}

/** A file may say a bar of no beats, or beats of no length: bars of it would never end. */
function isMeter(beats: number, beatType: number): boolean {
  return beats >= 1 && beats <= MOST_BEATS && beatType >= 1 && beatType <= SHORTEST_BEAT;
}

/** The longest bar and the shortest beat that are believed. Our own choice. */
const MOST_BEATS = 64;
const SHORTEST_BEAT = 64;
