import type { HandRows } from './hand-rows';
import type { RoteBar, RoteLine, RoteSeat, Saying } from './rote-sheet';

/** What is told anew is shorter than “as in bar 1” where the hand strikes less often. */
const LEAST_STRIKES = 2;

/** The number of an earlier bar in which a hand did just the same from the same place; null where there is none, or where its number names several. */
export function likeRow(told: HandRows, numbers: readonly string[], index: number): string | null {
  const strikes = (told.rows[index] ?? []).filter(({ kind }) => kind === 'strike');
  if (strikes.length < LEAST_STRIKES) return null;
  const seats = seatsAtBars(told);
  const own = rowName(seats[index] ?? null, told.rows[index] ?? []);
  const found = told.rows.slice(0, index).findIndex((row, i) => rowName(seats[i] ?? null, row) === own);
  const number = numbers[found];
  return number !== undefined && numbers.filter((other) => other === number).length === 1 ? number : null;
}

/** Where the hand sits as each bar begins. */
function seatsAtBars({ begins, rows }: HandRows): readonly (RoteSeat | null)[] {
  let seat = begins;
  return rows.map((row) => {
    const here = seat;
    for (const saying of row) if (saying.kind === 'move') seat = saying.seat;
    return here;
  });
}

/** What is said in a bar, without how the first note comes from what was before it. */
function rowName(seat: RoteSeat | null, row: readonly Saying[]): string {
  const first = row.findIndex(({ kind }) => kind === 'strike');
  return JSON.stringify([
    seat,
    row.map((saying, i) =>
      i === first && saying.kind === 'strike' ? { ...saying, strike: { ...saying.strike, way: null } } : saying,
    ),
  ]);
}

/** The number of an earlier line whose bars are all the same in both hands; null where there is none. */
export function likeLine(earlier: readonly RoteLine[], bars: readonly RoteBar[]): number | null {
  const name = lineName(bars);
  return earlier.find((line) => line.like === null && lineName(line.bars) === name)?.number ?? null;
}

function lineName(bars: readonly RoteBar[]): string {
  return JSON.stringify(
    bars.map(({ length, meter, key, hands }) => [
      length,
      meter,
      key,
      Object.entries(hands).map(([hand, row]) => [hand, rowName(null, row.sayings)]),
    ]),
  );
}
