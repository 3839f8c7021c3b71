import { err, ok, type Fault, type Result } from '../../base';
import type { Finger } from '../../score';
import { type Meter, type Ticks, barTicks } from '../../time';
import {
  parseChordSymbol,
  PLAIN_EVENT,
  PLAIN_TICKS,
  type PlainEvent,
  type PlainLyric,
  type PlainNote,
} from '../../plain-piece';
import { MAX_PLAIN_BARS, tooManyBars } from '../limits';
import { readAbcKey, readAbcMeter, type AbcSignature } from './abc-key';
import { newMemory, pitchOf, type Propagation, type SignMemory } from './abc-signs';
import type { AbcElement, AbcPitch } from './abc-tree';

/** A bar of one voice: its events with times from its own beginning, and what its bar lines say. */
export interface AbcBar {
  events: PlainEvent[];
  length: Ticks;
  key: AbcSignature | null;
  meter: Meter | null;
  repeatStart: boolean;
  repeatEnd: boolean;
  endingStart: string | null;
  endingStop: string | null;
  style: 'regular' | 'double' | 'final';
}

const newBar = (): AbcBar => ({
  events: [],
  length: 0,
  key: null,
  meter: null,
  repeatStart: false,
  repeatEnd: false,
  endingStart: null,
  endingStop: null,
  style: 'regular',
});

interface Tuplet {
  readonly actual: number;
  readonly normal: number;
  isFirst: boolean;
}

/** Reads one voice of a tune, line after line. */
export interface VoiceReader {
  readonly take: (element: AbcElement) => Result<null, Fault>;
  readonly setKey: (key: AbcSignature) => void;
  readonly setMeter: (meter: Meter) => void;
  readonly bars: () => readonly AbcBar[];
  readonly hasDoubt: () => boolean;
}

const WHOLE = 4 * PLAIN_TICKS;

// eslint-disable-next-line max-lines-per-function -- small functions that share what was read of one voice so far
export function voiceReader(text: string, propagation: Propagation): VoiceReader {
  const bars: AbcBar[] = [newBar()];
  const memory: SignMemory = newMemory(0);
  const verses: boolean[] = [];
  let meter: Meter = { beats: 4, beatType: 4 };
  let tuplet: Tuplet | null = null;
  let openEnding: string | null = null;
  let isBeamed = false;
  const bar = (): AbcBar => bars.at(-1) as AbcBar;

  const setKey = (key: AbcSignature): void => {
    bar().key = key;
    memory.fifths = key.fifths;
    memory.extra = key.extra;
  };

  const closeBar = (element: AbcElement): void => {
    const type = element.type ?? '';
    const endsRepeat = type === 'bar_right_repeat' || type === 'bar_dbl_repeat';
    const ended = bar();
    // A bar line in front of the first note opens the first bar instead of closing an empty one.
    const isEmpty = ended.length === 0;
    if (!isEmpty) {
      ended.repeatEnd ||= endsRepeat;
      if (type === 'bar_thin_thin') ended.style = 'double';
      if (type === 'bar_thin_thick') ended.style = 'final';
      if (openEnding !== null && (element.endEnding === true || endsRepeat || element.startEnding !== undefined)) {
        ended.endingStop = openEnding;
        openEnding = null;
      }
      bars.push(newBar());
      memory.inBar.clear();
    }
    const begun = bar();
    begun.repeatStart ||= type === 'bar_left_repeat' || type === 'bar_dbl_repeat';
    if (element.startEnding !== undefined) {
      openEnding = element.startEnding.replace(/[^\d,-]/g, '') || '1';
      begun.endingStart = openEnding;
    }
  };

  const takeNote = (element: AbcElement): Result<null, Fault> => {
    if (element.startTriplet !== undefined) {
      tuplet = {
        actual: element.startTriplet,
        normal: Math.round(element.startTriplet * (element.tripletMultiplier ?? 2 / 3)),
        isFirst: true,
      };
    }
    const printed = printedLength(element, meter);
    // A rest of ten million bars is a few letters long.
    if (printed > MAX_PLAIN_BARS * barTicks(meter, PLAIN_TICKS)) return tooManyBars(MAX_PLAIN_BARS);
    const duration = tuplet ? (printed * tuplet.normal) / tuplet.actual : printed;
    const notes = notesOf(element, text, { memory, propagation, bar: String(bars.length) });
    if (!notes.ok) return notes;
    const graces = notesOf(
      { ...element, pitches: element.gracenotes ?? [], decoration: [], startChar: 0, endChar: 0 },
      '',
      { memory, propagation, bar: String(bars.length) },
    );
    if (!graces.ok) return graces;
    if (element.startBeam) isBeamed = true;
    const beam = !isBeamed ? null : element.startBeam ? 'begin' : element.endBeam ? 'end' : 'continue';
    if (element.endBeam) isBeamed = false;
    if (duration > 0) {
      const marks = marksOf(element);
      bar().events.push({
        ...PLAIN_EVENT,
        ...marks,
        onset: bar().length,
        duration,
        notes: notes.value,
        graces: graces.value,
        tuplet: tuplet && {
          actual: tuplet.actual,
          normal: tuplet.normal,
          begins: tuplet.isFirst,
          ends: element.endTriplet === true,
        },
        lyrics: lyricsOf(element, verses),
        beam,
      });
      bar().length += duration;
    }
    if (tuplet) tuplet.isFirst = false;
    if (element.endTriplet) tuplet = null;
    return ok(null);
  };

  return {
    take: (element) => {
      switch (element.el_type) {
        case 'note':
          return takeNote(element);
        case 'bar':
          closeBar(element);
          return ok(null);
        case 'key': {
          const key = readAbcKey(element);
          if (!key)
            return err({ code: 'read.key-steps', bar: String(bars.length), at: placeIn(text, element.startChar) });
          setKey(key);
          return ok(null);
        }
        case 'meter': {
          const read = readAbcMeter({
            ...(element.type === undefined ? {} : { type: element.type }),
            ...(element.value === undefined ? {} : { value: element.value }),
          });
          if (read) {
            bar().meter = read;
            meter = read;
          }
          return ok(null);
        }
        default:
          return ok(null);
      }
    },
    setKey: (key) => {
      if (key.fifths !== memory.fifths || bars.length === 1) setKey(key);
    },
    setMeter: (given) => {
      if (bars.length > 1 && given.beats === meter.beats && given.beatType === meter.beatType) return;
      bar().meter = given;
      meter = given;
    },
    bars: () => bars.filter((each, i) => each.length > 0 || i === 0),
    hasDoubt: () => memory.hasDoubt,
  };
}

