import { childElements, childText, textOf, type XmlElement } from '../../xml';
import { LETTERS, signatureAlter, type Pitch } from '../../pitch';
import type { Ticks } from '../../time';
import { notations, type AbcEvent } from './abc-events';

/** The signs that hold in a bar, under both readings of ABC: for a letter in its own octave, and in all octaves. */
export interface AbcSigns {
  readonly fifths: number;
  readonly here: Map<string, number>;
  readonly anywhere: Map<number, number>;
}

export function freshSigns(fifths: number): AbcSigns {
  return { fifths, here: new Map(), anywhere: new Map() };
}

const SIGN: Readonly<Record<number, string>> = { [-2]: '__', [-1]: '_', 0: '=', 1: '^', 2: '^^' };

/** A pitch in ABC. A sign is written wherever the two readings of ABC would not both give this pitch without it. */
export function pitchText(pitch: Pitch, signs: AbcSigns): string {
  const place = `${pitch.step}/${pitch.octave}`;
  const plain = signatureAlter(signs.fifths, pitch.step);
  const readings = [signs.here.get(place) ?? plain, signs.anywhere.get(pitch.step) ?? plain];
  const needsSign = readings.some((alter) => alter !== pitch.alter);
  if (needsSign) {
    signs.here.set(place, pitch.alter);
    signs.anywhere.set(pitch.step, pitch.alter);
  }
  const letter = LETTERS[pitch.step];
  const octave =
    pitch.octave >= 5 ? letter.toLowerCase() + "'".repeat(pitch.octave - 5) : letter + ','.repeat(4 - pitch.octave);
  return (needsSign ? (SIGN[pitch.alter] ?? '') : '') + octave;
}

/** A length in units of an eighth: `` for one, `2`, `3/2`, `1/2`. */
export function lengthText(ticks: Ticks, ticksPerQuarter: number): string {
  const over = ticks * 2;
  const divisor = gcd(over, ticksPerQuarter);
  const [top, bottom] = [over / divisor, ticksPerQuarter / divisor];
  if (bottom === 1) return top === 1 ? '' : String(top);
  return `${top}/${bottom}`;
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b);
}

/** One event with everything in front of it and behind it, but its tuplet. */
export function eventText(event: AbcEvent, signs: AbcSigns, ticksPerQuarter: number): string {
  const printed = event.ratio ? (event.duration * event.ratio.actual) / event.ratio.normal : event.duration;
  const length = lengthText(printed, ticksPerQuarter);
  const { xml } = event.lead;
  const graces = event.graces.length === 0 ? '' : `{${event.graces.map((pitch) => pitchText(pitch, signs)).join('')}}`;
  const opens = '('.repeat(slurs(xml, 'start'));
  const closes = ')'.repeat(slurs(xml, 'stop'));
  if (event.notes.length === 0) return `${event.before.join('')}${opens}z${length}${closes}`;
  const notes = event.notes.map(
    ({ pitch, item }) =>
      `${item.fingers[0] ? `!${item.fingers[0]}!` : ''}${pitchText(pitch, signs)}${event.notes.length > 1 && item.tieStart ? '-' : ''}`,
  );
  const chord = notes.length > 1 ? `[${notes.join('')}]` : notes.join('');
  const tie = notes.length === 1 && event.lead.tieStart ? '-' : '';
  return `${event.before.join('')}${marks(xml)}${opens}${graces}${chord}${length}${tie}${closes}`;
}

function slurs(note: XmlElement, type: string): number {
  return notations(note).filter(({ name, attributes }) => name === 'slur' && attributes['type'] === type).length;
}

const MARKS: Readonly<Record<string, string>> = {
  staccato: '.',
  accent: '!accent!',
  tenuto: '!tenuto!',
  'strong-accent': '!^!',
  'trill-mark': '!trill!',
  mordent: '!lowermordent!',
  'inverted-mordent': '!uppermordent!',
  turn: '!turn!',
  fermata: '!fermata!',
};

function marks(note: XmlElement): string {
  const given = notations(note).flatMap((mark) =>
    ['articulations', 'ornaments'].includes(mark.name) ? childElements(mark) : [mark],
  );
  return given.map(({ name }) => MARKS[name] ?? '').join('');
}

/** The syllable of a verse at a note, as the `w:` line has it: `la-`, `la`, `la_`; `*` where the note has none. */
export function syllableText(note: XmlElement, verse: number): string {
  const lyric = childElements(note, 'lyric').find(
    ({ attributes }, i) => Number(attributes['number'] ?? i + 1) === verse,
  );
  const text = lyric && textOf(childElements(lyric, 'text')[0]);
  if (!lyric || !text) return '*';
  const syllabic = childText(lyric, 'syllabic') ?? 'single';
  const escaped = text.replaceAll('-', '\\-').replaceAll(' ', '~').replaceAll('_', '\\_');
  return escaped + (syllabic === 'begin' || syllabic === 'middle' ? '-' : ' ');
}
