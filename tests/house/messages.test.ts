/** Every message of the screens and every sentence of the core is said somewhere, and the screens have no words of their own. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { beforeAll, describe, expect, it } from '@jest/globals';
import ts from 'typescript';
import { USUAL_LANGUAGE } from '@/core/explain';

const ROOT = join(import.meta.dirname, '../..');
const EXPLAIN = join(ROOT, 'src/core/explain');
const SCREENS = join(EXPLAIN, 'en/screens');

function filesIn(folder: string): readonly string[] {
  return (readdirSync(folder, { recursive: true }) as string[])
    .filter((name) => /(?<!\.test)\.tsx?$/.test(name))
    .map((name) => join(folder, name));
}

/** The names that a file of messages gives, at its first level. */
function messagesOf(file: ts.SourceFile): readonly ts.PropertyAssignment[] {
  const found: ts.PropertyAssignment[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isObjectLiteralExpression(node)) {
      found.push(...node.properties.filter(ts.isPropertyAssignment));
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

function messageFiles(): readonly string[] {
  return filesIn(SCREENS).filter((name) => !name.endsWith('index.ts'));
}

function nameOf(used: ts.MemberName | ts.BindingElement): string {
  return ts.isBindingElement(used) ? (used.propertyName ?? used.name).getText() : used.text;
}

describe('messages', () => {
  let program: ts.Program;
  const used = new Set<ts.Node>();
  const named = new Set<string>();
  beforeAll(() => {
    const config = ts.readConfigFile(join(ROOT, 'tsconfig.json'), ts.sys.readFile);
    const { fileNames, options } = ts.parseJsonConfigFileContent(config.config, ts.sys, ROOT);
    program = ts.createProgram(
      fileNames.filter((name) => name.startsWith(join(ROOT, 'src')) && !/\.test\.tsx?$/.test(name)),
      options,
    );
    const checker = program.getTypeChecker();
    const names = new Set(
      messageFiles().flatMap((name) =>
        messagesOf(program.getSourceFile(name) as ts.SourceFile).map((message) => message.name.getText()),
      ),
    );
    for (const file of program.getSourceFiles()) {
      if (!file.fileName.startsWith(join(ROOT, 'src')) || file.fileName.startsWith(SCREENS)) continue;
      const visit = (node: ts.Node): void => {
        const name = ts.isPropertyAccessExpression(node) ? node.name : ts.isBindingElement(node) ? node : null;
        if (ts.isPropertyAccessExpression(node) && !file.fileName.startsWith(join(EXPLAIN, 'en')))
          named.add(node.name.text);
        // Types are only asked for where a message may be meant: to ask for all of them takes long.
        if (name && names.has(nameOf(name))) {
          const symbol = ts.isBindingElement(name)
            ? checker.getTypeAtLocation(name.parent).getProperty((name.propertyName ?? name.name).getText())
            : checker.getSymbolAtLocation(name);
          for (const declared of symbol?.declarations ?? []) used.add(declared);
        }
        ts.forEachChild(node, visit);
      };
      visit(file);
    }
  });

  it('of the screens are all said somewhere', () => {
    const files = messageFiles();
    expect(files.length).toBeGreaterThan(12);
    const unsaid = files.flatMap((name) =>
      messagesOf(program.getSourceFile(name) as ts.SourceFile)
        .filter((message) => !used.has(message))
        .map((message) => `${relative(SCREENS, name)}: ${message.name.getText()}`),
    );
    expect(unsaid).toEqual([]);
  });

  it('of the core are all said somewhere', () => {
    const sentences = Object.keys(USUAL_LANGUAGE);
    expect(sentences.length).toBeGreaterThan(50);
    expect(sentences.filter((name) => !named.has(name))).toEqual([]);
  });
});

/** Attributes that are read or heard. */
const HEARD = ['aria-label', 'aria-description', 'title', 'placeholder', 'alt', 'label'];

/** What is printed on keys is no word of a language. */
const KEY_CAPS = /^(Enter|Esc|Ctrl|Shift|Alt|[A-Z])$/;

/** A text that begins with a capital and goes on in words, as a sentence does; names in the code have no capital. */
const SENTENCE = /^[^a-z]*[A-Z][^]*[a-z]{2,} [a-z]{2,}/;

/** Where a text is read by programmers alone. */
const UNREAD = ['className', 'd', 'viewBox'];

function isUnread(node: ts.Node): boolean {
  for (let at: ts.Node | undefined = node; at; at = at.parent) {
    if (ts.isNewExpression(at) && /Error$/.test(at.expression.getText())) return true;
    if (ts.isJsxAttribute(at) && UNREAD.includes(at.name.getText())) return true;
    if (ts.isCallExpression(at) && at.expression.getText().startsWith('console.')) return true;
  }
  return false;
}

/** Every sentence in a source that is a text, or a part of one that is filled in. */
function sentencesIn(name: string): readonly string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    const isText =
      ts.isStringLiteral(node) ||
      ts.isNoSubstitutionTemplateLiteral(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node);
    if (isText && SENTENCE.test(node.text) && !isUnread(node)) found.push(`${relative(ROOT, name)}: ${node.text}`);
    ts.forEachChild(node, visit);
  };
  const kind = name.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  visit(ts.createSourceFile(name, readFileSync(name, 'utf8'), ts.ScriptTarget.Latest, true, kind));
  return found;
}

/** A description that stands in the head of the page and in the manifest, before there is a language; styles, with their comments. */
const NOT_SAID =
  /^src\/(app\/(layout\.tsx|manifest\.ts|global-error\.tsx)|features\/shared\/music\/engraving-style\.ts)/;

describe('what the code says', () => {
  const files = ['features', 'app', 'contract', 'crossing', 'data', 'workers', 'print', 'offline'].flatMap((folder) =>
    filesIn(join(ROOT, 'src', folder)),
  );

  it('has no sentence in it: they stand in the folder of the language', () => {
    expect(files.length).toBeGreaterThan(400);
    expect(files.flatMap(sentencesIn).filter((one) => !NOT_SAID.test(one))).toEqual([]);
  });

  it('has sentences in that folder: the pattern finds what it looks for', () =>
    expect(messageFiles().flatMap(sentencesIn).length).toBeGreaterThan(200));
});

describe('the screens', () => {
  const files = [...filesIn(join(ROOT, 'src/features')), ...filesIn(join(ROOT, 'src/app'))].filter((name) =>
    name.endsWith('.tsx'),
  );

  it('have no words of their own: neither in their markup nor in what is heard of it', () => {
    expect(files.length).toBeGreaterThan(90);
    const own = files.flatMap((name) => {
      const found: string[] = [];
      const visit = (node: ts.Node): void => {
        const text = ts.isJsxText(node)
          ? node.text.trim()
          : ts.isJsxAttribute(node) &&
              HEARD.includes(node.name.getText()) &&
              node.initializer &&
              ts.isStringLiteral(node.initializer)
            ? node.initializer.text
            : '';
        if (/[A-Za-z]{2}/.test(text) && !KEY_CAPS.test(text)) found.push(`${relative(ROOT, name)}: ${text}`);
        ts.forEachChild(node, visit);
      };
      visit(ts.createSourceFile(name, readFileSync(name, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
      return found;
    });
    // The page that is shown where nothing else works has its words with it.
    expect(own.filter((one) => !one.startsWith('src/app/global-error'))).toEqual([]);
  });
});
