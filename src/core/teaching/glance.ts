import { daysBetween, dayOf, daysOf, startOf, weekAt, type FirstDay, type Week } from '../calendar';
import type { RunsBrief } from './brief';
import { keyStanding, type JudgedKey } from './key-states';

/** After so many days without a run a pupil has not been heard for long. Our own choice: two lessons. */
export const QUIET_DAYS = 14;

/** What is looked at of a pupil when all of them are. */
export interface GlanceAsked {
  readonly brief: RunsBrief;
  readonly judged: readonly JudgedKey[];
  /** What is set for this week. */
  readonly cards: readonly { readonly state: 'open' | 'done' }[];
  /** In which key each piece stands, where that is known. */
  readonly ownKeys: ReadonlyMap<string, string>;
  readonly nowMs: number;
  readonly first: FirstDay;
}

/** How things stand with a pupil this week. */
export interface Glance {
  readonly week: Week;
  readonly set: number;
  readonly done: number;
  readonly minutes: number;
  readonly runs: number;
  readonly lastMs: number | null;
  /** Days since the last run; null where there is none. */
  readonly quietDays: number | null;
  /** Whether that is too long, or there was never a run. */
  readonly isQuiet: boolean;
  readonly secureKeys: number;
  /** Keys that could be begun now: their five fingers are clean, and a piece is secure in its own key. */
  readonly readyKeys: readonly string[];
}

export function glanceOf({ brief, judged, cards, ownKeys, nowMs, first }: GlanceAsked): Glance {
  const week = weekAt(nowMs, first);
  const fromMs = startOf(daysOf(week, first)[0] ?? week);
  const own = brief.recent.filter(([atMs]) => atMs >= fromMs);
  const lastMs = brief.recent[0]?.[0] ?? null;
  const quietDays = lastMs === null ? null : Math.max(0, daysBetween(dayOf(lastMs), dayOf(nowMs)));
  const recorded = new Map(brief.recorded.map((one) => [one.key, one]));
  const names = [...new Set([...recorded.keys(), ...judged.map(({ key }) => key)])];
  const standings = names.map((key) =>
    keyStanding(key, judged.find((one) => one.key === key) ?? null, recorded.get(key) ?? null),
  );
  const hasPiece = standings.some(({ key, recorded: known }) =>
    known?.pieces.some(({ piece }) => (ownKeys.get(piece) ?? key) === key),
  );
  return {
    week,
    set: cards.length,
    done: cards.filter(({ state }) => state === 'done').length,
    minutes: Math.round(own.reduce((sum, [, tookMs]) => sum + tookMs, 0) / 60_000),
    runs: own.length,
    lastMs,
    quietDays,
    isQuiet: quietDays === null || quietDays >= QUIET_DAYS,
    secureKeys: standings.filter(({ state }) => state === 'secure').length,
    readyKeys: hasPiece
      ? standings
          .filter(({ state, recorded: known }) => state === 'not-yet' && known?.patternSinceMs != null)
          .map(({ key }) => key)
      : [],
  };
}

/** What the teacher said of keys, those included of which it is only kept that they are known. */
export function judgedKeys(
  known: readonly string[],
  judged: readonly {
    readonly key: string;
    readonly state: JudgedKey['state'];
    readonly day: string;
    readonly why: string;
  }[],
): readonly JudgedKey[] {
  const named = new Set(judged.map(({ key }) => key));
  const only = known
    .filter((key) => !named.has(key))
    .map((key): JudgedKey => ({ key, state: 'secure', day: null, why: '' }));
  return [...judged, ...only];
}
