/** What the core says to a teacher is said in one place. Everything else in it names things by codes and facts. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import ts from 'typescript';

const CORE = join(import.meta.dirname, '../../src/core');

const sources = (readdirSync(CORE, { recursive: true }) as string[])
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .map((name) => join(CORE, name));

/** Three words and more in a row are no code, no name and no unit. */
const SENTENCE = /[A-Za-z]{2,}[,:]? [a-z]{2,} [a-z]{2,}/;

/** Texts that no teacher reads: what a programmer's mistake throws. */
function isForProgrammers(node: ts.Node): boolean {
  for (let at: ts.Node | undefined = node; at; at = at.parent) {
    if (ts.isNewExpression(at) && /Error$/.test(at.expression.getText())) return true;
  }
  return false;
}

function textsOf(path: string): readonly string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    const isText =
      ts.isStringLiteral(node) ||
      ts.isNoSubstitutionTemplateLiteral(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node);
    if (isText && SENTENCE.test(node.text) && !isForProgrammers(node))
      found.push(`${relative(CORE, path)}: ${node.text}`);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true));
  return found;
}

describe('the core', () => {
  it('was read', () => expect(sources.length).toBeGreaterThan(200));

  it('has English sentences in explain alone', () => {
    expect(sources.filter((path) => !relative(CORE, path).startsWith('explain')).flatMap(textsOf)).toEqual([]);
  });

  it('has them in explain: the pattern finds what it looks for', () => {
    expect(
      sources.filter((path) => relative(CORE, path).startsWith('explain')).flatMap(textsOf).length,
    ).toBeGreaterThan(50);
  });

  it('explain decides nothing: it takes facts and never asks the planner, the key finder or the engraver for them', () => {
    const wanted =
      /import \{[^}]*\b(planHand|solve\w*|findKey|moveScore|openPiece|diatonicNumber|isBlackKey|midiNumber)\b[^}]*\} from/;
    const asking = sources.filter(
      (path) => relative(CORE, path).startsWith('explain') && wanted.test(readFileSync(path, 'utf8')),
    );
    expect(asking.map((path) => relative(CORE, path))).toEqual([]);
  });
});
