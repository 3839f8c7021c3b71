import { err, ok, type Fault, type Remark, type Result } from '../../base';
import { barTicks, type Meter, type Ticks } from '../../time';
import {
  PLAIN_BAR,
  PLAIN_TICKS,
  type PlainBar,
  type PlainEvent,
  type PlainPiece,
  type PlainStaff,
} from '../../plain-piece';
import { readAbcKey, readAbcMeter } from './abc-key';
import { propagationOf } from './abc-signs';
import type { AbcStaff, AbcTune } from './abc-tree';
import { parseAbc } from './parse-abc';
import { placeIn, voiceReader, type AbcBar, type VoiceReader } from './abc-voice';

export interface PlainReading {
  readonly piece: PlainPiece;
  readonly remarks: readonly Remark[];
}

/** The tunes of an ABC file, each as the text of a file of its own; what stands before the first is in front of each. */
export function splitAbc(text: string): readonly string[] {
  const clean = text.replaceAll('\r\n', '\n').replaceAll('\r', '\n');
  const starts = [...clean.matchAll(/^X:/gm)].map(({ index }) => index);
  // What stands in front of the first tune is for all; each tune keeps its lines where they were, for places in messages.
  const header = clean.slice(0, starts[0] ?? 0);
  return starts.map((start, i) => header + clean.slice(start, starts[i + 1] ?? clean.length).trimEnd() + '\n');
}

/** Reads one ABC tune. Errors: `read.no-notes`, `read.malformed`, `read.key-steps`, `read.quarter-tone`. What the parser did not
 * understand is told in remarks with its place. */
export function readAbc(text: string): Result<PlainReading, Fault> {
  const parsed = parseAbc(text);
  if (!parsed.ok) return parsed;
  const tune = parsed.value;
  const propagation = propagationOf(text);
  const keys = (tune.warnings ?? []).flatMap((warning) => wrongKey(warning, text) ?? []);
  const voices = new Map<string, { readonly staff: number; readonly clef: 'G' | 'F'; readonly reader: VoiceReader }>();
  for (const line of tune.lines) {
    for (const [staffIndex, staff] of (line.staff ?? []).entries()) {
      const fault = readStaffLine(staff, staffIndex, {
        readerOf: (place) => {
          const name = `${staffIndex}/${place}`;
          const known = voices.get(name);
          if (known) return known.reader;
          const reader = voiceReader(text, propagation);
          voices.set(name, { staff: staffIndex, clef: staff.clef?.type.startsWith('bass') ? 'F' : 'G', reader });
          return reader;
        },
        text,
        keys: keys.length > 0 ? 'some wrong' : 'named',
      });
      if (fault) return err(fault);
    }
  }
  const piece = pieceOf(tune, [...voices.values()]);
  if (!piece.staves.some((staff) => staff.voices.flat().some(({ notes }) => notes.length > 0)))
    return err({ code: 'read.no-notes' });
  const doubt: readonly Remark[] = [...voices.values()].some(({ reader }) => reader.hasDoubt())
    ? [{ code: 'abc-octaves' }]
    : [];
  return ok({
    piece,
    remarks: [...(tune.warnings ?? []).map((warning) => wrongKey(warning, text) ?? warningRemark(warning)), ...doubt],
  });
}

function readStaffLine(
  staff: AbcStaff,
  staffIndex: number,
  {
    readerOf,
    text,
    keys,
  }: {
    readonly readerOf: (voice: number) => VoiceReader;
    readonly text: string;
    readonly keys: 'named' | 'some wrong';
  },
): Fault | null {
  for (const [i, elements] of staff.voices.entries()) {
    const reader = readerOf(i);
    if (staff.key) {
      const key = readAbcKey(staff.key);
      if (!key)
        return { code: 'read.key-steps', bar: String(staffIndex + 1), at: placeIn(text, elements[0]?.startChar ?? 0) };
      // What is said of a key that is none must be true: it is C major, and not looked for.
      reader.setKey(keys === 'some wrong' && key.mode === null && key.fifths === 0 ? { ...key, mode: 'major' } : key);
    }
    const meter = staff.meter && readAbcMeter(staff.meter);
    if (meter) reader.setMeter(meter);
    for (const element of elements) {
      const taken = reader.take(element);
      if (!taken.ok) return taken.error;
    }
  }
  return null;
}

interface ReadVoice {
  readonly staff: number;
  readonly clef: 'G' | 'F';
  readonly reader: VoiceReader;
}

