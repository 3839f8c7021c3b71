'use client';

import {
  Area,
  AreaChart,
  Bar,
  BarChart,
  CartesianGrid,
  ComposedChart,
  Legend,
  Line,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { FirstDay, Week } from '@/core/calendar';
import type { FaultCount, FaultyBar, MonthOfKeys, PieceOverTime, WeekOfPractice } from '@/core/teaching';
import { dayWords, monthWords, weekWords } from '@/features/shared/teaching/day-words';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useWords } from '@/features/shared/words/use-words';
import { ChartFigure } from './chart-figure';
import { AXIS, GRID, HATCH, Hatching, INK, MARGIN, SOLID, TIP } from './look';

const legend = (name: string) => <span className="text-base-content">{name}</span>;

/** The Monday or Sunday of a week stands for it on an axis that is short. */
const short = (week: Week): string => dayWords(week);

/** Minutes of playing, week by week. */
export function MinutesChart({
  weeks,
  first,
}: {
  readonly weeks: readonly WeekOfPractice[];
  readonly first: FirstDay;
}) {
  const w = useWords();
  const data = weeks.map(({ week, minutes }) => ({ name: short(week), minutes }));
  return (
    <ChartFigure
      name="minutes"
      heading={w.charts.minutes}
      sentence={w.says.weeksWords(weeks)}
      points={data.length}
      numbers={() => ({
        headings: [w.charts.week, w.charts.minutesHeading, w.charts.runs, w.charts.clean],
        rows: weeks.map(({ week, minutes, runs, clean }) => [weekWords(week, first), minutes, runs, clean]),
      })}
    >
      <BarChart data={data} margin={MARGIN} accessibilityLayer={false}>
        <CartesianGrid vertical={false} stroke={GRID} />
        <XAxis dataKey="name" tick={AXIS} minTickGap={24} />
        <YAxis tick={AXIS} allowDecimals={false} />
        <Tooltip {...TIP} />
        <Bar dataKey="minutes" name={w.charts.minutesHeading} fill={SOLID} isAnimationActive={false} maxBarSize={44} />
      </BarChart>
    </ChartFigure>
  );
}

/** One piece in one key: the fastest clean tempo, and how many runs were clean. */
export function PieceChart({ piece, first }: { readonly piece: PieceOverTime; readonly first: FirstDay }) {
  const w = useWords();
  const data = piece.weeks.map(({ week, tempo, runs, clean }) => ({
    name: short(week),
    tempo,
    clean,
    unclean: runs - clean,
  }));
  return (
    <ChartFigure
      name={`tempo-${piece.key}`}
      heading={w.week.pieceInKey(piece.title, keyWords(w, piece.key))}
      sentence={w.says.pieceOverTimeWords(piece)}
      points={data.length}
      numbers={() => ({
        headings: [w.charts.week, w.charts.fastestClean, w.charts.runs, w.charts.clean],
        rows: piece.weeks.map(({ week, tempo, runs, clean }) => [weekWords(week, first), tempo ?? '–', runs, clean]),
      })}
    >
      <ComposedChart data={data} margin={{ ...MARGIN, right: -12 }} accessibilityLayer={false}>
        <Hatching />
        <CartesianGrid vertical={false} stroke={GRID} />
        <XAxis dataKey="name" tick={AXIS} minTickGap={24} />
        <YAxis yAxisId="runs" tick={AXIS} allowDecimals={false} />
        <YAxis yAxisId="tempo" orientation="right" tick={AXIS} domain={[0, 120]} unit="%" />
        <Tooltip {...TIP} />
        <Legend itemSorter={null} wrapperStyle={{ fontSize: 14 }} formatter={legend} />
        <Bar
          yAxisId="runs"
          dataKey="clean"
          name={w.charts.clean}
          maxBarSize={44}
          stackId="runs"
          fill={SOLID}
          isAnimationActive={false}
        />
        <Bar
          yAxisId="runs"
          dataKey="unclean"
          name={w.charts.notClean}
          maxBarSize={44}
          stackId="runs"
          fill={HATCH}
          stroke="var(--color-secondary)"
          isAnimationActive={false}
        />
        <Line
          yAxisId="tempo"
          dataKey="tempo"
          name={w.charts.fastestClean}
          stroke={INK}
          strokeWidth={2}
          dot={{ r: 4, fill: 'var(--color-base-100)', stroke: INK }}
          connectNulls
          isAnimationActive={false}
        />
      </ComposedChart>
    </ChartFigure>
  );
}

