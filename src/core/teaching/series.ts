import { groupBy } from '../base';
import { dayOf, weekAt, weeksAfter, weeksBetween, type FirstDay, type Week } from '../calendar';
import { NOT_SCORED, type PlayFaultKind } from '../practice';
import type { Hand } from '../score';
import type { PieceTally } from './brief';
import { recordedKeys, type JudgedKey } from './key-states';
import { inTime, type RunFact } from './run-fact';

/** A week of practice: how much, and what of it was clean. */
export interface WeekOfPractice {
  readonly week: Week;
  readonly minutes: number;
  readonly runs: number;
  readonly clean: number;
}

/** Week by week from the first to the last in which something was played, those with nothing too: a gap is seen. */
export function weeksOfPractice(runs: readonly RunFact[], first: FirstDay): readonly WeekOfPractice[] {
  const byWeek = groupBy(runs, ({ atMs }) => weekAt(atMs, first));
  return weeksFrom([...byWeek.keys()]).map((week) => {
    const own = byWeek.get(week) ?? [];
    return {
      week,
      minutes: Math.round(own.reduce((sum, { tookMs }) => sum + tookMs, 0) / 6000) / 10,
      runs: own.length,
      clean: cleanOf(own).length,
    };
  });
}

function weeksFrom(weeks: readonly Week[]): readonly Week[] {
  const [from, to] = [weeks.toSorted()[0], weeks.toSorted().at(-1)];
  if (from === undefined || to === undefined) return [];
  return Array.from({ length: weeksBetween(from, to) + 1 }, (_, i) => weeksAfter(from, i));
}

function cleanOf(runs: readonly RunFact[]): readonly RunFact[] {
  return runs.filter(({ outcome }) => outcome === 'clean');
}

/** One piece in one key over time. */
export interface PieceOverTime {
  readonly piece: string;
  readonly title: string;
  readonly key: string;
  /** Week by week: the fastest clean run in per cent of what is written, null where none was clean, and the runs of it. */
  readonly weeks: readonly {
    readonly week: Week;
    readonly tempo: number | null;
    readonly runs: number;
    readonly clean: number;
  }[];
}

/** Pieces in their keys, those that were played last first. Ticked steps are no runs through it. */
export function piecesOverTime(runs: readonly RunFact[], first: FirstDay): readonly PieceOverTime[] {
  const played = inTime(runs.filter(({ music, outcome }) => music === 'piece' && outcome !== 'ticked'));
  return [...groupBy(played, ({ piece, key }) => `${piece}|${key}`).values()]
    .toSorted((a, b) => (b.at(-1) as RunFact).atMs - (a.at(-1) as RunFact).atMs)
    .map((own) => {
      const { piece, title, key } = own.at(-1) as RunFact;
      const byWeek = groupBy(own, ({ atMs }) => weekAt(atMs, first));
      const weeks = weeksFrom([...byWeek.keys()]).map((week) => {
        const here = byWeek.get(week) ?? [];
        const tempos = cleanOf(here).map(({ tempo }) => tempo);
        return {
          week,
          tempo: tempos.length === 0 ? null : Math.max(...tempos),
          runs: here.length,
          clean: tempos.length,
        };
      });
      return { piece, title, key, weeks };
    });
}

/** How often something went wrong in one way. */
export interface FaultCount {
  readonly kind: PlayFaultKind;
  readonly count: number;
}

/** Faults by kind, the most frequent first; what is only told is left out. */
export function faultsByKind(runs: readonly RunFact[]): readonly FaultCount[] {
  const faults = runs.flatMap((run) => run.faults).filter(({ kind }) => !NOT_SCORED.includes(kind));
  return [...groupBy(faults, ({ kind }) => kind)]
    .map(([kind, own]) => ({ kind, count: own.length }))
    .toSorted((a, b) => b.count - a.count || (a.kind < b.kind ? -1 : 1));
}

/** A bar with what goes wrong in it: how often, in how many runs and pieces, and what most often, in which hand (null: both, or not known). */
export interface FaultyBar {
  readonly bar: string;
  readonly count: number;
  readonly runs: number;
  readonly pieces: number;
  readonly kind: PlayFaultKind;
  readonly hand: Hand | null;
}

