import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import ts from 'typescript';
import { englishTerms } from './en/terms';
import { languageOf } from './language';
import { USUAL_WORDING, type Wording } from './wording';
import { wordsOf } from './words';

/** Everything that words say, by its name; functions are asked with facts that are seen in what they say. */
function allSaid(words: unknown, name = ''): readonly (readonly [name: string, said: string])[] {
  if (typeof words === 'string') return [[name, words]];
  if (typeof words === 'function') {
    const facts = [1, 2, 3, 4];
    return allSaid((words as (...given: unknown[]) => unknown)(...facts), name);
  }
  if (typeof words !== 'object' || words === null) return [];
  return Object.entries(words).flatMap(([part, one]: [string, unknown]) => allSaid(one, `${name}.${part}`));
}

/** What stands on the screens. */
function screens(change: Partial<Wording>): readonly (readonly [string, string])[] {
  const BESIDE = ['says', 'wording', 'naming'];
  const all = Object.entries(wordsOf({ ...USUAL_WORDING, ...change }));
  return allSaid(Object.fromEntries(all.filter(([group]) => !BESIDE.includes(group))));
}

describe('the words of the screens', () => {
  it('are there', () => expect(screens({}).length).toBeGreaterThan(900));

  it('are never empty, and leave no gap unfilled', () => {
    const odd = screens({}).filter(([, said]) => said === '' || /undefined|null|NaN|\[object/.test(said));
    expect(odd).toEqual([]);
  });

  it.each([
    [{ bar: 'measure' }, /\bbars?\b/i],
    [{ rhythm: 'crotchet' }, /\b(half|whole|quarter|eighth)s? (note|rest)s?\b|\bquarters\b|\beighths?\b/i],
    [{ fingers: 'numbers' }, /\bthumbs?\b/i],
    [{ lengths: 'inches' }, /\bmm\b|millimet/i],
    [{ names: 'fixed-do' }, /\b[A-G][♯♭]?[1-8]\b|\bin [A-G]\b/],
  ] as const)('%j: nothing is said in other words', (change, others) => {
    // A4 is a paper as well as a note.
    const EXAMPLES = /“|‹|\(Esc\)|Ctrl|New Thumb|^A4$/;
    const left = screens(change).filter(([, said]) => others.test(said) && !EXAMPLES.test(said));
    expect(left).toEqual([]);
  });
});

describe('sentences of the core as a teacher says them', () => {
  const said = (change: Partial<Wording>) => languageOf({ ...USUAL_WORDING, ...change });

  it('bars, note values, fingers, lengths and names', () => {
    expect(said({ bar: 'measure' }).barsText(['1', '3'])).toBe('measures 1 and 3');
    expect(said({ rhythm: 'crotchet' }).lengthWords(1.5)).toBe('dotted crotchet');
    expect(said({ rhythm: 'crotchet' }).lengthWords(5)).toBe('5 crotchets');
    expect(said({}).gridWords(6)).toBe('sixteenth triplets');
    const theFourth = (['thumb', 'numbers', 'names'] as const).map((fingers) =>
      englishTerms({ ...USUAL_WORDING, fingers }, null).theFinger(4),
    );
    expect(theFourth).toEqual(['finger 4', 'finger 4', 'the ring finger']);
  });
});

describe('the made-up language', () => {
  it('says everything that English says, with words a third longer', () => {
    const [english, longer] = [screens({}), screens({ language: 'longer' })];
    expect(longer.map(([name]) => name)).toEqual(english.map(([name]) => name));
    const letters = (all: typeof english): number => all.reduce((sum, [, said]) => sum + said.length, 0);
    expect(letters(longer) / letters(english)).toBeGreaterThan(1.25);
    expect(languageOf({ ...USUAL_WORDING, language: 'longer' }).barsText(['1', '3'])).toBe('barsrs 1 andd 3');
  });
});

describe('English', () => {
  /** Words that are spelled in two ways. Source: common practice, from memory. */
  const TWO_WAYS =
    /\b(colou?r|grey|gray|favou?r|neighbou?r|cent(re|er)(d|s)?\b|practise[ds]?\b|licen[sc]e|organi[sz]|recogni[sz]|catalog|dialog|labell?ed|cancell?ed|learn(t|ed)\b|judge?ment|programmes?\b|met(re|er)s?\b|millimet|towards?\b|afterwards?\b|travell?|theat(re|er)|cheque|defen[cs]e|analy[sz]e)/i;

  it('has only words that both Englishes spell alike', () => {
    const folder = join(import.meta.dirname, 'en');
    const found: string[] = [];
    for (const file of (readdirSync(folder, { recursive: true }) as string[]).filter((one) =>
      /(?<!test)\.ts$/.test(one),
    )) {
      const visit = (node: ts.Node): void => {
        if (ts.isImportDeclaration(node) || ts.isLiteralTypeNode(node) || ts.isCaseClause(node)) return;
        const isText =
          ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node);
        if (isText && / /.test(node.text) && TWO_WAYS.test(node.text)) found.push(`${file}: ${node.text}`);
        ts.forEachChild(node, visit);
      };
      visit(ts.createSourceFile(file, readFileSync(join(folder, file), 'utf8'), ts.ScriptTarget.Latest, true));
    }
    expect(found).toEqual([]);
  });
});
