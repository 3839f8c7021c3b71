import { isElement, type XmlElement, type XmlNode } from './element';

/** Gives an element other children. */
export function withChildren(parent: XmlElement, children: readonly XmlNode[]): XmlElement {
  return { ...parent, children };
}

/** Sets or, with undefined, removes an attribute. */
export function withAttribute(node: XmlElement, name: string, value: string | undefined): XmlElement {
  if (node.attributes[name] === value) return node;
  const rest = Object.entries(node.attributes).filter(([key]) => key !== name);
  if (value === undefined) return { ...node, attributes: Object.fromEntries(rest) };
  const entries =
    name in node.attributes
      ? Object.entries(node.attributes).map(([key, old]) => [key, key === name ? value : old])
      : [...rest, [name, value]];
  return { ...node, attributes: Object.fromEntries(entries) as Record<string, string> };
}

export function withoutAttributes(node: XmlElement, names: readonly string[]): XmlElement {
  return names.reduce((at, name) => withAttribute(at, name, undefined), node);
}

/** Replaces the first child of the new child's name, or puts it in after the last child named in `after`
 * (at the front where there is none), with the indentation that its neighbours have. */
export function withChild(parent: XmlElement, child: XmlElement, after: readonly string[]): XmlElement {
  const at = parent.children.findIndex((node) => isElement(node) && node.name === child.name);
  if (at >= 0) return withChildren(parent, parent.children.with(at, child));
  const place = parent.children.findLastIndex((node) => isElement(node) && after.includes(node.name)) + 1;
  const indent = parent.children.find(isBlank);
  const added: readonly XmlNode[] = indent ? [indent, child] : [child];
  return withChildren(parent, parent.children.toSpliced(place, 0, ...added));
}

/** Removes the children for which the test holds, with the blank text before each. */
export function withoutChildren(parent: XmlElement, test: (child: XmlElement) => boolean): XmlElement {
  const isGone = (node: XmlNode | undefined): boolean => node !== undefined && isElement(node) && test(node);
  if (!parent.children.some(isGone)) return parent;
  const kept = parent.children.filter((node, i) => !isGone(node) && !(isBlank(node) && isGone(parent.children[i + 1])));
  return withChildren(parent, kept);
}

/** Changes each child element by a function; gives the same object back where nothing changed. */
export function mapChildren(parent: XmlElement, change: (child: XmlElement) => XmlElement): XmlElement {
  const children = parent.children.map((node) => (isElement(node) ? change(node) : node));
  return children.every((node, i) => node === parent.children[i]) ? parent : withChildren(parent, children);
}

function isBlank(node: XmlNode): boolean {
  return node.kind === 'text' && node.text.trim() === '';
}
