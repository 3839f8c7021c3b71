import { describe, expect, it } from '@jest/globals';
import { musicXml, type PieceText } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { openCurves } from './open-curves';

/** The curves that a line of some bars is cut at, each in a word. */
function cut(text: PieceText, from: number, to: number): readonly string[] {
  const { part } = open(musicXml({ mode: 'major', ...text }));
  return openCurves(part, from, to).map(({ kind, goes, bends }) => `${kind} ${goes} ${bends}`);
}

describe('curves over the end of a line', () => {
  const tied = { right: 'C4h C4h~ | C4h D4h | E5h E5h~ | E5w' };

  it('a tie goes on from its first note and comes back to its second', () => {
    expect(cut(tied, 0, 1)).toEqual(['tie on under']);
    expect(cut(tied, 1, 2)).toEqual(['tie back under']);
  });

  it('bends away from the stems: over high notes', () => {
    expect(cut(tied, 2, 3)).toEqual(['tie on over']);
    expect(cut(tied, 3, 4)).toEqual(['tie back over']);
  });

  it('is left to the engraver where both ends are on the line, or in one bar', () => {
    expect(cut(tied, 0, 4)).toEqual([]);
    expect(cut({ right: 'C4h~ C4h | D4w' }, 0, 1)).toEqual([]);
  });

  it('a tie over two bar lines is cut at each end of the line between', () => {
    const long = { right: 'C4w~ | C4w~ | C4w' };
    expect(cut(long, 1, 2)).toEqual(['tie on under', 'tie back under'].toReversed());
  });

  it('a slur is cut like a tie', () => {
    const { part } = open('X:1\nM:4/4\nL:1/4\nK:C\n(CDEF|G)FED|]\n');
    expect(openCurves(part, 0, 1)).toMatchObject([{ kind: 'slur', goes: 'on', bends: 'under' }]);
    expect(openCurves(part, 1, 2)).toMatchObject([{ kind: 'slur', goes: 'back', bends: 'under' }]);
    expect(openCurves(part, 0, 2)).toEqual([]);
  });
});
