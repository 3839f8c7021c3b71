import { beforeAll, describe, expect, it } from '@jest/globals';
import { engravedPiece } from '../../../tests/support/engraved';
import type { BenchView } from '@/core/views';
import { unwrap } from '@/core/base';
import { ROOM_MARK } from '@/core/write';
import { engravedSystem } from './engraved-places';
import { asWideAs, readPicture, trueToScale } from './picture';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';

const systemOf = (svg: string): EngravedSystem => unwrap(engravedSystem(unwrap(readPicture(svg))));
const lighten = (svg: string): string => systemOf(svg).svg;

let view: BenchView;
let pictures: readonly string[];
let systems: readonly EngravedSystem[];
beforeAll(async () => {
  ({ view, pictures } = await engravedPiece('the-sixth-step', 'Eb'));
  systems = pictures.map(systemOf);
});

describe('engravedSystem', () => {
  it('finds the head of every note once, inside its picture', () => {
    const ids = systems.flatMap(({ heads }) => heads.map(({ id }) => id));
    const struck = view.momentsAfter.flatMap(({ keys }) => keys.map(({ noteId }) => noteId));
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of struck) expect(ids).toContain(ID_PREFIXES.after + id);
    for (const { heads, viewBox } of systems)
      expect(heads.every(({ x, y }) => x > 0 && x < viewBox[2] && y > 0 && y < viewBox[3])).toBe(true);
  });

  it('finds room under each staff of each version, below its notes and letters', () => {
    for (const { lines: lanes, heads } of systems) {
      expect(lanes).toHaveLength(4);
      for (const lane of lanes) {
        const first = heads.find(({ id }) => id === lane.id);
        expect(lane.y).toBeGreaterThan((first?.y ?? Infinity) + 300);
      }
    }
  });
});

describe('under chords', () => {
  it('the room is that of the hand that plays them', async () => {
    const chords = await engravedPiece('market-chords', 'Eb');
    const handOf = new Map(
      chords.view.momentsAfter.flatMap(({ keys }) => keys.map(({ noteId, hand }) => [noteId, hand])),
    );
    for (const picture of chords.pictures) {
      const hands = systemOf(picture).lines.map(({ id }) => handOf.get(id.replace(/^(before|after)-/, '')));
      expect(hands).toEqual(['right', 'left', 'right', 'left']);
    }
  });
});

describe('bars', () => {
  it('stand side by side, each with all its staves from the top, and hold their notes', () => {
    for (const { bars, heads, viewBox } of systems) {
      expect(bars.length).toBeGreaterThan(0);
      bars.forEach(({ x1, x2, staves }, i) => {
        expect(staves).toHaveLength(4);
        staves.forEach(({ top, bottom }, at) => {
          expect(bottom - top).toBeGreaterThan(600);
          expect(top).toBeGreaterThan(staves[at - 1]?.bottom ?? 0);
        });
        expect(x2).toBeGreaterThan(x1);
        expect(x2).toBeLessThanOrEqual(viewBox[2]);
        if (i > 0) expect(x1).toBeCloseTo(bars[i - 1]?.x2 ?? 0, -1);
        expect(heads.some(({ x }) => x > x1 && x < x2)).toBe(true);
      });
    }
  });
});

describe('lighten', () => {
  const elements = (svg: string): number => (svg.match(/<[a-z]/g) ?? []).length;
  const texts = (svg: string): readonly string[] =>
    [...svg.matchAll(/>([^<>\s][^<>]*)</g)].map(([, text]) => text as string);

  it('leaves not much more than half of the elements', () => {
    for (const picture of pictures) expect(elements(lighten(picture))).toBeLessThan(elements(picture) * 0.6);
  });

  it('keeps every note, every text and every sign, and refers to nothing that is gone', () => {
    for (const picture of pictures) {
      const light = lighten(picture);
      const notes = (svg: string): readonly string[] =>
        [...svg.matchAll(/<g id="([^"]+)" class="note"/g)].map(([, id]) => id as string);
      expect(notes(light)).toEqual(notes(picture));
      const own = (svg: string): readonly string[] =>
        texts(svg.replace(/<(style|desc)[\s\S]*?<\/\1>/g, '')).filter((text) => text !== ROOM_MARK);
      expect(own(light)).toEqual(own(picture));
      expect(light.match(/class="sign"/g)).toHaveLength((picture.match(/<use /g) ?? []).length);
      expect(light).not.toContain('<use ');
    }
  });

  it('closes every group that it leaves open', () => {
    for (const picture of pictures) {
      const light = lighten(picture);
      expect(light.match(/<g\b[^>]*[^/]>/g)?.length).toBe(light.match(/<\/g>/g)?.length);
    }
  });
});

describe('a picture of another shape', () => {
  const refusal = (svg: string): string => {
    const read = readPicture(svg);
    const system = read.ok ? engravedSystem(read.value) : read;
    return system.ok ? 'read' : system.error;
  };

  it('is refused with what is missing', () => {
    const picture = pictures[0] as string;
    expect(refusal(picture)).toBe('read');
    expect(refusal(picture.slice(0, 900))).toBe('it is no picture that can be read');
    expect(refusal(picture.replace('definition-scale', 'scale'))).toBe('it has no inner box of its own scale');
    expect(refusal(picture.replace('page-margin', 'margin'))).toBe('it has no margin');
    expect(refusal(picture.replaceAll('class="measure', 'class="bar'))).toBe('it has no bars');
    expect(refusal(picture.replaceAll('stroke-width="13"', 'stroke-width="14"'))).toBe('it has a bar without lines');
  });
});

describe('trueToScale', () => {
  it('gives the outer box the proportion of the inner one', () => {
    for (const svg of pictures) {
      const { root, width, height } = trueToScale(unwrap(readPicture(svg)));
      const [, , outerWidth, outerHeight] = (root.attributes['viewBox'] ?? '').split(' ').map(Number);
      expect((outerHeight ?? 0) / (outerWidth ?? 1)).toBeCloseTo(height / width, 5);
    }
  });
});

describe('asWideAs', () => {
  it('widens a short line and leaves a long one', () => {
    const picture = unwrap(readPicture(pictures[0] as string));
    expect(asWideAs(picture, 5000, 38).width).toBeCloseTo((5000 * 1000) / 38);
    expect(asWideAs(picture, 1, 38)).toMatchObject({ width: picture.width });
  });
});
