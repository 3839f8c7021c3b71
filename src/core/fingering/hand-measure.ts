import { WHITE_KEY_MM } from '../keyboard';
import { PARNCUTT_SPANS, SEMITONE_MM, TABLE_SPAN_MM } from './spans.table';

/** How far apart two fingers may be. Unit: hundredths of a mm, along the order of the fingers. */
export interface PairSpan {
  readonly leastPractical: number;
  readonly leastComfortable: number;
  readonly leastRelaxed: number;
  readonly greatestRelaxed: number;
  readonly greatestComfortable: number;
  readonly greatestPractical: number;
}

/** The spans of a hand, found by `spanOf`. */
export interface HandMeasure {
  readonly spanMm: number;
  /** One entry a pair of fingers, at `5 * lower + higher`. */
  readonly pairs: readonly (PairSpan | undefined)[];
}

/** No hand is so small that it cannot close over the keys, whatever the table scaled down would say. Unit: mm.
 * Source: the project's fingering model, our own choice. Checked by: hand-measure.test.ts. */
const CLOSEST_FINGERS_MM = 8;
const CLOSEST_COMFORT_MM = 9.4;
const BEYOND_COMFORT_MM = 4;
const BEYOND_CLOSED_MM = 10;

/** The spans of a hand whose fingers 1 and 5 reach `spanMm`. The table is scaled; the closed hand is relaxed for everyone. */
export function handMeasure(spanMm: number): HandMeasure {
  const pairs: (PairSpan | undefined)[] = [];
  for (const [pair, row] of Object.entries(PARNCUTT_SPANS)) {
    const [lower, higher] = [Number(pair[0]), Number(pair[1])];
    pairs[5 * lower + higher] = pairSpan(lower, higher, row, spanMm);
  }
  return { spanMm, pairs };
}

function pairSpan(lower: number, higher: number, row: readonly number[], spanMm: number): PairSpan {
  const scale = spanMm / TABLE_SPAN_MM;
  const [leastPractical, leastComfortable, leastRelaxed, greatestRelaxed, greatestComfortable, greatestPractical] =
    row.map((semitones) => semitones * SEMITONE_MM) as [number, number, number, number, number, number];
  const closed = WHITE_KEY_MM * (higher - lower);
  const comfortable = greatestComfortable * scale;
  const isWhole = lower === 1 && higher === 5;
  const practical = isWhole
    ? spanMm
    : Math.max(greatestPractical * scale, comfortable + BEYOND_COMFORT_MM, closed + BEYOND_CLOSED_MM);
  return {
    leastPractical: hundredths(
      leastPractical < 0 ? leastPractical * scale : Math.min(leastPractical, CLOSEST_FINGERS_MM),
    ),
    leastComfortable: hundredths(
      leastComfortable < 0
        ? leastComfortable * scale
        : Math.min(leastComfortable, CLOSEST_COMFORT_MM * (higher - lower)),
    ),
    leastRelaxed: hundredths(Math.min(leastRelaxed, closed)),
    greatestRelaxed: hundredths(Math.max(greatestRelaxed * scale, closed)),
    greatestComfortable: hundredths(Math.max(comfortable, closed)),
    greatestPractical: hundredths(practical),
  };
}

/** Whole numbers, so that the same distance anywhere on the keyboard costs exactly the same. */
function hundredths(mm: number): number {
  return Math.round(mm * 100);
}

/** The spans of two fingers of one hand, the lower-numbered first. */
export function spanOf(measure: HandMeasure, lower: number, higher: number): PairSpan {
  return measure.pairs[5 * lower + higher] as PairSpan;
}
