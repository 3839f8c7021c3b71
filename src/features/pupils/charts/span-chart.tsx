'use client';

import { CartesianGrid, Line, LineChart, Tooltip, XAxis, YAxis } from 'recharts';
import type { PupilRecord } from '@/data';
import { dateOf } from '@/core/calendar';
import { useWords } from '@/features/shared/words/use-words';
import { ChartFigure } from './chart-figure';
import { AXIS, GRID, INK, MARGIN, TIP } from './look';

/** How far the hand reached, each time it was measured. */
export function SpanChart({ spans }: Pick<PupilRecord, 'spans'>) {
  const w = useWords();
  const inTime = spans.toSorted((a, b) => (a.day < b.day ? -1 : 1));
  const long = (day: string): string =>
    dateOf(day).toLocaleDateString([], { day: 'numeric', month: 'short', year: '2-digit' });
  const data = inTime.map(({ day, mm }) => ({ name: long(day), reach: w.says.lengthNumber(mm) }));
  const [begin, end] = [inTime[0], inTime.at(-1)];
  return (
    <ChartFigure
      name="reach"
      heading={w.charts.reachOverYears}
      sentence={
        begin && end ? w.charts.reachFromTo(begin.mm, end.mm, long(begin.day), long(end.day)) : w.charts.neverMeasured
      }
      points={data.length}
      numbers={() => ({
        headings: [w.charts.day, w.shared.reachIn],
        rows: data.map(({ name, reach }) => [name, reach]),
      })}
    >
      <LineChart data={data} margin={MARGIN} accessibilityLayer={false}>
        <CartesianGrid vertical={false} stroke={GRID} />
        <XAxis dataKey="name" tick={AXIS} minTickGap={24} />
        <YAxis
          tick={AXIS}
          domain={[
            (least: number) => 10 * Math.floor((least - 1) / 10),
            (most: number) => 10 * Math.ceil((most + 1) / 10),
          ]}
          allowDecimals={false}
        />
        <Tooltip {...TIP} />
        <Line
          dataKey="reach"
          name={w.shared.reachIn}
          stroke={INK}
          strokeWidth={2}
          dot={{ r: 4, fill: 'var(--color-base-100)', stroke: INK }}
          isAnimationActive={false}
        />
      </LineChart>
    </ChartFigure>
  );
}
