import { childElements, element, firstChild, isElement, textOf, withChildren, type XmlElement } from '../xml';

/** The children of a note in their order. Source: MusicXML 4.0, `note`. */
const NOTE_ORDER = [
  'grace',
  'cue',
  'chord',
  'pitch',
  'rest',
  'unpitched',
  'duration',
  'tie',
  'instrument',
  'footnote',
  'level',
  'voice',
  'type',
  'dot',
  'accidental',
  'time-modification',
  'stem',
  'notehead',
  'notehead-text',
  'staff',
  'beam',
  'notations',
  'lyric',
  'play',
  'listen',
];

/** Gives a note other children of a name, in their place; all others stay as they are. */
export function withNamed(note: XmlElement, name: string, wanted: readonly XmlElement[]): XmlElement {
  const present = childElements(note, name);
  if (present.length === wanted.length && present.every((child, i) => sameElement(child, wanted[i]))) return note;
  const others = note.children.filter((child) => !(isElement(child) && child.name === name));
  const order = NOTE_ORDER.indexOf(name);
  const place = others.findLastIndex((child) => isElement(child) && NOTE_ORDER.indexOf(child.name) < order) + 1;
  return withChildren(note, others.toSpliced(place, 0, ...wanted));
}

function sameElement(a: XmlElement, b: XmlElement | undefined): boolean {
  if (!b || a.name !== b.name || textOf(a) !== textOf(b)) return false;
  const names = new Set([...Object.keys(a.attributes), ...Object.keys(b.attributes)]);
  if ([...names].some((name) => a.attributes[name] !== b.attributes[name])) return false;
  const [mine, theirs] = [childElements(a), childElements(b)];
  return mine.length === theirs.length && mine.every((child, i) => sameElement(child, theirs[i]));
}

/** Text in an element of its own. */
export function say(name: string, text: string | number): XmlElement {
  return element(name, {}, [String(text)]);
}

/** What stands in a note's notations: slurs, tied, tuplet … `group` looks into one of them, as `articulations`. */
export function notationsOf(note: XmlElement, group?: string): readonly XmlElement[] {
  const all = childElements(note, 'notations').flatMap((notations) => childElements(notations));
  return group === undefined ? all : all.filter(({ name }) => name === group).flatMap((found) => childElements(found));
}

/** Changes what stands in a note's notations; an empty one goes. */
export function withNotations(
  note: XmlElement,
  change: (all: readonly XmlElement[]) => readonly XmlElement[],
): XmlElement {
  const before = notationsOf(note);
  const after = change(before).filter((child) => !(GROUPS.includes(child.name) && childElements(child).length === 0));
  if (after.length === before.length && after.every((child, i) => child === before[i])) return note;
  const notations = firstChild(note, 'notations') ?? element('notations');
  return withNamed(note, 'notations', after.length === 0 ? [] : [withChildren(notations, after)]);
}

const GROUPS = ['articulations', 'technical', 'ornaments'];

/** Changes a group of notations, as `articulations`. */
export function withGroup(
  note: XmlElement,
  group: string,
  change: (marks: readonly XmlElement[]) => readonly XmlElement[],
): XmlElement {
  return withNotations(note, (all) => {
    const own = all.filter(({ name }) => name === group);
    const marks = change(own.flatMap((found) => childElements(found)));
    const others = all.filter(({ name }) => name !== group);
    return marks.length === 0 ? others : [...others, withChildren(own[0] ?? element(group), marks)];
  });
}
