'use client';

import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { columns } from './numbers';
import type { RankedKey } from './ranked';
import { shortKey } from './short-key';
import { useWords } from '@/features/shared/words/use-words';

interface PictureProps {
  readonly keys: readonly RankedKey[];
}

/** What the effort is made of, from the bottom of each column up. Keys that cannot be written have none. */
const LAYERS = [
  {
    name: 'rightOnBlack',
    paint: 'var(--color-primary)',
    amount: (key: RankedKey) => sum(key, (part) => part.kind === 'black' && part.hand === 'right'),
  },
  {
    name: 'leftOnBlack',
    paint: 'var(--color-secondary)',
    amount: (key: RankedKey) => sum(key, (part) => part.kind === 'black' && part.hand === 'left'),
  },
  {
    name: 'betterOtherwise',
    paint: 'var(--color-warning)',
    amount: (key: RankedKey) => sum(key, ({ kind }) => kind === 'should'),
  },
  {
    name: 'cannotBePlayed',
    paint: 'var(--color-error)',
    amount: (key: RankedKey) => sum(key, ({ kind }) => kind === 'must'),
  },
  {
    name: 'reading',
    paint: 'var(--color-base-content)',
    amount: (key: RankedKey) => sum(key, ({ kind }) => kind === 'signs' || kind === 'ledger-lines'),
  },
] as const;

function sum({ effortParts }: RankedKey, isWanted: (part: RankedKey['effortParts'][number]) => boolean): number {
  return effortParts.filter(isWanted).reduce((total, { amount }) => total + amount, 0);
}

/** A picture of effort over the keys, and the numbers behind it. */
export function EffortPicture({ keys }: PictureProps) {
  const w = useWords();
  const data = keys.map((key) => ({
    name: shortKey(w, key.name),
    ...Object.fromEntries(LAYERS.map(({ name, amount }) => [name, Math.round(amount(key) * 100) / 100])),
  }));
  return (
    <section aria-label={w.survey.effortOverKeys} data-role="picture">
      <figure className="mb-3 rounded-box border border-base-300 bg-base-100 p-3">
        <figcaption className="mb-1 text-sm text-secondary">{w.survey.effortFrom0ForNothing}</figcaption>
        <div className="h-72 overflow-hidden" aria-hidden>
          <ResponsiveContainer width="100%" height="100%">
            <BarChart data={data} margin={{ top: 4, right: 8, bottom: 4, left: -12 }} accessibilityLayer={false}>
              <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
              <XAxis dataKey="name" interval={0} tick={{ fill: 'var(--color-base-content)', fontSize: 13 }} />
              <YAxis tick={{ fill: 'var(--color-base-content)', fontSize: 13 }} />
              <Tooltip
                cursor={{ fill: 'var(--color-base-200)' }}
                contentStyle={{
                  background: 'var(--color-base-100)',
                  borderColor: 'var(--color-base-300)',
                  color: 'var(--color-base-content)',
                }}
              />
              <Legend
                itemSorter={null}
                wrapperStyle={{ fontSize: 14 }}
                formatter={(name: string) => <span className="text-base-content">{name}</span>}
              />
              {LAYERS.map(({ name, paint }) => (
                <Bar
                  key={name}
                  dataKey={name}
                  name={w.survey.layers[name]}
                  stackId="effort"
                  fill={paint}
                  isAnimationActive={false}
                />
              ))}
            </BarChart>
          </ResponsiveContainer>
        </div>
      </figure>
      <div
        className="overflow-x-auto rounded-box border border-base-300 bg-base-100"
        tabIndex={0}
        role="region"
        aria-label={w.survey.numbersByKey}
      >
        <table className="w-full border-collapse text-sm" data-role="numbers">
          <thead>
            <tr>
              {columns(w).map(([heading]) => (
                <th
                  key={heading}
                  scope="col"
                  className="px-2 py-1.5 text-right align-bottom font-semibold nth-2:text-left"
                >
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {keys.map((key) => (
              <tr key={key.name} className="border-t border-base-300">
                {columns(w).map(([heading, value]) => (
                  <td key={heading} className="px-2 py-1 text-right whitespace-nowrap nth-2:text-left">
                    {value(key)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
