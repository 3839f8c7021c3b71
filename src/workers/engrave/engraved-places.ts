import { ROOM_MARK } from '@/core/write';
import { err, ok, type Result } from '@/core/base';
import { childElements, firstChild, isElement, type XmlElement } from '@/core/xml';
import { lightened } from './lighten';
import { hasClass, isStaffLine, straightLine, translation, wholeText, type Picture } from './picture';
import type { EngravedSystem } from '@/contract/engraving-questions';

/** Width of a note head. Unit: of the engraving (nine to a staff space at the engraver's size of signs). Source: the font Bravura, black note head 1.18 staff spaces wide,
 * two staff spaces to 180 units. */
const HEAD_WIDTH = 212;
const LINES_OF_STAFF = 5;

interface Bar {
  x1: number;
  x2: number;
  readonly staves: { top: number; bottom: number }[];
}

/** What was found so far, from the beginning of the picture on. */
interface Found {
  readonly heads: EngravedSystem['heads'][number][];
  readonly rooms: EngravedSystem['lines'][number][];
  readonly bars: Bar[];
  /** The note that is being read, and how many lines of its staff were. */
  note: string;
  lines: number;
}

/** Reads from a picture where its notes and its free lines are, so that the screen need not measure what it drew. Errors: what is not as expected. */
export function engravedSystem(picture: Picture): Result<EngravedSystem, string> {
  const found: Found = { heads: [], rooms: [], bars: [], note: '', lines: 0 };
  look(picture.root, picture, found);
  if (found.bars.length === 0) return err('it has no bars');
  if (found.bars.some(({ staves }) => staves.length === 0)) return err('it has a bar without lines');
  return ok({
    svg: lightened(picture.root),
    viewBox: [0, 0, picture.width, picture.height],
    heads: found.heads,
    lines: found.rooms,
    bars: found.bars,
  });
}

function look(element: XmlElement, picture: Picture, found: Found): void {
  if (element.name === 'g') enterGroup(element, picture, found);
  else if (element.name === 'text') noteRoom(element, picture, found);
  else if (isStaffLine(element)) noteLine(element, picture, found);
  for (const child of element.children) if (isElement(child)) look(child, picture, found);
}

function enterGroup(group: XmlElement, picture: Picture, found: Found): void {
  const id = group.attributes['id'];
  if (id !== undefined && hasClass('measure')(group)) found.bars.push({ x1: 0, x2: 0, staves: [] });
  if (id !== undefined && hasClass('staff')(group)) found.lines = 0;
  if (id !== undefined && hasClass('note')(group)) found.note = id;
  // Words under a chord stand in it before its notes.
  if (hasClass('chord')(group)) found.note = firstNote(group)?.attributes['id'] ?? found.note;
  if (!hasClass('notehead')(group) || found.heads.at(-1)?.id === found.note) return;
  const sign = firstChild(group, 'use');
  const place = sign && translation(sign);
  if (!place) return;
  found.heads.push({ id: found.note, x: picture.left + place.x, y: picture.top + place.y, width: HEAD_WIDTH });
}

function firstNote(group: XmlElement): XmlElement | undefined {
  return childElements(group, 'g').find(hasClass('note'));
}

/** A line of a staff: the first begins the staff, each further one is its lowest so far. */
function noteLine(path: XmlElement, { left, top }: Picture, found: Found): void {
  const bar = found.bars.at(-1);
  const line = straightLine(path);
  if (!bar || !line || found.lines >= LINES_OF_STAFF) return;
  const staff = bar.staves.at(-1);
  if (found.lines === 0) {
    bar.x1 = left + line.x1;
    bar.x2 = left + line.x2;
    bar.staves.push({ top: top + line.y, bottom: top + line.y });
  } else if (staff) {
    staff.bottom = top + line.y;
  }
  found.lines += 1;
}

/** A text that only keeps room free stands where the room begins. */
function noteRoom(text: XmlElement, { top }: Picture, found: Found): void {
  if (!isRoom(text) || found.rooms.at(-1)?.id === found.note) return;
  found.rooms.push({ id: found.note, y: top + Number(text.attributes['y']) });
}

function isRoom(text: XmlElement): boolean {
  const [outer] = childElements(text, 'tspan');
  return outer !== undefined && wholeText(outer).includes(ROOM_MARK);
}
