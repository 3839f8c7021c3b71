import { describe, expect, it } from '@jest/globals';
import { unwrap } from '../base';
import { parseXml } from './parse-xml';
import { serialiseXml } from './serialise-xml';
import { childAt, childElements, childText, element, textOf, type XmlElement } from './element';
import { mapChildren, withAttribute, withChild, withoutChildren } from './change';

const parsed = (text: string): XmlElement => unwrap(parseXml(text)).root;
const written = (root: XmlElement): string =>
  serialiseXml({ declaration: null, doctype: null, prolog: [], epilog: [], root })
    .split('\n')
    .slice(1)
    .join('\n')
    .trim();

const NOTE = '<note>\n  <pitch><step>C</step></pitch>\n  <duration>4</duration>\n</note>';

describe('looking into a tree', () => {
  it('follows names, and gives nothing where they lead nowhere', () => {
    const note = parsed(NOTE);
    expect(textOf(childAt(note, 'pitch', 'step'))).toBe('C');
    expect(childAt(note, 'pitch', 'alter')).toBeUndefined();
    expect([childText(note, 'duration'), childText(note, 'type')]).toEqual(['4', undefined]);
    expect(childElements(note).map(({ name }) => name)).toEqual(['pitch', 'duration']);
  });

  it('reads text without that of elements inside', () => {
    expect(textOf(parsed('<words> a <b>not this</b><![CDATA[<c>]]> </words>'))).toBe('a <c>');
  });
});

describe('reading a long text', () => {
  it('is the same wherever it is divided, also within a letter or the end of a line', () => {
    const words = '\u{1d15e}\r\n&amp;'.repeat(40_000);
    for (const shift of ['', ' ', '  ', '   ', '    ']) {
      const root = parsed(`<words>${shift}${words}</words>`);
      expect(textOf(root)).toBe('\u{1d15e}\n&'.repeat(40_000).trim());
    }
  });

  it('ends at the first fault', () => {
    expect(parseXml(`<a b>${'<c>'.repeat(3_000_000)}`)).toMatchObject({ ok: false, error: { code: 'read.malformed' } });
  });
});

describe('changing a tree', () => {
  it('puts a child behind its neighbours, with their indentation', () => {
    expect(written(withChild(parsed(NOTE), element('voice', {}, ['1']), ['pitch', 'duration']))).toBe(
      NOTE.replace('</duration>', '</duration>\n  <voice>1</voice>'),
    );
    expect(written(withChild(parsed(NOTE), element('grace'), []))).toBe(NOTE.replace('<note>', '<note>\n  <grace/>'));
  });

  it('replaces a child of the same name in its place', () => {
    expect(written(withChild(parsed(NOTE), element('duration', {}, ['8']), []))).toBe(NOTE.replace('>4<', '>8<'));
  });

  it('takes a child out with the blank in front of it', () => {
    expect(written(withoutChildren(parsed(NOTE), ({ name }) => name === 'duration'))).toBe(
      '<note>\n  <pitch><step>C</step></pitch>\n</note>',
    );
  });

  it('keeps attributes in their order, and gives the same object back where nothing changes', () => {
    const node = parsed('<slur type="start" number="1" placement="above"/>');
    expect(written(withAttribute(node, 'number', '2'))).toBe('<slur type="start" number="2" placement="above"/>');
    expect(written(withAttribute(node, 'number', undefined))).toBe('<slur type="start" placement="above"/>');
    expect(withAttribute(node, 'number', '1')).toBe(node);
    expect(mapChildren(node, (child) => child)).toBe(node);
    expect(withoutChildren(node, () => true)).toBe(node);
  });

  it('never touches the tree it was given', () => {
    const note = parsed(NOTE);
    withChild(note, element('voice'), []);
    withoutChildren(note, () => true);
    expect(written(note)).toBe(NOTE);
  });
});