function printedLength(element: AbcElement, meter: Meter): Ticks {
  if (element.rest?.type === 'multimeasure') return barTicks(meter, PLAIN_TICKS) * (element.rest.text ?? 1);
  if (element.rest?.type === 'spacer') return 0;
  return Math.round((element.duration ?? 0) * WHOLE);
}

function notesOf(
  element: AbcElement,
  text: string,
  {
    memory,
    propagation,
    bar,
  }: { readonly memory: SignMemory; readonly propagation: Propagation; readonly bar: string },
): Result<readonly PlainNote[], Fault> {
  const fingers = fingersOf(element, text);
  const notes: PlainNote[] = [];
  for (const [i, note] of (element.pitches ?? []).entries()) {
    const pitch = pitchOf(note, memory, propagation);
    if (!pitch) return err({ code: 'read.quarter-tone', bar, at: placeIn(text, element.startChar) });
    notes.push({ pitch, finger: fingers[i] ?? null, tiesOn: note.startTie !== undefined });
  }
  return ok(notes);
}

/** Fingers are decorations `!1!` to `!5!`; inside a chord each belongs to the note behind it, in front of one to its
 * notes from the first on. */
function fingersOf(element: AbcElement, text: string): readonly (Finger | null)[] {
  const pitches = element.pitches ?? [];
  const said = (element.decoration ?? []).filter((name) => /^[1-5]$/.test(name)).map((name) => Number(name) as Finger);
  if (said.length === 0) return [];
  const chord = /\[([^\]]*)\]/.exec(text.slice(element.startChar, element.endChar))?.[1];
  const tokens = [...(chord ?? '').matchAll(/!([1-5])!|[_^=]*[A-Ga-g][,']*/g)];
  if (!tokens.some(([, finger]) => finger !== undefined)) return pitches.map((_, i) => said[i] ?? null);
  const byName = new Map<string, Finger>();
  let pending: Finger | null = null;
  for (const [token, finger] of tokens) {
    if (finger !== undefined) pending = Number(finger) as Finger;
    else {
      if (pending !== null) byName.set(token, pending);
      pending = null;
    }
  }
  return pitches.map(({ name }: AbcPitch) => byName.get(name) ?? null);
}

/** Dynamics that are drawn as such. */
const DYNAMICS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'sfz'];
const ARTICULATIONS: Readonly<Record<string, 'staccato' | 'accent' | 'tenuto'>> = {
  staccato: 'staccato',
  accent: 'accent',
  emphasis: 'accent',
  '>': 'accent',
  tenuto: 'tenuto',
};

function marksOf(
  element: AbcElement,
): Pick<PlainEvent, 'slurStarts' | 'slurStops' | 'chordSymbol' | 'dynamic' | 'articulations' | 'hasFermata' | 'words'> {
  const names = element.decoration ?? [];
  const pitches = element.pitches ?? [];
  const count = (of: 'startSlur' | 'endSlur'): number =>
    (element[of]?.length ?? 0) + pitches.reduce((sum, note) => sum + (note[of]?.length ?? 0), 0);
  const symbols = (element.chord ?? []).map(({ name, position }) => ({
    name,
    chord: position === 'default' ? parseChordSymbol(name) : null,
  }));
  return {
    slurStarts: count('startSlur'),
    slurStops: count('endSlur'),
    chordSymbol: symbols.find(({ chord }) => chord)?.chord ?? null,
    words:
      symbols
        .filter(({ chord }) => !chord)
        .map(({ name }) => name)
        .join(' ') || null,
    dynamic: names.find((name) => DYNAMICS.includes(name)) ?? null,
    articulations: names.flatMap((name) => ARTICULATIONS[name] ?? []),
    hasFermata: names.includes('fermata'),
  };
}

/** Syllables of each verse; `verses` remembers which are in the middle of a word. */
function lyricsOf(element: AbcElement, verses: boolean[]): readonly PlainLyric[] {
  return (element.lyric ?? []).flatMap(({ syllable, divider }, i): readonly PlainLyric[] => {
    const inWord = verses[i] ?? false;
    const goesOn = divider === '-';
    if (syllable === '') return [];
    verses[i] = goesOn;
    return [
      {
        text: syllable,
        syllabic: inWord ? (goesOn ? 'middle' : 'end') : goesOn ? 'begin' : 'single',
        extends: divider === '_',
      },
    ];
  });
}

/** Line and column of a character, from 1. */
export function placeIn(text: string, at: number): { readonly line: number; readonly column: number } {
  const before = text.slice(0, at).split('\n');
  return { line: before.length, column: (before.at(-1) ?? '').length + 1 };
}
