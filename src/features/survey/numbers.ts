import Papa from 'papaparse';
import type { RankedKey } from './ranked';
import { type Words } from '@/features/shared/words/use-words';

/** The numbers behind the picture, one column each. Units stand in the headings. */
export const columns = (
  w: Words,
): readonly (readonly [heading: string, value: (key: RankedKey) => string | number])[] => [
  [w.survey.place, ({ rank }) => rank],
  [w.survey.key, ({ words }) => words],
  [w.survey.effort, ({ effort }) => effort],
  [w.survey.blackKeysRight, ({ blackFingers }) => blackFingers.right.join(' ')],
  [w.survey.blackKeysLeft, ({ blackFingers }) => blackFingers.left.join(' ')],
  [w.survey.movesHeading, ({ positionChanges }) => positionChanges],
  [w.survey.forcedFingers, ({ forced }) => forced.fingers],
  [w.survey.forcedMoves, ({ forced }) => forced.moves],
  [w.survey.forcedOpenings, ({ forced }) => forced.openings],
  [w.survey.must, ({ flags }) => flags.must],
  [w.survey.should, ({ flags }) => flags.should],
  [w.survey.signs, ({ reading }) => Math.abs(reading.signs)],
  [w.survey.accidentals, ({ reading }) => reading.accidentals],
  [w.survey.ledgerLines, ({ reading }) => reading.ledgerLines],
  [w.survey.widestRight, ({ reachMm }) => lengthNumber(w, reachMm.right)],
  [w.survey.widestLeft, ({ reachMm }) => lengthNumber(w, reachMm.left)],
  [w.survey.rangeRight, ({ register }) => rangeText(register.right)],
  [w.survey.rangeLeft, ({ register }) => rangeText(register.left)],
];

/** A length in the unit that the heading says. */
function lengthNumber(w: Words, mm: number | null): number | string {
  return mm === null ? '' : w.says.lengthNumber(mm);
}

function rangeText(range: RankedKey['register']['right']): string {
  return range ? `${range.low}–${range.high}` : '';
}

/** The survey as comma-separated values, for any spreadsheet. */
export function surveyCsv(w: Words, keys: readonly RankedKey[]): string {
  const rows = keys.map((key) => [
    ...columns(w).map(([, value]) => value(key)),
    key.why.join('; '),
    key.leaveOut ?? '',
  ]);
  return Papa.unparse(
    { fields: [...columns(w).map(([heading]) => heading), w.survey.why, w.survey.leftOut], data: rows },
    { newline: '\r\n', escapeFormulae: true },
  );
}
