'use client';

import { useId, useState, type ReactElement } from 'react';
import { Download } from 'lucide-react';
import Papa from 'papaparse';
import { ResponsiveContainer } from 'recharts';
import { useGrowing } from '@/features/shared/parts/use-growing';
import { saveFile } from '@/features/shared/files/save-file';
import { useWords } from '@/features/shared/words/use-words';

/** The numbers of a picture: what stands over each column, and the rows. */
export interface Numbers {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

interface ChartFigureProps {
  /** Names the picture, on the page and as a file. */
  readonly name: string;
  readonly heading: string;
  /** What the picture says. */
  readonly sentence: string;
  /** How many points it has; without any it is not drawn. */
  readonly points: number;
  /** Its numbers, written out when somebody wants to see them. */
  readonly numbers: () => Numbers;
  readonly children: ReactElement;
}

/** A picture with the sentence that it says, and its numbers as a table and a file. */
export function ChartFigure({ name, heading, sentence, points, numbers, children }: ChartFigureProps) {
  const w = useWords();
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  return (
    <figure
      aria-labelledby={id}
      className="flex min-w-0 flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3"
      data-chart={name}
    >
      <figcaption>
        <h2 id={id} className="font-semibold">
          {heading}
        </h2>
        <p className="text-sm" data-role="sentence">
          {sentence}
        </p>
      </figcaption>
      {points === 0 ? null : (
        <>
          <div className="h-56 overflow-hidden" aria-hidden>
            <ResponsiveContainer width="100%" height="100%">
              {children}
            </ResponsiveContainer>
          </div>
          <details className="text-sm" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
            <summary className="link flex min-h-8 cursor-pointer items-center pointer-coarse:min-h-11">
              {w.charts.theNumbers}
            </summary>
            {isOpen ? <NumbersTable name={name} heading={heading} numbers={numbers()} /> : null}
          </details>
        </>
      )}
    </figure>
  );
}

interface NumbersTableProps {
  readonly name: string;
  readonly heading: string;
  readonly numbers: Numbers;
  /** How high it is at most before it scrolls. */
  readonly height?: 'max-h-72' | 'max-h-[36rem]';
}

/** So many rows are seen before one scrolls. */
const FIRST_ROWS = 24;

export function NumbersTable({ name, heading, numbers: { headings, rows }, height = 'max-h-72' }: NumbersTableProps) {
  const w = useWords();
  const most = useGrowing(rows.length, FIRST_ROWS);
  const csv = (): string =>
    Papa.unparse(
      { fields: [...headings], data: rows.map((row) => [...row]) },
      { newline: '\r\n', escapeFormulae: true },
    );
  return (
    <div className="flex flex-col gap-2">
      <div
        className={`${height} relative overflow-auto`}
        tabIndex={0}
        role="region"
        aria-label={w.charts.numbersOf(heading)}
      >
        <table className="w-full border-collapse text-sm">
          <thead>
            <tr className="border-b border-base-300 text-left">
              {headings.map((one) => (
                <th key={one} scope="col" className="px-2 py-1 font-semibold">
                  {one}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, most).map((row) => (
              <tr key={row.join('|')} className="border-base-300 not-last:border-b">
                {row.map((value, i) => (
                  <td key={headings[i]} className="px-2 py-1 tabular-nums">
                    {value}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className="btn btn-sm h-9 self-start font-normal pointer-coarse:h-11"
        data-role="csv"
        onClick={() => saveFile(`${name}.csv`, 'text/csv;charset=utf-8', csv())}
      >
        <Download size={16} aria-hidden /> {w.charts.asCsv}
      </button>
    </div>
  );
}
