import { err, ok, type Fault, type Result } from '../base';
import { childElements, childText, firstChild, type XmlElement } from '../xml';
import { MODES, type Mode } from '../pitch';
import type { AttributesItem, Clef, KeySignature, Transposition } from '../score';
import type { Meter, Ticks } from '../time';

/** Reads one `<attributes>`. Errors: `read.key-steps`, `read.bad-value`. */
export function readAttributes(xml: XmlElement, onset: Ticks, bar: string): Result<AttributesItem, Fault> {
  const keys: KeySignature[] = [];
  for (const keyXml of childElements(xml, 'key')) {
    const key = readKey(keyXml, bar);
    if (!key.ok) return key;
    keys.push(key.value);
  }
  return ok({
    kind: 'attributes',
    onset,
    xml,
    keys,
    clefs: childElements(xml, 'clef').map(readClef),
    transposition: readTransposition(xml),
  });
}

/** The signature in a `<key>`; seven signs at the most. */
export function readKey(xml: XmlElement, bar: string): Result<KeySignature, Fault> {
  const at = { line: xml.line, column: xml.column };
  if (firstChild(xml, 'key-step')) return err({ code: 'read.key-steps', bar, at });
  const text = childText(xml, 'fifths') ?? '';
  const fifths = Number(text);
  if (text === '' || !Number.isInteger(fifths) || Math.abs(fifths) > 7) {
    return err({ code: 'read.bad-value', element: 'fifths', value: text, bar, at });
  }
  const modeText = childText(xml, 'mode');
  const mode: Mode | null = MODES.find((name) => name === modeText) ?? null;
  const staff = xml.attributes['number'];
  return ok({ staff: staff === undefined ? null : Number(staff), fifths: fifths + 0, mode });
}

/** The meter in an `<attributes>`, null where it sets none. Additive beats (3+2) are summed. */
export function readMeter(xml: XmlElement, bar: string): Result<Meter | null, Fault> {
  const time = firstChild(xml, 'time');
  if (!time || firstChild(time, 'senza-misura')) return ok(null);
  const at = { line: time.line, column: time.column };
  const beatsText = childText(time, 'beats') ?? '';
  const typeText = childText(time, 'beat-type') ?? '';
  const beats = beatsText.split('+').reduce((sum, part) => sum + Number(part), 0);
  const beatType = Number(typeText);
  if (!Number.isInteger(beats) || beats < 1)
    return err({ code: 'read.bad-value', element: 'beats', value: beatsText, bar, at });
  if (![1, 2, 4, 8, 16, 32, 64].includes(beatType)) {
    return err({ code: 'read.bad-value', element: 'beat-type', value: typeText, bar, at });
  }
  return ok({ beats, beatType });
}

/** Lines on which clefs stand when the file does not say. Source: MusicXML 4.0, `clef`. */
const USUAL_LINE: Readonly<Record<string, number>> = { G: 2, F: 4, C: 3 };

function readClef(xml: XmlElement): Clef {
  const sign = childText(xml, 'sign') ?? 'G';
  return {
    staff: Number(xml.attributes['number'] ?? '1'),
    sign,
    line: Number(childText(xml, 'line') ?? USUAL_LINE[sign] ?? 2),
    octaveChange: Number(childText(xml, 'clef-octave-change') ?? '0'),
  };
}

function readTransposition(xml: XmlElement): Transposition | null {
  const transpose = firstChild(xml, 'transpose');
  if (!transpose) return null;
  const octaves = Number(childText(transpose, 'octave-change') ?? '0');
  const semitones = Number(childText(transpose, 'chromatic') ?? '0');
  const steps = childText(transpose, 'diatonic');
  return {
    semitones: semitones + 12 * octaves,
    // Without the letters, the usual interval of that many semitones is meant: 2 is a second, 3 a third.
    steps: (steps === undefined ? Math.round((semitones * 7) / 12) : Number(steps)) + 7 * octaves,
  };
}
