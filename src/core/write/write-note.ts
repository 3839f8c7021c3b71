import { childAt, element, firstChild, withAttribute, withChild, withoutChildren, type XmlElement } from '../markup';
import { LETTERS } from '../pitch';
import { readAccidental, readPitch } from '../read';
import type { DrawnAccidental, NoteItem } from '../score';
import { samePitch, type Pitch } from '../pitch';

/** What stands before `<accidental>` in a note. Source: MusicXML 4.0, `note`. */
const BEFORE_ACCIDENTAL = ['grace', 'cue', 'chord', 'pitch', 'rest', 'duration', 'tie', 'instrument', 'footnote', 'level', 'voice', 'type', 'dot'];

/** The element of a note, with the typed values in place of those it was read with.
 * Where nothing was changed the very element comes back. */
export function writeNote(note: NoteItem): XmlElement {
  return writeFingers(note, writeAccidental(note, writePitch(note, note.xml)));
}

function writePitch(note: NoteItem, xml: XmlElement): XmlElement {
  const pitchXml = firstChild(xml, 'pitch');
  if (!note.pitch || !pitchXml) return xml;
  const asRead = readPitch(pitchXml, '');
  if (asRead.ok && samePitch(asRead.value, note.pitch)) return xml;
  return withChild(xml, pitchElement(pitchXml, note.pitch), []);
}

function pitchElement(before: XmlElement, pitch: Pitch): XmlElement {
  const step = withChild(before, element('step', {}, [LETTERS[pitch.step]]), []);
  const octave = withChild(step, element('octave', {}, [String(pitch.octave)]), ['step']);
  if (pitch.alter === 0) return withoutChildren(octave, (child) => child.name === 'alter');
  return withChild(octave, element('alter', {}, [String(pitch.alter)]), ['step']);
}

function writeAccidental(note: NoteItem, xml: XmlElement): XmlElement {
  if (sameSign(readAccidental(xml), note.accidental)) return xml;
  if (!note.accidental) return withoutChildren(xml, (child) => child.name === 'accidental');
  const { sign, courtesy, parentheses } = note.accidental;
  const attributes: Record<string, string> = { ...(courtesy ? { cautionary: 'yes' } : {}), ...(parentheses ? { parentheses: 'yes' } : {}) };
  return withChild(xml, element('accidental', attributes, [sign]), BEFORE_ACCIDENTAL);
}

function sameSign(a: DrawnAccidental | null, b: DrawnAccidental | null): boolean {
  return a?.sign === b?.sign && a?.courtesy === b?.courtesy && a?.parentheses === b?.parentheses;
}

/** Fingers are carried in the element; a note whose fingers were taken away loses them there too. */
function writeFingers(note: NoteItem, xml: XmlElement): XmlElement {
  if (note.fingers.length > 0 || !childAt(xml, 'notations', 'technical', 'fingering')) return xml;
  const technical = childAt(xml, 'notations', 'technical') as XmlElement;
  const notations = firstChild(xml, 'notations') as XmlElement;
  const kept = withoutChildren(technical, (child) => child.name === 'fingering');
  const isEmpty = (node: XmlElement): boolean => !node.children.some((child) => child.kind === 'element');
  const inside = isEmpty(kept) ? withoutChildren(notations, (child) => child === technical) : withChild(notations, kept, []);
  return isEmpty(inside) ? withoutChildren(xml, (child) => child === notations) : withChild(xml, inside, []);
}

/** The element with this id, so that an engraving can be pointed at. */
export function withId(xml: XmlElement, id: string): XmlElement {
  return withAttribute(xml, 'id', id);
}