function pieceOf(tune: AbcTune, voices: readonly ReadVoice[]): PlainPiece {
  const barsOfVoices = voices.map(({ reader }) => reader.bars());
  const bars = commonBars(barsOfVoices);
  const staves: PlainStaff[] = [...new Set(voices.map(({ staff }) => staff))].map((staff) => ({
    clef: voices.find((voice) => voice.staff === staff)?.clef ?? 'G',
    voices: voices.flatMap((voice, i) => (voice.staff === staff ? [placed(barsOfVoices[i] ?? [], bars)] : [])),
  }));
  const { tempo, title, composer } = tune.metaText;
  const quarters = (tempo?.duration?.[0] ?? 0.25) * 4 * (tempo?.bpm ?? 0);
  return {
    title: typeof title === 'string' ? title : '',
    composer: typeof composer === 'string' ? composer : '',
    bars,
    staves,
    tempos: quarters > 0 ? [{ onset: 0, quartersPerMinute: quarters }] : [],
  };
}

/** The bars of all voices laid over each other: each as long as its longest. */
function commonBars(voices: readonly (readonly AbcBar[])[]): readonly PlainBar[] {
  const count = Math.max(0, ...voices.map((bars) => bars.length));
  const [lead = []] = voices;
  let start: Ticks = 0;
  let meter: Meter = { beats: 4, beatType: 4 };
  return Array.from({ length: count }, (_, index): PlainBar => {
    const bar = lead[index];
    const length = Math.max(...voices.map((bars) => bars[index]?.length ?? 0));
    meter = bar?.meter ?? meter;
    const common: PlainBar = {
      ...PLAIN_BAR,
      start,
      length,
      isPickup: index === 0 && count > 1 && length < barTicks(meter, PLAIN_TICKS),
      meter: bar?.meter ?? null,
      key: bar?.key ?? null,
      repeatStart: bar?.repeatStart ?? false,
      repeatEnd: bar?.repeatEnd ?? false,
      endingStart: bar?.endingStart ?? null,
      endingStop: bar?.endingStop ?? null,
      style: index === count - 1 && bar?.style === 'regular' ? 'final' : (bar?.style ?? 'regular'),
    };
    start += length;
    return common;
  });
}

function placed(own: readonly AbcBar[], bars: readonly PlainBar[]): readonly PlainEvent[] {
  return own.flatMap((bar, i) => bar.events.map((event) => ({ ...event, onset: event.onset + (bars[i]?.start ?? 0) })));
}

/** A key field that names no key, `K:Hxx` or `[K:Hxx]` within a line, as a remark; null where the warning is about something else. */
function wrongKey(warning: string, text: string): Remark | null {
  const match = /Line:(\d+):\d+:\s*Unknown parameter: ([^:\s]+):/.exec(warning);
  const line = Number(match?.[1] ?? '0');
  const said = match?.[2] ?? '';
  const row = text.split('\n')[line - 1] ?? '';
  const isKey = said !== '' && (new RegExp(`^K:\\s*${escaped(said)}`).test(row) || row.includes(`[K:${said}`));
  if (!isKey) return null;
  const first = text.split('\n').findIndex((one) => one.startsWith('K:'));
  return {
    code: 'abc-key',
    line,
    key: said.slice(0, MOST_LETTERS),
    from: line - 1 > first ? 'there' : 'the beginning',
  };
}

/** So much of what a file says is told in a remark. */
const MOST_LETTERS = 40;

function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}

/** `Music Line:6:7: Unknown character ignored: …` as a remark. */
function warningRemark(warning: string): Remark {
  const match = /Line:(\d+):(\d+):\s*([^<]*)/.exec(warning);
  const parameter = /Unknown parameter: ([^:\s]+):/.exec(warning)?.[1];
  if (parameter)
    return {
      code: 'abc-unclear',
      line: Number(match?.[1] ?? '1'),
      column: Number(match?.[2] ?? '1'),
      about: { unknown: parameter.slice(0, MOST_LETTERS) },
    };
  return {
    code: 'abc-unclear',
    line: Number(match?.[1] ?? '1'),
    column: Number(match?.[2] ?? '1'),
    about: {
      said: (match?.[3] ?? warning)
        .replace(/[:\s]+$/, '')
        .replace(/:.*$/, '')
        .slice(0, MOST_LETTERS),
    },
  };
}
