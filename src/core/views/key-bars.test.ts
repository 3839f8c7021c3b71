import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { barsSideBySide, type BarInKeys } from './key-bars';
import { SAYS } from '../../../tests/support/usual-words';

const beside = (text: string, ...keys: readonly string[]): readonly BarInKeys[] => {
  const piece = open(text);
  return barsSideBySide(
    SAYS,
    keys.map((key) => moved(piece, key, { fingering: 'plan' })),
  );
};
const FIVE = musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5 | C4w/1', left: 'Rw | C3w/5 | C3w/5', mode: 'major' });

describe('barsSideBySide', () => {
  it('keys in which the hand feels the same differ in nothing', () => {
    expect(beside(FIVE, 'C', 'G').map(({ differs }) => differs)).toEqual([false, false, false]);
  });

  it('marks what is not so in all keys, and nothing else', () => {
    const [first, second] = beside(FIVE, 'C', 'D', 'F');
    const marks = (cell: number) =>
      first?.cells[cell]?.flatMap((hand) => hand.marks.map(({ text, differs }) => [text, differs]));
    expect([marks(0), marks(1), marks(2)]).toEqual([[], [['3 on F♯', true]], [['4 on B♭', true]]]);
    expect([first?.differs, second?.differs]).toEqual([true, false]);
  });

  it('the same finger on black in all keys does not differ, though the keys have other names', () => {
    const [first] = beside(FIVE, 'D', 'A');
    expect(
      first?.cells.flatMap((cell) => cell.flatMap(({ marks }) => marks.map(({ text, differs }) => [text, differs]))),
    ).toEqual([
      ['3 on F♯', false],
      ['3 on C♯', false],
    ]);
  });

  it('tells fingers in order, chords from the bottom, and only hands that play', () => {
    const [first, second] = beside(
      musicXml({ right: 'C4q/1 E4q/3 C4+E4+G4h/1/3/5 | C4w/1', left: 'Rw | C3w/5', mode: 'major' }),
      'C',
      'D',
    );
    expect(first?.cells[0]?.map(({ hand, fingers }) => [hand, fingers])).toEqual([
      ['right', expect.stringMatching(/^1 3 /)],
    ]);
    expect(second?.cells[0]?.map(({ hand }) => hand)).toEqual(['right', 'left']);
  });

  it('has a cell for every key in every bar of every demo piece, and moves where the hand does', () => {
    for (const { id } of DEMO_FILES) {
      const rows = beside(demoFile(id), 'C', 'Eb', 'B');
      expect(rows.every(({ cells }) => cells.length === 3)).toBe(true);
      // Two cells are alike where they say the same of the same hands, whatever the keys are called.
      const saying = (cell: (typeof rows)[number]['cells'][number]): string =>
        cell
          .map(({ hand, fingers, marks }) => [hand, fingers, ...marks.map(({ code }) => code).sort()].join())
          .join('|');
      for (const { bar, cells, differs } of rows)
        expect([id, bar, differs]).toEqual([id, bar, new Set(cells.map(saying)).size > 1]);
    }
    const moves = beside(demoFile('the-sixth-step'), 'C', 'G').flatMap(({ bar, cells }) =>
      cells[0]?.some(({ marks }) => marks.some(({ code }) => code === 'move')) ? [bar] : [],
    );
    expect(moves).toEqual(['6', '7']);
  });
});
