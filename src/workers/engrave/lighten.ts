import { ROOM_MARK } from '@/core/write';
import {
  childElements,
  isElement,
  withoutAttributes,
  serialiseElement,
  type XmlElement,
  type XmlNode,
} from '@/core/xml';
import { isStaffLine, wholeText } from './picture';

/** A picture's text, lighter for the browser without changing what is seen: signs are drawn in place instead of being referred to (each
 * reference is a tree of its own), the five lines of a staff are one shape, groups that nothing points at are taken out, and text
 * stands in one element. The style sheet that each picture brings goes too: the page has one for all of them. About half of the elements are left. */
export function lightened(root: XmlElement): string {
  const signs = signsOf(root);
  return serialiseElement({ ...root, children: lighterChildren(root, signs) });
}

/** The signs that a picture defines, by their ids: a group of one path, drawn upside down. */
type Signs = ReadonlyMap<string, string>;

function signsOf(root: XmlElement): Signs {
  const defined = childElements(root, 'defs').flatMap((defs) => childElements(defs, 'g'));
  return new Map(
    defined.flatMap(({ attributes, children }) => {
      const path = children.find(isElement);
      const isSign = path?.name === 'path' && path.attributes['transform'] === 'scale(1,-1)';
      return isSign ? [[attributes['id'] ?? '', path.attributes['d'] ?? ''] as const] : [];
    }),
  );
}

function lighterChildren(parent: XmlElement, signs: Signs): readonly XmlNode[] {
  return joinedLines(parent.children.flatMap((child) => (isElement(child) ? lighter(child, signs) : [child])));
}

/** What an element becomes: itself, something simpler, what is in it, or nothing. */
function lighter(element: XmlElement, signs: Signs): readonly XmlNode[] {
  switch (element.name) {
    case 'desc':
    case 'style':
      return [];
    case 'use':
      return [inPlace(element, signs)];
    case 'text':
      return plainText(element);
    case 'g':
      if (signs.has(element.attributes['id'] ?? '')) return [];
      return isKept(element)
        ? [{ ...element, children: lighterChildren(element, signs) }]
        : lighterChildren(element, signs);
    default:
      return [{ ...element, children: lighterChildren(element, signs) }];
  }
}

/** A sign where it is referred to, drawn there. What refers to something else stays. */
function inPlace(use: XmlElement, signs: Signs): XmlElement {
  const { href, transform, ...rest } = use.attributes;
  const d = signs.get((href ?? '').slice(1));
  const place = PLACED.exec(transform ?? '');
  if (d === undefined || !place) return use;
  const [, x, y, across, up] = place;
  return {
    ...use,
    name: 'path',
    attributes: { class: 'sign', transform: `translate(${x} ${y}) scale(${across} ${-Number(up)})`, d, ...rest },
  };
}

const PLACED = /^translate\((-?[\d.]+),? (-?[\d.]+)\) scale\((-?[\d.]+),? (-?[\d.]+)\)$/;

/** A text of one element: the engraver nests it twice, with the size at the innermost. One that only keeps room free is not seen. */
function plainText(text: XmlElement): readonly XmlNode[] {
  const [outer, ...more] = childElements(text, 'tspan');
  const [inner, ...others] = outer ? childElements(outer, 'tspan') : [];
  const isSimple =
    inner && more.length === 0 && others.length === 0 && inner.children.every((node) => !isElement(node));
  if (!isSimple || text.attributes['font-size'] !== '0px') return [text];
  if (wholeText(inner) === ROOM_MARK) return [];
  const plain = withoutAttributes(text, ['font-size']);
  return [{ ...plain, attributes: { ...plain.attributes, ...inner.attributes }, children: inner.children }];
}

/** Lines of a staff that stand next to each other, as one shape. */
function joinedLines(nodes: readonly XmlNode[]): readonly XmlNode[] {
  const joined: XmlNode[] = [];
  for (const node of nodes) {
    const last = joined.at(-1);
    if (last && isLine(last) && isLine(node)) {
      const d = `${last.attributes['d']}${node.attributes['d']}`;
      joined[joined.length - 1] = { ...last, attributes: { ...last.attributes, d } };
    } else {
      joined.push(node);
    }
  }
  return joined;
}

/** Also one that was joined of several. */
function isLine(node: XmlNode): node is XmlElement {
  if (!isElement(node) || node.attributes['stroke-width'] === undefined) return false;
  const [first] = (node.attributes['d'] ?? '').split(/(?<=.)(?=M)/);
  return isStaffLine({ ...node, attributes: { ...node.attributes, d: first ?? '' } });
}

/** Groups that style sheets, tests or the screen point at. */
const POINTED_AT = new Set([
  'note',
  'notehead',
  'fing',
  'tempo',
  'ending',
  'reh',
  'dir',
  'dynam',
  'mNum',
  'verse',
  'clef',
  'keySig',
  'keyAccid',
  'accid',
  'barLine',
  'definition-scale',
  'page-margin',
]);

function isKept({ attributes, children }: XmlElement): boolean {
  if (children.length === 0) return false;
  const [first = ''] = (attributes['class'] ?? '').split(' ');
  return POINTED_AT.has(first) || Object.keys(attributes).some((name) => /transform|stroke|fill|font/.test(name));
}
