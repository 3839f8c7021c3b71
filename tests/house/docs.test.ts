/** The front door stays short, and every link in README and docs leads somewhere. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

const ROOT = join(import.meta.dirname, '../..');
const textOf = (name: string): string => readFileSync(join(ROOT, name), 'utf8');
const DOCS = [
  'README.md',
  ...['docs', 'src'].flatMap((folder) =>
    (readdirSync(join(ROOT, folder), { recursive: true }) as string[])
      .filter((name) => name.endsWith('.md'))
      .map((name) => join(folder, name)),
  ),
];

/** The names under which the headings of a page are gone to. */
function anchorsIn(text: string): readonly string[] {
  return [...text.matchAll(/^#+ (.+)$/gm)].map(([, heading = '']) =>
    heading
      .toLowerCase()
      .replace(/[^\p{L}\p{N} _-]/gu, '')
      .replaceAll(' ', '-'),
  );
}

describe('what is written about the project', () => {
  it('begins with a page that is read in three minutes', () => {
    const lines = textOf('README.md').trimEnd().split('\n');
    expect(lines.length).toBeLessThanOrEqual(100);
    expect(lines.filter((line) => line.length > 120)).toEqual([]);
  });

  it.each(DOCS)('%s has no link that leads nowhere', (name) => {
    const links = [...textOf(name).matchAll(/\]\(([^)\s]+)\)/g)]
      .map(([, to = '']) => to)
      .filter((to) => !/^[a-z]+:/.test(to));
    const lost = links.filter((link) => {
      const [to = '', anchor] = link.split('#');
      const place = to === '' ? name : join(dirname(name), to);
      if (!existsSync(join(ROOT, place))) return true;
      return anchor !== undefined && !anchorsIn(textOf(place)).includes(anchor);
    });
    expect(lost).toEqual([]);
  });
});
