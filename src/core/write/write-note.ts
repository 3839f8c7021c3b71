import { element, firstChild, withChild, withoutChildren, type XmlElement } from '../xml';
import { LETTERS, samePitch, type Pitch } from '../pitch';
import { readAccidental, readFingers, readPitch } from '../read';
import type { DrawnAccidental, NoteItem } from '../score';

/** What stands before `<accidental>` in a note. Source: MusicXML 4.0, `note`. */
const BEFORE_ACCIDENTAL = [
  'grace',
  'cue',
  'chord',
  'pitch',
  'rest',
  'duration',
  'tie',
  'instrument',
  'footnote',
  'level',
  'voice',
  'type',
  'dot',
];

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
  const attributes: Record<string, string> = {
    ...(courtesy ? { cautionary: 'yes' } : {}),
    ...(parentheses ? { parentheses: 'yes' } : {}),
  };
  return withChild(xml, element('accidental', attributes, [sign]), BEFORE_ACCIDENTAL);
}

function sameSign(a: DrawnAccidental | null, b: DrawnAccidental | null): boolean {
  return a?.sign === b?.sign && a?.courtesy === b?.courtesy && a?.parentheses === b?.parentheses;
}

/** What stands before `<notations>` in a note. Source: MusicXML 4.0, `note`. */
const BEFORE_NOTATIONS = [
  ...BEFORE_ACCIDENTAL,
  'accidental',
  'time-modification',
  'stem',
  'notehead',
  'notehead-text',
  'staff',
  'beam',
];

/** Fingers that are as they were read stay in their element as it is. A note whose fingers were taken away loses them there too; other
 * fingers take the place of the printed ones. Alternates that a file offers beside them are left alone. */
function writeFingers(note: NoteItem, xml: XmlElement): XmlElement {
  if (readFingers(xml).join() === note.fingers.join()) return xml;
  const notations = firstChild(xml, 'notations') ?? element('notations', {}, []);
  const technical = firstChild(notations, 'technical') ?? element('technical', {}, []);
  const old = technical.children.find((child): child is XmlElement => isMainFingering(child));
  const without = withoutChildren(technical, isMainFingering);
  const written = note.fingers.map((finger) =>
    element('fingering', fingeringAttributes(old, note.staff), [String(finger)]),
  );
  const fingered = { ...without, children: [...written, ...without.children] };
  const inside = hasElements(fingered)
    ? withChild(notations, fingered, BEFORE_TECHNICAL)
    : withoutChildren(notations, (child) => child === technical);
  return hasElements(inside)
    ? withChild(xml, inside, BEFORE_NOTATIONS)
    : withoutChildren(xml, (child) => child === notations);
}

/** Ties and slurs are written before fingers. Source: MusicXML 4.0 allows any order; this is the usual one. */
const BEFORE_TECHNICAL = ['footnote', 'level', 'tied', 'slur', 'tuplet', 'glissando', 'slide', 'ornaments'];

function isMainFingering(node: XmlElement | { readonly kind: string }): node is XmlElement {
  return 'name' in node && node.name === 'fingering' && node.attributes['alternate'] !== 'yes';
}

/** A new finger is drawn where the old one was; that the old one was a change of finger on one key is no longer true. */
function fingeringAttributes(old: XmlElement | undefined, staff: number): Readonly<Record<string, string>> {
  if (!old) return { placement: staff === 1 ? 'above' : 'below' };
  return Object.fromEntries(Object.entries(old.attributes).filter(([name]) => name !== 'substitution'));
}

function hasElements(node: XmlElement): boolean {
  return node.children.some((child) => child.kind === 'element');
}
