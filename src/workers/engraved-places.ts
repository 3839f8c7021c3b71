import { ROOM_MARK } from '@/core/write';
import { lighten } from './lighten';
import type { EngravedSystem } from './protocol';

/** Width of a note head. Unit: of the engraving (nine to a staff space at the engraver's size of signs). Source: the font Bravura, black note head 1.18 staff spaces wide,
 * two staff spaces to 180 units. */
const HEAD_WIDTH = 212;

/** What is looked for in a picture, in the order of the text: a bar, a staff in it, a line of the staff, a note, a note head, a line of room. */
const PLACES = new RegExp(
  [
    '<g id="[^"]+" class="(?<frame>measure|staff)\\b[^"]*"',
    '<path d="M(?<lineX1>-?[\\d.]+) (?<lineY>-?[\\d.]+) L(?<lineX2>-?[\\d.]+) [\\d.-]+" stroke-width="13"',
    '<g id="(?<note>[^"]+)" class="note[^"]*"',
    '<g class="notehead"[^>]*>\\s*<use [^>]*translate\\((?<headX>-?[\\d.]+),? (?<headY>-?[\\d.]+)\\)',
    `<text x="(?<roomX>-?[\\d.]+)" y="(?<roomY>-?[\\d.]+)"[^>]*>(?:\\s*<tspan[^>]*>)+\\s*${ROOM_MARK}`,
  ].join('|'),
  'g',
);

/** Reads from a picture where its notes and its free lines are, so that the screen need not measure what it drew. */
export function engravedSystem(svg: string): EngravedSystem {
  const size = /class="definition-scale"[^>]*viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? /viewBox="0 0 ([\d.]+) ([\d.]+)"[^>]*class="definition-scale"/.exec(svg);
  const margin = /class="page-margin"[^>]*translate\((-?[\d.]+),? (-?[\d.]+)\)/.exec(svg);
  const [left, top] = [Number(margin?.[1] ?? 0), Number(margin?.[2] ?? 0)];
  const heads: EngravedSystem['heads'][number][] = [];
  const lanes: EngravedSystem['lanes'][number][] = [];
  const bars: { x1: number; x2: number; staves: { top: number; bottom: number }[] }[] = [];
  let lines = 0;
  let note = '';
  for (const { groups } of svg.matchAll(PLACES)) {
    if (groups?.['frame'] === 'measure') bars.push({ x1: 0, x2: 0, staves: [] });
    if (groups?.['frame'] === 'staff') lines = 0;
    if (groups?.['lineY'] !== undefined && lines < LINES_OF_STAFF) {
      placeLine(bars.at(-1), lines, { x1: left + Number(groups['lineX1']), x2: left + Number(groups['lineX2']), y: top + Number(groups['lineY']) });
      lines += 1;
    }
    if (groups?.['note'] !== undefined) note = groups['note'];
    if (groups?.['headX'] !== undefined && heads.at(-1)?.id !== note) heads.push({ id: note, x: left + Number(groups['headX']), y: top + Number(groups['headY']), width: HEAD_WIDTH });
    if (groups?.['roomY'] !== undefined && lanes.at(-1)?.id !== note) lanes.push({ id: note, y: top + Number(groups['roomY']) });
  }
  return { svg: lighten(svg), viewBox: [0, 0, Number(size?.[1] ?? 0), Number(size?.[2] ?? 0)], heads, lanes, bars };
}

const LINES_OF_STAFF = 5;

/** A line of a staff: the first begins the staff, each further one is its lowest so far. */
function placeLine(bar: { x1: number; x2: number; staves: { top: number; bottom: number }[] } | undefined, number: number, { x1, x2, y }: { readonly x1: number; readonly x2: number; readonly y: number }): void {
  if (!bar) return;
  const staff = bar.staves.at(-1);
  if (number === 0) {
    bar.x1 = x1;
    bar.x2 = x2;
    bar.staves.push({ top: y, bottom: y });
  } else if (staff) {
    staff.bottom = y;
  }
}
