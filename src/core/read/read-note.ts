import { err, ok, type Fault, type Result } from '../base';
import { childElements, childText, firstChild, textOf, type XmlElement } from '../xml';
import { stepOfLetter, type Letter, type Pitch } from '../pitch';
import type { AccidentalSign, DrawnAccidental, Finger, NoteItem } from '../score';
import type { Ticks } from '../time';

/** Signs of MusicXML and the sign of print that says the same. Source: MusicXML 4.0, `accidental-value`. */
const SIGNS: Readonly<Record<string, AccidentalSign>> = {
  sharp: 'sharp',
  flat: 'flat',
  natural: 'natural',
  'double-sharp': 'double-sharp',
  'sharp-sharp': 'double-sharp',
  'flat-flat': 'flat-flat',
  'natural-sharp': 'sharp',
  'natural-flat': 'flat',
};

/** Where a note stands: what its own element does not say. */
export interface NotePlace {
  readonly bar: string;
  readonly id: string;
  readonly onset: Ticks;
  readonly duration: Ticks;
}

/** Reads one `<note>`. Errors: `read.unpitched`, `read.quarter-tone`, `read.missing`, `read.bad-value`. */
export function readNote(xml: XmlElement, place: NotePlace): Result<NoteItem, Fault> {
  const at = { line: xml.line, column: xml.column };
  if (firstChild(xml, 'unpitched')) return err({ code: 'read.unpitched', bar: place.bar, at });
  const pitchXml = firstChild(xml, 'pitch');
  if (!pitchXml && !firstChild(xml, 'rest')) {
    return err({ code: 'read.missing', element: 'pitch', inside: 'note', bar: place.bar, at });
  }
  const pitch = pitchXml ? readPitch(pitchXml, place.bar) : ok(null);
  if (!pitch.ok) return pitch;
  const ties = childElements(xml, 'tie').map((tie) => tie.attributes['type']);
  return ok({
    kind: 'note',
    id: place.id,
    xml,
    pitch: pitch.value,
    onset: place.onset,
    duration: place.duration,
    isGrace: firstChild(xml, 'grace') !== undefined,
    isCue: firstChild(xml, 'cue') !== undefined,
    isChordMember: firstChild(xml, 'chord') !== undefined,
    voice: childText(xml, 'voice') ?? '1',
    staff: Number(childText(xml, 'staff') ?? '1') || 1,
    tieStart: ties.includes('start'),
    tieStop: ties.includes('stop'),
    accidental: readAccidental(xml),
    fingers: readFingers(xml),
  });
}

/** The sign drawn in front of a note, as its element says. */
export function readAccidental(note: XmlElement): DrawnAccidental | null {
  const xml = firstChild(note, 'accidental');
  const sign = SIGNS[textOf(xml)];
  if (!xml || !sign) return null;
  const courtesy = ['cautionary', 'editorial', 'parentheses', 'bracket'].some((name) => xml.attributes[name] === 'yes');
  return { sign, courtesy, parentheses: xml.attributes['parentheses'] === 'yes' };
}

/** The pitch in a `<pitch>` element. */
export function readPitch(xml: XmlElement, bar: string): Result<Pitch, Fault> {
  const at = { line: xml.line, column: xml.column };
  const stepText = childText(xml, 'step') ?? '';
  const alterText = childText(xml, 'alter') ?? '0';
  const octaveText = childText(xml, 'octave') ?? '';
  if (!/^[A-G]$/.test(stepText)) return err({ code: 'read.bad-value', element: 'step', value: stepText, bar, at });
  if (!/^\d$/.test(octaveText)) return err({ code: 'read.bad-value', element: 'octave', value: octaveText, bar, at });
  const alter = Number(alterText);
  if (!Number.isFinite(alter)) return err({ code: 'read.bad-value', element: 'alter', value: alterText, bar, at });
  if (!Number.isInteger(alter)) return err({ code: 'read.quarter-tone', bar, at });
  if (Math.abs(alter) > 3) return err({ code: 'read.bad-value', element: 'alter', value: alterText, bar, at });
  return ok({ step: stepOfLetter(stepText as Letter), alter: alter + 0, octave: Number(octaveText) });
}

/** The fingers printed at a note; a change on one key, printed as `3-1` or as two marks, has both. */
export function readFingers(note: XmlElement): readonly Finger[] {
  return childElements(note, 'notations')
    .flatMap((notations) => childElements(notations, 'technical'))
    .flatMap((technical) => childElements(technical, 'fingering'))
    .filter((fingering) => fingering.attributes['alternate'] !== 'yes')
    .map((fingering) => textOf(fingering))
    .flatMap((text) =>
      FINGER_MARK.test(text) ? [...text.matchAll(/[1-5]/g)].map(([digit]) => Number(digit) as Finger) : [],
    );
}

const FINGER_MARK = /^\s*[1-5](\s*[-–—/]\s*[1-5])?\s*$/;
