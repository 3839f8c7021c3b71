import {
  childElements,
  element,
  firstChild,
  isElement,
  mapChildren,
  withChildren,
  withoutChildren,
  type XmlElement,
  type XmlNode,
} from '../xml';

/** Draws a part whose staves have one line each on these lines: notes without pitch, signs, slurs or signature, and a chord as one head with all its fingers. */
export function onLines(part: XmlElement): XmlElement {
  return mapChildren(part, (measure) => (measure.name === 'measure' ? rhythmMeasure(measure) : measure));
}

function rhythmMeasure(measure: XmlElement): XmlElement {
  const children: XmlNode[] = [];
  for (const node of measure.children) {
    if (!isElement(node)) children.push(node);
    else if (node.name === 'attributes') children.push(withoutPitch(node));
    else if (node.name === 'note' && firstChild(node, 'chord')) addFingers(children, node);
    else if (node.name === 'note') children.push(headOnLine(node));
    else children.push(node);
  }
  return withChildren(measure, children);
}

/** The place of the single line: where the engraver has it. Source: Verovio 6.3.0, tried: `loc` 0 of a staff of one line. */
const LINE = element('unpitched', {}, [element('display-step', {}, ['E']), element('display-octave', {}, ['4'])]);

function headOnLine(note: XmlElement): XmlElement {
  const bare = withoutChildren(note, ({ name }) => name === 'accidental' || name === 'stem');
  return mapChildren(bare, (child) => {
    if (child.name === 'notations') return withoutChildren(child, ({ name }) => name === 'slur');
    return child.name === 'pitch' ? LINE : child;
  });
}

/** Neither a clef nor a signature stands before a rhythm. */
function withoutPitch(attributes: XmlElement): XmlElement {
  const bare = withoutChildren(attributes, ({ name }) => name === 'key' || name === 'transpose');
  return mapChildren(bare, (child) =>
    child.name === 'clef' ? withChildren(child, [element('sign', {}, ['percussion'])]) : child,
  );
}

/** The fingers of a chord's further notes go to its first. */
function addFingers(children: XmlNode[], member: XmlElement): void {
  const at = children.findLastIndex((node) => isElement(node) && node.name === 'note');
  const head = children[at];
  const fingers = fingeringsOf(member);
  if (!head || !isElement(head) || fingers.length === 0) return;
  const notations = firstChild(head, 'notations') ?? element('notations');
  const technical = firstChild(notations, 'technical') ?? element('technical');
  const more = withChildren(technical, [...technical.children, ...fingers]);
  const others = withoutChildren(notations, ({ name }) => name === 'technical');
  const rest = withoutChildren(head, ({ name }) => name === 'notations');
  const lyric = rest.children.findIndex((node) => isElement(node) && node.name === 'lyric');
  const place = lyric < 0 ? rest.children.length : lyric;
  const joined = withChildren(others, [...others.children, more]);
  children[at] = withChildren(rest, rest.children.toSpliced(place, 0, joined));
}

function fingeringsOf(note: XmlElement): readonly XmlElement[] {
  return childElements(note, 'notations')
    .flatMap((notations) => childElements(notations, 'technical'))
    .flatMap((technical) => childElements(technical, 'fingering'));
}
