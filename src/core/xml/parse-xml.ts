import { SaxesParser } from 'saxes';
import { err, ok, type Fault, type Result, type TextPlace } from '../base';
import type { XmlDocument, XmlElement, XmlNode } from './element';

/** Deeper than any score goes: a file made to be deep must not exhaust the stack of those who walk the tree. */
const MAX_DEPTH = 100;

/** So much is read before it is asked whether there is a fault. Unit: characters. */
const CHUNK = 65_536;

/** An element that is not closed yet: what comes is put into it. */
interface OpenElement extends XmlElement {
  readonly children: XmlNode[];
}

/** Parses XML into a tree that holds everything in the file. No external entities, no entity definitions.
 * Errors: `read.malformed`, `read.cut-off`, `read.entity`, each with its line. */
export function parseXml(text: string): Result<XmlDocument, Fault> {
  const parser = new SaxesParser({ position: true, xmlns: false } as const);
  const prolog: XmlNode[] = [];
  const epilog: XmlNode[] = [];
  const open: OpenElement[] = [];
  let root: XmlElement | null = null;
  let declaration: string | null = null;
  let doctype: string | null = null;
  let fault: Fault | null = null;
  let isClosing = false;
  let begun: TextPlace = { line: 1, column: 1 };

  const place = (): TextPlace => ({ line: parser.line, column: Math.max(1, parser.column) });
  const add = (node: XmlNode): void => {
    (open.at(-1)?.children ?? (root ? epilog : prolog)).push(node);
  };

  parser.on('error', (error) => {
    fault ??= faultOf(error.message, place(), isClosing);
  });
  parser.on('xmldecl', (decl) => {
    declaration = `version="${decl.version ?? '1.0'}" encoding="UTF-8"${decl.standalone ? ` standalone="${decl.standalone}"` : ''}`;
  });
  parser.on('doctype', (content) => {
    doctype = content;
    // A document that defines entities could be made to grow without bound when they are expanded.
    if (/<!ENTITY/i.test(content)) fault ??= { code: 'read.entity', name: 'ENTITY', at: place() };
  });
  parser.on('opentagstart', () => {
    begun = place();
    if (open.length >= MAX_DEPTH) fault ??= { code: 'read.malformed', maxDepth: MAX_DEPTH, at: begun };
  });
  parser.on('opentag', ({ name, attributes }) => {
    open.push({ kind: 'element', name, attributes: { ...attributes }, children: [], ...begun });
  });
  parser.on('closetag', () => {
    const done = open.pop() as OpenElement;
    if (open.length === 0 && !root) root = done;
    else add(done);
  });
  parser.on('text', (content) => add({ kind: 'text', text: content }));
  parser.on('cdata', (content) => add({ kind: 'cdata', text: content }));
  parser.on('comment', (content) => add({ kind: 'comment', text: content }));
  parser.on('processinginstruction', (pi) => add({ kind: 'instruction', text: `${pi.target} ${pi.body}` }));

  // Bit by bit, so that a long file is given up at its first fault and not read to its end.
  for (let at = 0; at < text.length && !fault; at += CHUNK) parser.write(text.slice(at, at + CHUNK));
  isClosing = true;
  if (!fault) parser.close();
  if (fault) return err(fault);
  if (!root) return err({ code: 'read.cut-off', at: place() });
  return ok({ declaration, doctype, prolog, root, epilog });
}

function faultOf(message: string, at: TextPlace, isClosing: boolean): Fault {
  const said = message.replace(/^\d+:\d+: /, '').replace(/\.$/, '');
  if (/entity/.test(said)) return { code: 'read.entity', name: said, at };
  // What is still open when the text ends was cut off; anything before that is a mistake in the middle.
  return isClosing ? { code: 'read.cut-off', at } : { code: 'read.malformed', said, at };
}
