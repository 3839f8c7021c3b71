import { childElements, mapChildren, textOf, withoutAttributes, withoutChildren, type XmlElement } from '../markup';

/** Places of ink, in the coordinates of the old engraving. Source: MusicXML 4.0, attribute groups `position` and `bezier`. */
const POSITIONS = ['default-x', 'default-y', 'relative-x', 'relative-y'];
const CURVES = [...POSITIONS, 'placement', 'orientation', 'bezier-x', 'bezier-y', 'bezier-x2', 'bezier-y2', 'bezier-offset', 'bezier-offset2'];

/** Takes away what moving a note makes stale: the stem's direction, positions on the page, and the sides that slurs,
 * ties and articulations took because of it. Whoever engraves the piece chooses them anew. */
export function withoutStaleInk(note: XmlElement): XmlElement {
  const bare = withoutChildren(withoutAttributes(note, POSITIONS), (child) => child.name === 'stem' && isDirected(child));
  return mapChildren(bare, (child) => {
    if (child.name === 'accidental' || child.name === 'beam' || child.name === 'dot') return withoutAttributes(child, POSITIONS);
    return child.name === 'notations' ? mapChildren(child, freshNotation) : child;
  });
}

function isDirected(stem: XmlElement): boolean {
  return textOf(stem) === 'up' || textOf(stem) === 'down';
}

function freshNotation(mark: XmlElement): XmlElement {
  if (mark.name === 'slur' || mark.name === 'tied') return withoutAttributes(mark, CURVES);
  if (mark.name === 'articulations') return mapChildren(mark, (child) => withoutAttributes(child, CURVES));
  return childElements(mark).length > 0 ? mapChildren(mark, (child) => withoutAttributes(child, POSITIONS)) : withoutAttributes(mark, POSITIONS);
}
