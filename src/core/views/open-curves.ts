import { notationsOf } from '../edit';
import { memoOf } from '../base';
import { clefsAfter, staffPlace, type NoteItem, type Part } from '../score';

/** A tie or a slur whose other end is on another line: at which note it begins or ends here, and whether it bends over the notes or under them. */
export interface OpenCurve {
  readonly kind: 'tie' | 'slur';
  readonly noteId: string;
  /** `on`: it goes on behind this line; `back`: it comes from the line before. */
  readonly goes: 'on' | 'back';
  readonly bends: 'over' | 'under';
}

/** Where a tie or a slur begins and ends, as bars and notes. */
interface Curve {
  readonly kind: OpenCurve['kind'];
  readonly bars: readonly [from: number, to: number];
  readonly notes: readonly [from: string, to: string];
  readonly bends: OpenCurve['bends'];
}

/** The curves that are cut by the ends of a line: bars `from` up to, not with, `to`. A line is engraved by itself, and the engraver draws no half of them. */
export function openCurves(part: Part, from: number, to: number): readonly OpenCurve[] {
  const isHere = (bar: number): boolean => bar >= from && bar < to;
  return curvesOf(part).flatMap(({ kind, bars: [first, last], notes: [begin, end], bends }): readonly OpenCurve[] => {
    if (isHere(first) && last >= to) return [{ kind, noteId: begin, goes: 'on', bends }];
    return isHere(last) && first < from ? [{ kind, noteId: end, goes: 'back', bends }] : [];
  });
}

/** All ties and slurs of a part that cross a bar line. */
const curvesOf = memoOf((part: Part): readonly Curve[] => {
  const ties = new Map<string, Begun>();
  const slurs = new Map<string, Begun>();
  const found: Curve[] = [];
  let clefs: Clefs = new Map();
  const end = (kind: Curve['kind'], begun: Begun | undefined, bar: number, note: NoteItem): void => {
    if (begun && begun.bar !== bar)
      found.push({ kind, bars: [begun.bar, bar], notes: [begun.note.id, note.id], bends: begun.bends });
  };
  for (const measure of part.measures) {
    clefs = new Map([...clefs, ...clefsAfter([measure])]);
    const notes = measure.items.filter((item): item is NoteItem => item.kind === 'note' && item.pitch !== null);
    for (const note of notes) {
      const begun = { bar: measure.index, note, bends: bendOf(note, notes, clefs) };
      const place = `${note.staff}/${JSON.stringify(note.pitch)}`;
      if (note.tieStop) end('tie', ties.get(place), measure.index, note);
      if (note.tieStart) ties.set(place, begun);
      else ties.delete(place);
      for (const { name, attributes } of notationsOf(note.xml)) {
        if (name !== 'slur') continue;
        const number = attributes['number'] ?? '1';
        if (attributes['type'] === 'stop') {
          end('slur', slurs.get(number), measure.index, note);
          slurs.delete(number);
        }
        if (attributes['type'] === 'start') slurs.set(number, begun);
      }
    }
  }
  return found;
});

type Clefs = ReturnType<typeof clefsAfter>;

interface Begun {
  readonly bar: number;
  readonly note: NoteItem;
  readonly bends: OpenCurve['bends'];
}

/** The middle line of a staff, in letters above the lowest. */
const MIDDLE = 4;

/** Away from the stems: of two voices the first bends up and the second down; alone, over notes from the middle line on. Common practice. */
function bendOf(note: NoteItem, bar: readonly NoteItem[], clefs: Clefs): OpenCurve['bends'] {
  const voices = [...new Set(bar.filter(({ staff }) => staff === note.staff).map(({ voice }) => voice))].toSorted();
  if (voices.length > 1) return note.voice === voices[0] ? 'over' : 'under';
  const place = note.pitch ? staffPlace(note.pitch, clefs.get(note.staff)) : null;
  return (place ?? 0) >= MIDDLE ? 'over' : 'under';
}
