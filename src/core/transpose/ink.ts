import { childElements, mapChildren, textOf, withoutAttributes, withoutChildren, type XmlElement } from '../xml';

/** Places of ink, in the coordinates of the old engraving. Source: MusicXML 4.0, attribute groups `position` and `bezier`. */
const POSITIONS = ['default-x', 'default-y', 'relative-x', 'relative-y'];
const BEZIER = ['bezier-x', 'bezier-y', 'bezier-x2', 'bezier-y2', 'bezier-offset', 'bezier-offset2'];
const SIDES = ['placement', 'orientation'];

/** Takes away what moving a note makes stale: the stem's direction, positions on the page, and the sides that ties and
 * articulations took because of the stem. Whoever engraves the piece chooses them anew. The side of a slur stays: it
 * belongs to the phrase. */
export function withoutStaleInk(note: XmlElement): XmlElement {
  const bare = withoutChildren(
    withoutAttributes(note, POSITIONS),
    (child) => child.name === 'stem' && isDirected(child),
  );
  return mapChildren(bare, (child) => {
    if (child.name === 'accidental' || child.name === 'beam' || child.name === 'dot')
      return withoutAttributes(child, POSITIONS);
    return child.name === 'notations' ? mapChildren(child, freshNotation) : child;
  });
}

function isDirected(stem: XmlElement): boolean {
  return textOf(stem) === 'up' || textOf(stem) === 'down';
}

function freshNotation(mark: XmlElement): XmlElement {
  if (mark.name === 'slur') return withoutAttributes(mark, [...POSITIONS, ...BEZIER]);
  if (mark.name === 'tied') return withoutAttributes(mark, [...POSITIONS, ...BEZIER, ...SIDES]);
  if (mark.name === 'articulations')
    return mapChildren(mark, (child) => withoutAttributes(child, [...POSITIONS, ...SIDES]));
  return childElements(mark).length > 0
    ? mapChildren(mark, (child) => withoutAttributes(child, POSITIONS))
    : withoutAttributes(mark, POSITIONS);
}
