'use client';

import { useMemo } from 'react';
import { acrossPupils } from '@/core/teaching';
import { useBriefs, type PupilRecord } from '@/data';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { NumbersTable } from './charts/chart-figure';

/** So many names are told. */
const NAMED = 6;

function namesOf(names: readonly string[], andMore: (count: number) => string): string {
  const rest = names.length - NAMED;
  return [...names.slice(0, NAMED), ...(rest > 0 ? [andMore(rest)] : [])].join(', ');
}

/** Which pieces and keys go well with whom, over all pupils. */
export function Across({ pupils }: { readonly pupils: readonly PupilRecord[] }) {
  const w = useWords();
  const ids = useSame(pupils.map(({ id }) => id));
  const briefs = useBriefs(ids);
  const pieces = useMemo(
    () => briefs && acrossPupils(new Map([...briefs].map(([id, { tallies }]) => [id, tallies]))),
    [briefs],
  );
  const names = useMemo(() => new Map(pupils.map(({ id, name }) => [id, name])), [pupils]);
  if (!pieces) return <p>{w.pupils.opening}</p>;
  return (
    <section
      aria-label={w.pupils.shows.across}
      className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-3"
      data-role="across"
    >
      <p data-role="sentence">{w.says.acrossWords(pieces)}</p>
      <NumbersTable
        name="across-pupils"
        height="max-h-[36rem]"
        heading={w.pupils.shows.across}
        numbers={{
          headings: [
            w.charts.piece,
            w.charts.key,
            w.pupils.pupils,
            w.charts.securedBy,
            w.charts.throughsUntilSecure,
            w.charts.cleanPerCent,
            w.charts.secureWith,
          ],
          rows: pieces.map((one) => [
            one.title,
            keyWords(w, one.key),
            one.pupils,
            one.secured,
            one.runsToSecure ?? '–',
            one.cleanPerCent,
            namesOf(
              one.secureWith.map((id) => names.get(id) ?? ''),
              w.pupils.andMore,
            ),
          ]),
        }}
      />
    </section>
  );
}
