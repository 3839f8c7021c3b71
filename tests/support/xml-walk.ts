import { SaxesParser } from 'saxes';

export interface WalkedElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: WalkedElement[];
  text: string;
}

/** A small reader of XML for tests, apart from the one under test. */
export const XMLParser = {
  /** The root of a document. */
  root(xml: string): WalkedElement {
    const top: WalkedElement = { name: '', attributes: {}, children: [], text: '' };
    const open = [top];
    const parser = new SaxesParser({ xmlns: false } as const);
    parser.on('opentag', (tag) => {
      const node: WalkedElement = { name: tag.name, attributes: { ...tag.attributes }, children: [], text: '' };
      open.at(-1)?.children.push(node);
      open.push(node);
    });
    parser.on('text', (text) => {
      const at = open.at(-1);
      if (at) at.text += text;
    });
    parser.on('closetag', () => void open.pop());
    parser.on('error', (error) => {
      throw error;
    });
    parser.write(xml).close();
    return top.children[0] as WalkedElement;
  },

  /** All elements of a name, in document order. */
  elements(xml: string, name: string): readonly WalkedElement[] {
    const found: WalkedElement[] = [];
    const visit = (node: WalkedElement): void => {
      if (node.name === name) found.push(node);
      node.children.forEach(visit);
    };
    visit(this.root(xml));
    return found;
  },
};

export function child(node: WalkedElement, ...path: readonly string[]): WalkedElement | undefined {
  return path.reduce<WalkedElement | undefined>((at, name) => at?.children.find((item) => item.name === name), node);
}

export function textAt(node: WalkedElement, ...path: readonly string[]): string {
  return child(node, ...path)?.text.trim() ?? '';
}