/** Faults by bar, of one piece or of all of them, in the order of bars. */
export function faultsByBar(runs: readonly RunFact[]): readonly FaultyBar[] {
  const faults = runs.flatMap((run) =>
    run.faults.filter(({ kind }) => !NOT_SCORED.includes(kind)).map((fault) => ({ ...fault, run })),
  );
  return [...groupBy(faults, ({ bar }) => bar)]
    .map(([bar, own]): FaultyBar => {
      const [most] = [...groupBy(own, ({ kind, hand }) => `${kind}|${hand}`).values()].toSorted(
        (a, b) => b.length - a.length,
      );
      const { kind, hand } = (most as typeof own)[0] as (typeof own)[number];
      const count = (of: (one: (typeof own)[number]) => string): number => new Set(own.map(of)).size;
      return {
        bar,
        count: own.length,
        runs: count(({ run }) => run.id),
        pieces: count(({ run }) => run.piece),
        kind,
        hand,
      };
    })
    .toSorted((a, b) => Number(a.bar) - Number(b.bar) || (a.bar < b.bar ? -1 : 1));
}

/** A month, as `2026-11`, and the keys that were secure by its end. */
export interface MonthOfKeys {
  readonly month: string;
  readonly keys: readonly string[];
}

/** Keys secured over the months, from the first that was to `untilMonth`. What the teacher says counts before the record; a key that was judged without a day is
 * there from the beginning. */
export function keysSecured(
  runs: readonly RunFact[],
  judged: readonly JudgedKey[],
  untilMonth: string,
): readonly MonthOfKeys[] {
  const isJudged = new Set(judged.map(({ key }) => key));
  const recorded = [...recordedKeys(runs).values()].flatMap(({ key, pieces }) =>
    pieces[0] && !isJudged.has(key) ? [{ key, month: monthOf(pieces[0].sinceMs) }] : [],
  );
  const said = judged
    .filter(({ state }) => state === 'secure')
    .map(({ key, day }) => ({ key, month: day === null ? '' : day.slice(0, 7) }));
  const all = [...said, ...recorded].toSorted((a, b) => (a.month < b.month ? -1 : 1));
  const first = all.find(({ month }) => month !== '')?.month ?? untilMonth;
  return monthsBetween(first, untilMonth).map((month) => ({
    month,
    keys: all.filter((one) => one.month <= month).map(({ key }) => key),
  }));
}

/** The month of a moment by the local clock, as `2026-11`. */
export function monthOf(atMs: number): string {
  return dayOf(atMs).slice(0, 7);
}

function monthsBetween(from: string, to: string): readonly string[] {
  const count = (month: string): number => Number(month.slice(0, 4)) * 12 + Number(month.slice(5)) - 1;
  const length = Math.max(1, count(to) - count(from) + 1);
  return Array.from({ length }, (_, i) => {
    const at = count(from) + i;
    return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`;
  });
}

/** How a piece in a key goes, over all pupils who played it. */
export interface PieceAcross {
  readonly piece: string;
  readonly title: string;
  readonly key: string;
  readonly pupils: number;
  readonly secured: number;
  /** With whom it is secure. */
  readonly secureWith: readonly string[];
  readonly runs: number;
  /** Play-throughs until it was secure, in the middle of those pupils; null where nobody is. */
  readonly runsToSecure: number | null;
  /** Clean runs of all that were judged. Unit: per cent. */
  readonly cleanPerCent: number;
}

/** Which pieces and keys go well with whom: those that were secured after the fewest play-throughs first, those that nobody secured last. */
export function acrossPupils(byPupil: ReadonlyMap<string, readonly PieceTally[]>): readonly PieceAcross[] {
  const all = [...byPupil].flatMap(([pupil, tallies]) => tallies.map((tally) => ({ ...tally, pupil })));
  return [...groupBy(all, ({ piece, key }) => `${piece}|${key}`).values()]
    .map((own): PieceAcross => {
      const { piece, title, key } = own.at(-1) as (typeof own)[number];
      const secured = own.filter(({ throughs }) => throughs !== null);
      const runs = own.reduce((sum, tally) => sum + tally.runs, 0);
      const clean = own.reduce((sum, tally) => sum + tally.clean, 0);
      return {
        ...{ piece, title, key, runs },
        pupils: own.length,
        secured: secured.length,
        secureWith: secured.map(({ pupil }) => pupil),
        runsToSecure: middleOf(secured.flatMap(({ throughs }) => throughs ?? [])),
        cleanPerCent: Math.round((100 * clean) / runs),
      };
    })
    .toSorted(
      (a, b) =>
        (a.runsToSecure ?? Infinity) - (b.runsToSecure ?? Infinity) ||
        b.cleanPerCent - a.cleanPerCent ||
        b.runs - a.runs,
    );
}

function middleOf(numbers: readonly number[]): number | null {
  return numbers.length === 0
    ? null
    : (numbers.toSorted((a, b) => a - b)[Math.floor((numbers.length - 1) / 2)] as number);
}
