import { beforeAll, describe, expect, it } from '@jest/globals';
import { engravingPage, NO_TEXTS, ROOM_MARK } from '@/core/write';
import { demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { createVerovio, type Engraver } from '../../../tests/support/verovio';
import { withStaffKeys } from './staff-keys';

let engraver: Engraver;
beforeAll(async () => {
  engraver = await createVerovio();
});

/** The number of signs drawn in front of each staff of a system. */
function signsOf(svg: string): readonly number[] {
  return svg
    .split('class="staff')
    .slice(1)
    .map((staff) => (staff.match(/class="keyAccid/g) ?? []).length)
    .filter((count) => count > 0);
}

describe('a piece that changes key, shown in two keys', () => {
  const piece = open(demoFile('bridge-to-the-other-bank'));
  const page = engravingPage(
    [
      { score: piece.score, prefix: 'a-', label: 'C', texts: NO_TEXTS },
      { score: moved(piece, 'Eb').score, prefix: 'b-', label: 'Eb', texts: NO_TEXTS },
    ],
    [8],
  );

  it('tells which staves disagree where: one sharp above, two flats below from bar 9', () => {
    expect(page.keyChanges).toEqual([{ bar: 8, fifths: [1, 1, -2, -2] }]);
    expect(engravingPage([{ score: piece.score, prefix: '', label: '', texts: NO_TEXTS }], []).keyChanges).toEqual([]);
  });

  it('keeps the room under its staves', () => {
    const texts = { ...NO_TEXTS, roomLines: 1 };
    const roomy = engravingPage(
      [
        { score: piece.score, prefix: 'a-', label: 'C', texts },
        { score: moved(piece, 'Eb').score, prefix: 'b-', label: 'Eb', texts },
      ],
      [8],
    );
    engraver.setOptions({ breaks: 'encoded', adjustPageHeight: true });
    engraver.loadData(roomy.musicXml);
    engraver.loadData(withStaffKeys(engraver.getMEI({}), roomy.keyChanges) ?? '');
    for (const number of [1, 2]) expect(engraver.renderToSVG(number).split(ROOM_MARK)).toHaveLength(5);
  });

  it('is engraved with the right signature in each staff', () => {
    engraver.setOptions({ breaks: 'encoded', adjustPageHeight: true });
    engraver.loadData(page.musicXml);
    engraver.loadData(withStaffKeys(engraver.getMEI({}), page.keyChanges) ?? '');
    const after = engraver.renderToSVG(2);
    expect(signsOf(after).slice(0, 4)).toEqual([1, 1, 2, 2]);
    expect(after).toMatch(/id="b-n\d+"/);
  });

  it('says where it is given no XML', () => expect(withStaffKeys('<mei', [{ bar: 3, fifths: [1] }])).toBeNull());

  it('is left alone where a bar is not there', () => {
    expect(withStaffKeys('<mei/>', [{ bar: 3, fifths: [1, 2] }])).toBe('<mei/>');
  });
});
