import { describe, expect, it } from '@jest/globals';
import type { ShelfView } from '@/core/views';
import type { PieceRecord } from '@/data';
import { levelOf, tagsOf, wantedPieces, type ShelfWish } from './shelf-order';
import type { PieceFacts } from './use-piece-facts';

const piece = (id: string, more: Partial<PieceRecord> = {}): PieceRecord => ({
  id,
  form: 5,
  origin: 'own',
  fileName: `${id}.musicxml`,
  musicXml: `<work-title>${id}</work-title>`,
  addedAt: 0,
  lastKey: null,
  ownKey: null,
  ownStages: [],
  stageOrder: [],
  stagesLeft: [],
  stagesAdded: [],
  stageFingers: [],
  homework: [],
  stageOf: null,
  part: null,
  respelled: [],
  remarks: [],
  decided: { fingers: [], aside: [], marks: [] },
  tags: [],
  place: 'shelf',
  usedAt: null,
  edition: null,
  ...more,
});

const PIECES = [
  piece('Owl', { usedAt: 10, tags: ['spring'] }),
  piece('Crab', { usedAt: 30, tags: ['Recital', 'spring'] }),
  piece('Tram', { place: 'archive', tags: ['old'] }),
  piece('Bell'),
];

const facts = (entries: Readonly<Record<string, Partial<ShelfView>>>): ReadonlyMap<string, PieceFacts> =>
  new Map(
    Object.entries(entries).map(([id, view]) => [
      id,
      {
        view: { positions: [], ...view } as unknown as ShelfView,
        trouble: null,
        isBlank: false,
        words: id.toLowerCase(),
      },
    ]),
  );

const FACTS = facts({
  Owl: { keyText: 'Bb-major', positions: [{ hand: 'right', kind: 'crossed' }] as unknown as ShelfView['positions'] },
  Crab: { keyText: 'D-major' },
});

const WISH: ShelfWish = { words: '', tag: null, place: 'shelf', order: 'added' };
const ids = (wish: Partial<ShelfWish>) => wantedPieces(PIECES, FACTS, { ...WISH, ...wish }).map(({ id }) => id);

describe('the cards that are wanted', () => {
  it('are those of the shelf, or those of the archive', () => {
    expect(ids({})).toEqual(['Owl', 'Crab', 'Bell']);
    expect(ids({ place: 'archive' })).toEqual(['Tram']);
  });

  it('have the tag, and all the words, in tags too', () => {
    expect(ids({ tag: 'spring' })).toEqual(['Owl', 'Crab']);
    expect(ids({ words: 'recital' })).toEqual(['Crab']);
    expect(ids({ words: 'spring ow' })).toEqual(['Owl']);
    expect(ids({ words: 'spring bell' })).toEqual([]);
  });

  it('stand by title, by signs, by the hand they ask for, or the last used first; what is not known comes last', () => {
    expect(ids({ order: 'title' })).toEqual(['Bell', 'Crab', 'Owl']);
    expect(ids({ order: 'key' })).toEqual(['Crab', 'Owl', 'Bell']);
    expect(ids({ order: 'level' })).toEqual(['Crab', 'Owl', 'Bell']);
    expect(ids({ order: 'used' })).toEqual(['Crab', 'Owl', 'Bell']);
  });
});

describe('the level that a piece asks for', () => {
  it.each([
    [1, [{ hand: 'right', kind: 'closed' } as const, { hand: 'left', kind: 'closed' } as const]],
    [2, [{ hand: 'right', kind: 'closed' } as const, { hand: 'right', kind: 'closed' } as const]],
    [3, [{ hand: 'left', kind: 'extended' } as const]],
    [4, [{ hand: 'left', kind: 'extended' } as const, { hand: 'right', kind: 'crossed' } as const]],
  ])('is %i', (level, positions) => expect(levelOf(positions)).toBe(level));
});

describe('tags', () => {
  it('are counted, in the order of the alphabet', () => {
    expect([...tagsOf(PIECES)]).toEqual([
      ['old', 1],
      ['Recital', 1],
      ['spring', 2],
    ]);
  });
});
