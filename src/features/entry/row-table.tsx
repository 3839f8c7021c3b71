import { memo } from 'react';
import type { EntryView } from '@/core/views';
import type { Row } from '@/core/entry';
import type { ScreenCommand } from '@/workers/entry-protocol';
import { printedKey, type EntryKey } from './entry-keys';

interface RowTableProps {
  readonly view: EntryView;
  readonly keys: readonly EntryKey[];
  readonly onPress: (command: ScreenCommand) => void;
}

const ROW_ORDER: readonly Row[] = ['beat', 'longer', 'bar', 'shorter'];

/** The lengths that a row can have. */
const LENGTHS: readonly (readonly [quarters: number, name: string])[] = [
  [0.125, 'thirty-second'],
  [0.25, 'sixteenth'],
  [0.5, 'eighth'],
  [0.75, 'dotted eighth'],
  [1, 'quarter'],
  [1.5, 'dotted quarter'],
  [2, 'half'],
  [3, 'dotted half'],
  [4, 'whole'],
  [6, 'dotted whole'],
];

/** The name of a length. */
export function lengthName(quarters: number): string {
  return LENGTHS.find(([length]) => length === quarters)?.[1] ?? `${quarters} quarters`;
}

/** The four rows of keys: what each finger is on, and how long its note is. A length can be chosen anew. */
export const RowTable = memo(function RowTable({ view, keys, onPress }: RowTableProps) {
  return (
    <table className="w-full text-sm" data-role="rows">
      <caption className="sr-only">Keys for fingers, and the length that each row of keys enters</caption>
      <thead>
        <tr className="text-xs text-secondary">
          <th scope="col" className="text-left font-normal">
            Length
          </th>
          {[1, 2, 3, 4, 5].map((finger) => (
            <th key={finger} scope="col" className="w-8 font-normal">
              {finger}
            </th>
          ))}
          <th scope="col" className="w-9 font-normal">
            rest
          </th>
        </tr>
      </thead>
      <tbody>
        {ROW_ORDER.map((row) => (
          <tr key={row}>
            <td className="py-0.5 pr-1">
              <select
                className="select select-xs h-8 w-full"
                aria-label={`Length of the row of ${printedKey(keyOf(keys, `${row}-1`))}`}
                value={view.rows[row]}
                onChange={(event) => onPress({ kind: 'row-length', row, quarters: Number(event.target.value) })}
              >
                {LENGTHS.map(([quarters, name]) => (
                  <option key={quarters} value={quarters}>
                    {name}
                  </option>
                ))}
                {LENGTHS.some(([quarters]) => quarters === view.rows[row]) ? null : (
                  <option value={view.rows[row]}>{lengthName(view.rows[row])}</option>
                )}
              </select>
            </td>
            {([1, 2, 3, 4, 5] as const).map((finger) => (
              <td key={finger} className="px-0.5 py-0.5 text-center">
                <button
                  type="button"
                  className="btn btn-xs h-8 w-8 font-mono text-sm"
                  aria-label={`${printedKey(keyOf(keys, `${row}-${finger}`))}: finger ${finger}, ${lengthName(view.rows[row])}`}
                  onClick={() => onPress({ kind: 'finger', finger, row })}
                >
                  {printedKey(keyOf(keys, `${row}-${finger}`))}
                </button>
              </td>
            ))}
            <td className="px-0.5 py-0.5 text-center">
              <button
                type="button"
                className="btn btn-ghost btn-xs h-8 w-8 border-base-300 font-mono text-sm"
                aria-label={`${printedKey(keyOf(keys, `${row}-rest`))}: rest, ${lengthName(view.rows[row])}`}
                onClick={() => onPress({ kind: 'rest', row })}
              >
                {printedKey(keyOf(keys, `${row}-rest`))}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
});

function keyOf(keys: readonly EntryKey[], name: string): string {
  return keys.find((one) => one.name === name)?.key ?? '';
}
