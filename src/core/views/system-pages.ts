import { memoOf } from '../base';
import { element } from '../xml';
import {
  clefsAfter,
  type AttributesItem,
  type Clef,
  type KeySignature,
  type Measure,
  type Part,
  type Score,
} from '../score';
import { engravingPage, NO_TEXTS, type EngravingPage } from '../write';
import { openCurves, type OpenCurve } from './open-curves';

/** A line of music that is engraved by itself: bars `from` up to, not with, `to`. */
export interface SystemPage {
  readonly from: number;
  readonly to: number;
  readonly page: EngravingPage;
  /** Ties and slurs whose other end is on another line. */
  readonly open: readonly OpenCurve[];
}

/** What a bar needs beyond its notes, in note columns, and how wide one without notes is. Our own estimate. */
const BAR_ITSELF = 2;
const LEAST_NOTES = 2;

/** How many lines the hand tracks take under each staff: a name and a move. */
const TRACK_LINES = 2;

/** A part as lines of music, filled one after the other, so that what is entered moves nothing that stands before it. `columns` is how many note
 * columns a line has room for. A line that says what it said before is the same object again. */
export function systemPages(score: Score, part: Part, columns: number, prefix: string): readonly SystemPage[] {
  const starts = lineStarts(part.measures, columns);
  return starts.map((from, i) => {
    const to = starts[i + 1] ?? part.measures.length;
    return { from, to, page: rememberedPage(score, part, { from, to, prefix }), open: openCurves(part, from, to) };
  });
}

function lineStarts(measures: readonly Measure[], columns: number): readonly number[] {
  const starts = [0];
  let used = 0;
  measures.forEach((measure, index) => {
    const width = columnsOf(measure);
    if (index > (starts.at(-1) ?? 0) && used + width > columns) {
      starts.push(index);
      used = 0;
    }
    used += width;
  });
  return starts;
}

function columnsOf(measure: Measure): number {
  const onsets = measure.items.flatMap((item) =>
    item.kind === 'note' ? [`${item.onset}${item.isGrace ? item.id : ''}`] : [],
  );
  return Math.max(LEAST_NOTES, new Set(onsets).size) + BAR_ITSELF;
}

interface Remembered {
  readonly bars: readonly Measure[];
  readonly frame: string;
  readonly page: EngravingPage;
}

/** The last line that began with a bar: bars are values, so the same bars under the same signature look the same. */
const lastLine = memoOf((_: Measure): { known: Remembered | null } => ({ known: null }));

function rememberedPage(
  score: Score,
  part: Part,
  { from, to, prefix }: { readonly from: number; readonly to: number; readonly prefix: string },
): EngravingPage {
  const bars = part.measures.slice(from, to);
  const first = bars[0] as Measure;
  const frame = frameAt(part, from);
  const name = JSON.stringify([frame.keys, frame.clefs, part.staves, score.ticksPerQuarter, prefix]);
  const last = lastLine(first);
  const { known } = last;
  if (
    known &&
    known.frame === name &&
    known.bars.length === bars.length &&
    known.bars.every((bar, i) => bar === bars[i])
  )
    return known.page;
  const page = linePage(score, part, { bars, frame, prefix });
  last.known = { bars, frame: name, page };
  return page;
}

interface Frame {
  readonly keys: readonly KeySignature[];
  readonly clefs: readonly Clef[];
}

/** The signatures and clefs in force where a line begins. */
function frameAt(part: Part, from: number): Frame {
  const keys = new Map<number | null, KeySignature>();
  for (const item of part.measures.slice(0, from).flatMap((measure) => measure.items)) {
    if (item.kind !== 'attributes') continue;
    for (const key of item.keys) {
      if (key.staff === null) keys.clear();
      keys.set(key.staff, key);
    }
  }
  return { keys: [...keys.values()], clefs: [...clefsAfter(part.measures.slice(0, from)).values()] };
}

function linePage(
  score: Score,
  part: Part,
  { bars, frame, prefix }: { readonly bars: readonly Measure[]; readonly frame: Frame; readonly prefix: string },
): EngravingPage {
  const [first, ...rest] = bars as [Measure, ...Measure[]];
  const opened = { ...first, items: [frameItem(score, part, frame), ...first.items] };
  const line: Part = {
    ...part,
    measures: [opened, ...rest],
    xml: { ...part.xml, children: bars.map(() => element('measure')) },
  };
  return engravingPage(
    [{ score: { ...score, parts: [line] }, prefix, label: '', texts: { ...NO_TEXTS, roomLines: TRACK_LINES } }],
    [],
  );
}

/** The signatures that a line begins with, as the file would write them. */
function frameItem(score: Score, part: Part, { keys, clefs }: Frame): AttributesItem {
  const numbered = (staff: number | null): Readonly<Record<string, string>> =>
    staff === null ? {} : { number: String(staff) };
  const xml = element('attributes', {}, [
    element('divisions', {}, [String(score.ticksPerQuarter)]),
    ...keys.map((key) =>
      element('key', numbered(key.staff), [
        element('fifths', {}, [String(key.fifths)]),
        ...(key.mode ? [element('mode', {}, [key.mode])] : []),
      ]),
    ),
    element('staves', {}, [String(part.staves)]),
    ...clefs.map((clef) =>
      element('clef', numbered(clef.staff), [
        element('sign', {}, [clef.sign]),
        element('line', {}, [String(clef.line)]),
        ...(clef.octaveChange === 0 ? [] : [element('clef-octave-change', {}, [String(clef.octaveChange)])]),
      ]),
    ),
  ]);
  return { kind: 'attributes', onset: 0, xml, keys, clefs, transposition: null };
}
