import { beforeAll, describe, expect, it } from '@jest/globals';
import { engravedPiece } from '../../tests/support/engraved';
import type { BenchView } from '@/core/views';
import { unwrap } from '@/core/base';
import { engravedSystem } from '@/workers/engrave/engraved-places';
import { readPicture } from '@/workers/engrave/picture';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { fitted, trackLines } from './track-layout';

let view: BenchView;
let systems: readonly EngravedSystem[];
beforeAll(async () => {
  const engraved = await engravedPiece('the-sixth-step', 'Eb');
  view = engraved.view;
  systems = engraved.pictures.map((svg) => unwrap(engravedSystem(unwrap(readPicture(svg)))));
});

describe('trackLanes', () => {
  it('has a lane for each hand, each position from its first head to its last on the system', () => {
    for (const system of systems) {
      const lines = trackLines(system, ID_PREFIXES.after, view.positions, view.positionsBefore);
      expect(lines.map(({ segments }) => segments[0]?.hand)).toEqual(['right', 'left']);
      for (const { segments } of lines) {
        for (const segment of segments) {
          const position = view.positions.find(({ noteIds }) => noteIds.includes(segment.noteId));
          const heads = system.heads.filter(
            ({ id }) =>
              position?.noteIds.includes(id.slice(ID_PREFIXES.after.length)) === true &&
              id.startsWith(ID_PREFIXES.after),
          );
          expect(segment.x1).toBe(Math.min(...heads.map(({ x }) => x)));
          expect(segment.x2).toBe(Math.max(...heads.map(({ x, width }) => x + width)));
        }
      }
    }
  });

  it('tells a move where it begins, and marks those that the old key did not have', () => {
    const moves = systems.flatMap((system) =>
      trackLines(system, ID_PREFIXES.after, view.positions, view.positionsBefore).flatMap(({ segments }) =>
        segments.flatMap(({ move }) => move ?? []),
      ),
    );
    expect(moves).toHaveLength(view.positions.filter(({ move }) => move !== null).length);
    const starts = new Set(view.positionsBefore.map(({ noteIds }) => noteIds[0]));
    expect(moves.filter(({ isNew }) => isNew)).toHaveLength(
      view.positions.filter(({ move, noteIds }) => move !== null && !starts.has(noteIds[0])).length,
    );
  });
});

describe('fitted', () => {
  it('keeps words whole where there is room, else drops what comes after the first comma, else cuts them', () => {
    const words = '1 where 4 was, in the rest';
    expect(fitted(words, 400, 12)).toBe(words);
    expect(fitted(words, 90, 12)).toBe('1 where 4 was');
    expect(fitted(words, 50, 12)).toBe('1 where…');
    expect(fitted(words, 10, 12)).toBe('');
  });
});