/** What goes wrong, the most frequent first. */
export function FaultKindsChart({ faults }: { readonly faults: readonly FaultCount[] }) {
  const w = useWords();
  const data = faults.map(({ kind, count }) => ({ name: w.charts.faultNames[kind], count }));
  return (
    <ChartFigure
      name="faults-by-kind"
      heading={w.charts.faultsByKind}
      sentence={w.says.faultCountWords(faults)}
      points={data.length}
      numbers={() => ({
        headings: [w.charts.fault, w.charts.times],
        rows: data.map(({ name, count }) => [name, count]),
      })}
    >
      <BarChart data={data.slice(0, 7)} layout="vertical" margin={{ ...MARGIN, left: 4 }} accessibilityLayer={false}>
        <CartesianGrid horizontal={false} stroke={GRID} />
        <XAxis type="number" tick={AXIS} allowDecimals={false} />
        <YAxis type="category" dataKey="name" tick={AXIS} width={150} interval={0} />
        <Tooltip {...TIP} />
        <Bar dataKey="count" name={w.charts.times} fill={SOLID} isAnimationActive={false} maxBarSize={44} />
      </BarChart>
    </ChartFigure>
  );
}

/** Where it goes wrong, bar by bar. */
export function FaultBarsChart({ bars, title }: { readonly bars: readonly FaultyBar[]; readonly title: string }) {
  const w = useWords();
  const data = bars.map(({ bar, count }) => ({ name: bar, count }));
  return (
    <ChartFigure
      name="faults-by-bar"
      heading={title}
      sentence={w.says.faultyBarWords(bars)}
      points={data.length}
      numbers={() => ({
        headings: [w.charts.bar, w.charts.times, w.charts.pieces, w.charts.mostly],
        rows: bars.map(({ bar, count, pieces, kind, hand }) => [
          bar,
          count,
          pieces,
          hand === null
            ? w.charts.faultNames[kind]
            : w.charts.faultInHand(w.charts.faultNames[kind], w.charts.hands[hand]),
        ]),
      })}
    >
      <BarChart data={data} margin={MARGIN} accessibilityLayer={false}>
        <CartesianGrid vertical={false} stroke={GRID} />
        <XAxis dataKey="name" tick={AXIS} />
        <YAxis tick={AXIS} allowDecimals={false} />
        <Tooltip {...TIP} />
        <Bar dataKey="count" name={w.charts.times} fill={SOLID} isAnimationActive={false} maxBarSize={44} />
      </BarChart>
    </ChartFigure>
  );
}

/** How many keys are secure, month by month. */
export function KeysChart({ months }: { readonly months: readonly MonthOfKeys[] }) {
  const w = useWords();
  const data = months.map(({ month, keys }) => ({ name: monthWords(month), count: keys.length }));
  const [begin, end] = [months[0], months.at(-1)];
  return (
    <ChartFigure
      name="keys"
      heading={w.charts.keysOverMonths}
      sentence={w.charts.keysFromTo(begin?.keys.length ?? 0, end?.keys.length ?? 0)}
      points={data.length}
      numbers={() => ({
        headings: [w.charts.month, w.charts.howMany, w.charts.keys],
        rows: months.map(({ month, keys }) => [
          monthWords(month),
          keys.length,
          keys.map((key) => keyWords(w, key)).join(', '),
        ]),
      })}
    >
      <AreaChart data={data} margin={MARGIN} accessibilityLayer={false}>
        <CartesianGrid vertical={false} stroke={GRID} />
        <XAxis dataKey="name" tick={AXIS} minTickGap={24} />
        <YAxis tick={AXIS} allowDecimals={false} />
        <Tooltip {...TIP} />
        <Area
          type="stepAfter"
          dataKey="count"
          name={w.charts.howMany}
          stroke={INK}
          strokeWidth={2}
          fill="var(--color-base-300)"
          dot={{ r: 3, fill: INK }}
          isAnimationActive={false}
        />
      </AreaChart>
    </ChartFigure>
  );
}
