/** An XML document as an immutable tree, in its own order, with nothing left out:
 * what we do not understand is carried in it from reading to writing. */
export interface XmlDocument {
  readonly declaration: string | null;
  readonly prolog: readonly XmlNode[];
  readonly doctype: string | null;
  readonly root: XmlElement;
  readonly epilog: readonly XmlNode[];
}

export type XmlNode = XmlElement | XmlText | XmlOther;

/** `attributes` are in document order. `line` and `column` say where the element began in the file that was
 * read, from 1; elements that we made have 0. */
export interface XmlElement {
  readonly kind: 'element';
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
  readonly line: number;
  readonly column: number;
}

export interface XmlText {
  readonly kind: 'text';
  readonly text: string;
}

/** Comments, CDATA sections and processing instructions. */
export type XmlOther =
  | { readonly kind: 'comment'; readonly text: string }
  | { readonly kind: 'cdata'; readonly text: string }
  | { readonly kind: 'instruction'; readonly text: string };

/** Makes an element.
 * @example element('step', {}, ['C']) //=> <step>C</step> */
export function element(
  name: string,
  attributes: Readonly<Record<string, string>> = {},
  content: readonly (XmlNode | string)[] = [],
): XmlElement {
  const children = content.map((item): XmlNode => (typeof item === 'string' ? { kind: 'text', text: item } : item));
  return { kind: 'element', name, attributes, children, line: 0, column: 0 };
}

export function isElement(node: XmlNode): node is XmlElement {
  return node.kind === 'element';
}

/** The child elements, all or those of one name. */
export function childElements(parent: XmlElement, name?: string): readonly XmlElement[] {
  return parent.children.filter(isElement).filter((child) => name === undefined || child.name === name);
}

export function firstChild(parent: XmlElement, name: string): XmlElement | undefined {
  return parent.children.find((child): child is XmlElement => isElement(child) && child.name === name);
}

/** Follows a path of child names.
 * @example childAt(note, 'notations', 'technical') */
export function childAt(parent: XmlElement, ...names: readonly string[]): XmlElement | undefined {
  return names.reduce<XmlElement | undefined>((at, name) => at && firstChild(at, name), parent);
}

/** The text inside an element, without that of its child elements, trimmed. */
export function textOf(node: XmlElement | undefined): string {
  if (!node) return '';
  return node.children
    .map((child) => (child.kind === 'text' || child.kind === 'cdata' ? child.text : ''))
    .join('')
    .trim();
}

export function childText(parent: XmlElement, name: string): string | undefined {
  const child = firstChild(parent, name);
  return child && textOf(child);
}
