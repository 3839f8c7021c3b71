import { unparse } from 'papaparse';
import type { RankedKey } from './ranked';

/** The numbers behind the picture, one column each. Units stand in the headings. */
export const COLUMNS: readonly (readonly [heading: string, value: (key: RankedKey) => string | number])[] = [
  ['place', ({ rank }) => rank],
  ['key', ({ words }) => words],
  ['effort', ({ effort }) => effort],
  ['black keys: right', ({ blackFingers }) => blackFingers.right.join(' ')],
  ['black keys: left', ({ blackFingers }) => blackFingers.left.join(' ')],
  ['moves', ({ positionChanges }) => positionChanges],
  ['forced fingers', ({ forced }) => forced.fingers],
  ['forced moves', ({ forced }) => forced.moves],
  ['forced openings', ({ forced }) => forced.openings],
  ['must', ({ flags }) => flags.must],
  ['should', ({ flags }) => flags.should],
  ['signs', ({ reading }) => Math.abs(reading.signs)],
  ['accidentals', ({ reading }) => reading.accidentals],
  ['ledger lines', ({ reading }) => reading.ledgerLines],
  ['widest right (mm)', ({ reachMm }) => reachMm.right ?? ''],
  ['widest left (mm)', ({ reachMm }) => reachMm.left ?? ''],
  ['range right', ({ register }) => rangeText(register.right)],
  ['range left', ({ register }) => rangeText(register.left)],
];

function rangeText(range: RankedKey['register']['right']): string {
  return range ? `${range.low}–${range.high}` : '';
}

/** The survey as comma-separated values, for any spreadsheet. */
export function surveyCsv(keys: readonly RankedKey[]): string {
  const rows = keys.map((key) => [...COLUMNS.map(([, value]) => value(key)), key.why.join('; '), key.leaveOut ?? '']);
  return unparse(
    { fields: [...COLUMNS.map(([heading]) => heading), 'why', 'left out'], data: rows },
    { newline: '\r\n', escapeFormulae: true },
  );
}
