import { memo } from 'react';
import type { EntryView } from '@/core/views';
import type { Row } from '@/core/entry';
import type { ScreenCommand } from '@/contract/entry-questions';
import { printedKey, type EntryKey } from './entry-keys';
import { useWords } from '@/features/shared/words/use-words';

interface RowTableProps {
  readonly view: EntryView;
  readonly keys: readonly EntryKey[];
  readonly onPress: (command: ScreenCommand) => void;
}

const ROW_ORDER: readonly Row[] = ['beat', 'longer', 'bar', 'shorter'];

/** The lengths that a row can have, in quarters. */
const LENGTHS: readonly number[] = [0.125, 0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6];

/** The four rows of keys: what each finger is on, and how long its note is. A length can be chosen anew. */
export const RowTable = memo(function RowTable({ view, keys, onPress }: RowTableProps) {
  const w = useWords();
  return (
    <table className="w-full text-sm" data-role="rows">
      <caption className="sr-only">{w.entry.keysForFingersAndLength}</caption>
      <thead>
        <tr className="text-xs text-secondary">
          <th scope="col" className="text-left font-normal">
            {w.entry.length}
          </th>
          {[1, 2, 3, 4, 5].map((finger) => (
            <th key={finger} scope="col" className="w-8 font-normal">
              {finger}
            </th>
          ))}
          <th scope="col" className="w-9 font-normal">
            {w.entry.restHeading}
          </th>
        </tr>
      </thead>
      <tbody>
        {ROW_ORDER.map((row) => (
          <tr key={row}>
            <td className="py-0.5 pr-1">
              <select
                className="select select-xs h-8 w-full min-w-0 ps-1.5 pe-5"
                aria-label={w.entry.lengthOfRowOf(printedKey(keyOf(keys, `${row}-1`)))}
                value={view.rows[row]}
                onChange={(event) => onPress({ kind: 'row-length', row, quarters: Number(event.target.value) })}
              >
                {LENGTHS.map((quarters) => (
                  <option key={quarters} value={quarters}>
                    {w.says.lengthWords(quarters)}
                  </option>
                ))}
                {LENGTHS.includes(view.rows[row]) ? null : (
                  <option value={view.rows[row]}>{w.says.lengthWords(view.rows[row])}</option>
                )}
              </select>
            </td>
            {([1, 2, 3, 4, 5] as const).map((finger) => (
              <td key={finger} className="px-0.5 py-0.5 text-center">
                <button
                  type="button"
                  className="btn btn-xs h-8 w-8 font-mono text-sm"
                  aria-label={w.entry.fingerKey(
                    printedKey(keyOf(keys, `${row}-${finger}`)),
                    finger,
                    w.says.lengthWords(view.rows[row]),
                  )}
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
                aria-label={w.entry.restKey(printedKey(keyOf(keys, `${row}-rest`)), w.says.lengthWords(view.rows[row]))}
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
