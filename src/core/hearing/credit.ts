import type { AskedMusic, AskedNote } from '../asked';
import { layAlong } from '../practice';
import { BARS, type CreditBars, type Ears } from './credit.table';
import { expectedNotes, type Expected } from './expected';
import type { PossibleStroke } from './possible';
import { BESIDE, settle, struckKey, type Absent, type Credited } from './settle';

/** So sure must be what came when it was not due. Unit: log odds. */
const SURELY = 2;
/** A key that the music has somewhere is likelier to have been struck. Unit: log odds. */
const LIKELY = -1;
/** Keys struck within so much are struck at one moment; and how much clearer than a note a slip beside it is. Unit: ms; log odds. */
const SAME_MOMENT_MS = 70;
const MUCH_CLEARER = 3;
/** How long a key counts as held while it is not known what it stands for. Unit: ms. */
const SHORT_MS = 200;

/** Which ears heard it, the tempo that was set (ms a quarter, or null), and where sound may be lost (ms). */
export interface HowHeard {
  readonly ears: Ears;
  readonly msPerQuarter: number | null;
  readonly gaps: readonly number[];
}

/** Judges with two ears, or with one of them, what counts as struck. Strokes in order of time. */
export function creditHeard(
  music: AskedMusic,
  possible: readonly PossibleStroke[],
  { ears, msPerQuarter, gaps }: HowHeard,
): Credited {
  const bars = BARS[ears];
  const asked = new Set(music.notes.map(({ midi }) => midi));
  const sure = possible.filter((stroke) => bars.sure(stroke) > (asked.has(stroke.midi) ? LIKELY : 0));
  const keys = sure.map(({ midi, atMs }) => struckKey(midi, atMs, SHORT_MS));
  const expected = expectedNotes(music, layAlong(music, keys, msPerQuarter), msPerQuarter);
  const taken = new Map<PossibleStroke, number>();
  // What was surely heard stands for its note first; then each note that is still open takes the likeliest stroke near its time.
  const laid = expected.map((one) => ({ one, stroke: laidTo(music, one, sure) }));
  const claimed = new Set(laid.map(({ stroke }) => stroke));
  const loose = sure.filter((stroke) => !claimed.has(stroke));
  const open: Expected[] = [];
  for (const { one, stroke } of laid) {
    if (stroke && !taken.has(stroke) && !isDrownedOut(stroke, loose, bars)) taken.set(stroke, one.note);
    else open.push(one);
  }
  const absent: Absent[] = [];
  for (const one of open) {
    const left = possible.filter((stroke) => stroke.midi === midiOf(music, one) && !taken.has(stroke));
    const stroke = strokeFor(one, left, bars);
    const isDrowned = stroke !== undefined && isDrownedOut(stroke, loose, bars);
    if (stroke && !isDrowned) taken.set(stroke, one.note);
    else absent.push({ one, odds: Math.max(-Infinity, ...inTime(one, left).map(bars.credit)), isDrowned });
  }
  return settle({ music, possible, taken, absent, bars, gaps });
}

/** The stroke that stands for a note: the likeliest near its time, or one that was surely heard wherever it came: who stops to think does not come when it is due. */
function strokeFor(one: Expected, left: readonly PossibleStroke[], { credit }: CreditBars): PossibleStroke | undefined {
  const likeliest = (strokes: readonly PossibleStroke[]): PossibleStroke | undefined =>
    strokes.toSorted((a, b) => credit(b) - credit(a))[0];
  const near = likeliest(inTime(one, left));
  if (near && credit(near) > 0) return near;
  const late = likeliest(left.filter(({ atMs }) => atMs > one.afterMs && atMs < one.beforeMs));
  return late && credit(late) > SURELY ? late : undefined;
}

/** The sure stroke of its own key that was laid to a note. */
function laidTo(music: AskedMusic, one: Expected, sure: readonly PossibleStroke[]): PossibleStroke | null {
  const stroke = one.key === null ? undefined : sure[one.key];
  return stroke?.midi === midiOf(music, one) ? stroke : null;
}

/** Whether a key beside it was struck at the same moment instead, so much clearer that what was heard of the note is only its shadow. */
function isDrownedOut(stroke: PossibleStroke, others: readonly PossibleStroke[], bars: CreditBars): boolean {
  return others.some(
    (other) =>
      other.midi !== stroke.midi &&
      Math.abs(other.midi - stroke.midi) <= BESIDE &&
      Math.abs(other.atMs - stroke.atMs) < SAME_MOMENT_MS &&
      bars.slip(other) > 0 &&
      bars.credit(other) - bars.credit(stroke) > MUCH_CLEARER,
  );
}

function inTime({ atMs, aroundMs }: Expected, strokes: readonly PossibleStroke[]): readonly PossibleStroke[] {
  return strokes.filter((stroke) => Math.abs(stroke.atMs - atMs) <= aroundMs);
}

function midiOf({ notes }: AskedMusic, { note }: Expected): number {
  return (notes[note] as AskedNote).midi;
}
