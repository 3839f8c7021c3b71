import type { XmlDocument, XmlElement, XmlNode } from './element';
import { assertNever, memoOf } from '../base';

/** Writes a document as UTF-8 text. Reading it again gives the same tree. */
export function serialiseXml(document: XmlDocument): string {
  const pieces: string[] = [`<?xml ${document.declaration ?? 'version="1.0" encoding="UTF-8"'}?>\n`];
  document.prolog.filter((node) => node.kind !== 'text').forEach((node) => pieces.push(serialiseNode(node), '\n'));
  if (document.doctype !== null) pieces.push(`<!DOCTYPE${document.doctype}>\n`);
  pushElement(document.root, pieces);
  pieces.push('\n');
  document.epilog.filter((node) => node.kind !== 'text').forEach((node) => pieces.push(serialiseNode(node), '\n'));
  return pieces.join('');
}

/** Writes an element alone, as a part of another text. */
export function serialiseElement(node: XmlElement): string {
  return serialiseNode(node);
}

function serialiseNode(node: XmlNode): string {
  const pieces: string[] = [];
  pushNode(node, pieces);
  return pieces.join('');
}

function pushNode(node: XmlNode, pieces: string[]): void {
  switch (node.kind) {
    case 'element':
      return pushElement(node, pieces);
    case 'text':
      pieces.push(escapeText(node.text));
      return;
    case 'cdata':
      pieces.push(`<![CDATA[${node.text}]]>`);
      return;
    case 'comment':
      pieces.push(`<!--${node.text}-->`);
      return;
    case 'instruction':
      pieces.push(`<?${node.text}?>`);
      return;
    default:
      assertNever(node);
  }
}

/** The text of a bar: a piece that is being entered is written after every key press, and all its bars but one are as they were. */
const barText = memoOf((bar: XmlElement): string => {
  const pieces: string[] = [];
  pushAnew(bar, pieces);
  return pieces.join('');
});

function pushElement(node: XmlElement, pieces: string[]): void {
  if (node.name === 'measure') pieces.push(barText(node));
  else pushAnew(node, pieces);
}

function pushAnew(node: XmlElement, pieces: string[]): void {
  pieces.push('<', node.name);
  for (const [name, value] of Object.entries(node.attributes)) pieces.push(` ${name}="${escapeAttribute(value)}"`);
  if (node.children.length === 0) {
    pieces.push('/>');
    return;
  }
  pieces.push('>');
  for (const child of node.children) pushNode(child, pieces);
  pieces.push('</', node.name, '>');
}

const NEEDS_ESCAPE = /[&<>"\r\n\t]/;

function escapeText(text: string): string {
  if (!NEEDS_ESCAPE.test(text)) return text;
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\r', '&#13;');
}

function escapeAttribute(text: string): string {
  if (!NEEDS_ESCAPE.test(text)) return text;
  return escapeText(text).replaceAll('"', '&quot;').replaceAll('\n', '&#10;').replaceAll('\t', '&#9;');
}
