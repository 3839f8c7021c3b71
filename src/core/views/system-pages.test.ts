import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { open } from '../../../tests/support/open';
import { systemPages, type SystemPage } from './system-pages';

const lines = (text: string, columns: number): readonly SystemPage[] => {
  const { score, part } = open(text);
  return systemPages(score, part, columns, 'e-');
};
const EIGHT = musicXml({
  right: Array.from({ length: 8 }, () => 'C4q D4q E4q F4q').join(' | '),
  left: Array.from({ length: 8 }, () => 'C3w').join(' | '),
  mode: 'major',
});

describe('a piece as lines that are engraved by themselves', () => {
  it('has every bar once, in order, whatever the width', () => {
    for (const { id } of DEMO_FILES) {
      const bars = open(demoFile(id)).part.measures.length;
      for (const columns of [6, 20, 45, 500]) {
        const found = lines(demoFile(id), columns);
        expect(found.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i))).toEqual(
          Array.from({ length: bars }, (_, i) => i),
        );
      }
    }
  });

  it('fills a line before it begins the next, and one bar is enough however narrow it is', () => {
    expect(lines(EIGHT, 18).map(({ from, to }) => to - from)).toEqual([3, 3, 2]);
    expect(lines(EIGHT, 2).map(({ from, to }) => to - from)).toEqual(Array.from({ length: 8 }, () => 1));
    expect(lines(EIGHT, 500)).toHaveLength(1);
  });

  it('begins every line with the signature and the clefs that hold there', () => {
    const found = lines(demoFile('bridge-to-the-other-bank'), 20);
    const fifths = found.map(({ page }) => /<fifths>(-?\d+)<\/fifths>/.exec(page.musicXml)?.[1]);
    expect(fifths[0]).toBe('0');
    // The piece goes to another key in its middle and says so once; every later line says it again.
    expect(new Set(fifths).size).toBeGreaterThan(1);
    for (const { page } of found) expect(page.musicXml.match(/<clef /g)?.length).toBeGreaterThanOrEqual(2);
  });

  it('is the same object again where nothing in the line changed', () => {
    const { score, part } = open(EIGHT);
    const before = systemPages(score, part, 18, 'e-');
    const measures = part.measures.map((measure, i) =>
      i === 4 ? { ...measure, items: measure.items.slice(0, -1) } : measure,
    );
    const after = systemPages(score, { ...part, measures }, 18, 'e-');
    expect(after.map(({ page }, i) => page === before[i]?.page)).toEqual([true, false, true]);
  });

  it('gives notes the ids of its prefix', () => {
    const [first] = lines(EIGHT, 500);
    expect(first?.page.musicXml).toMatch(/<note [^>]*id="e-/);
  });
});
