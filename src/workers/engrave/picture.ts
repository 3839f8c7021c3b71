import { err, ok, type Result } from '@/core/base';
import { childElements, isElement, parseXml, withAttribute, type XmlElement } from '@/core/xml';

/** Units of a picture to a pixel at print size. Source: our own look at the engraver's pictures, whose inner and outer boxes differ by it. */
const UNITS = 10;

/** A picture of the engraver as a tree: the outer box, the inner one with the units in which everything is placed, and the group inside the margin. */
export interface Picture {
  readonly root: XmlElement;
  readonly width: number;
  readonly height: number;
  /** By how much everything inside is moved. */
  readonly left: number;
  readonly top: number;
}

/** Reads a picture. Errors: what is not as our reading of the engraver's pictures expects it, for a sentence. */
export function readPicture(svg: string): Result<Picture, string> {
  const read = parseXml(svg);
  if (!read.ok) return err('it is no picture that can be read');
  const { root } = read.value;
  const inner = childElements(root, 'svg').find(hasClass('definition-scale'));
  const box = /^0 0 ([\d.]+) ([\d.]+)$/.exec(inner?.attributes['viewBox'] ?? '');
  if (!inner || !box) return err('it has no inner box of its own scale');
  const margin = childElements(inner, 'g').find(hasClass('page-margin'));
  if (!margin) return err('it has no margin');
  const moved = translation(margin);
  if (!moved) return err('its margin is not placed');
  return ok({ root, width: Number(box[1]), height: Number(box[2]), left: moved.x, top: moved.y });
}

/** The same picture, at least as wide as a page: lines of different lengths are then of one size. A line that is longer keeps its own width. */
export function asWideAs(picture: Picture, widthPx: number, zoom: number): Picture {
  const width = Math.max((widthPx * UNITS * 100) / zoom, picture.width);
  const widened = widenedTo(picture.root, widthPx);
  const children = widened.children.map((child) =>
    isElement(child) && hasClass('definition-scale')(child) ? widenedTo(child, width) : child,
  );
  return { ...picture, root: { ...widened, children }, width };
}

function widenedTo(box: XmlElement, least: number): XmlElement {
  const [x = '0', y = '0', width = '0', height = '0'] = (box.attributes['viewBox'] ?? '').split(' ');
  return withAttribute(box, 'viewBox', [x, y, String(Math.max(least, Number(width))), height].join(' '));
}

/** The same picture with its outer box in exactly the proportion of the inner one: the engraver rounds it to whole pixels, and a page of several
 * systems would be cut by as many. */
export function trueToScale(picture: Picture): Picture {
  const width = Number((picture.root.attributes['viewBox'] ?? '').split(' ')[2]);
  if (!(width > 0) || picture.width === 0) return picture;
  const height = Math.round((width * picture.height * 1000) / picture.width) / 1000;
  return { ...picture, root: withAttribute(picture.root, 'viewBox', `0 0 ${width} ${height}`) };
}

/** Whether an element has a class. */
export function hasClass(name: string): (element: XmlElement) => boolean {
  return ({ attributes }) => (attributes['class'] ?? '').split(' ').includes(name);
}

/** Where an element is moved to, as `translate(12, 34)` says it. */
export function translation({ attributes }: XmlElement): { readonly x: number; readonly y: number } | null {
  const found = /translate\((-?[\d.]+),? (-?[\d.]+)\)/.exec(attributes['transform'] ?? '');
  return found ? { x: Number(found[1]), y: Number(found[2]) } : null;
}

/** The ends of a straight line: a path of nothing but two points. */
export function straightLine(
  path: XmlElement,
): { readonly x1: number; readonly x2: number; readonly y: number } | null {
  const found = /^M(-?[\d.]+) (-?[\d.]+) L(-?[\d.]+) -?[\d.]+$/.exec(path.attributes['d'] ?? '');
  return found ? { x1: Number(found[1]), y: Number(found[2]), x2: Number(found[3]) } : null;
}

/** Whether an element is a line of a staff. The engraver draws nothing else of that width. */
export function isStaffLine(element: XmlElement): boolean {
  return (
    element.name === 'path' && element.attributes['stroke-width'] === STAFF_LINE_WIDTH && straightLine(element) !== null
  );
}

/** Width of a line of the staff. Unit: of the engraving. Source: our own look at the engraver's pictures. */
const STAFF_LINE_WIDTH = '13';

/** All text inside an element as it stands there: room is kept by blanks of its own kind. */
export function wholeText(element: XmlElement): string {
  return element.children.map((child) => (isElement(child) ? wholeText(child) : child.text)).join('');
}
