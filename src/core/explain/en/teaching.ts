import { assertNever } from '../../base';
import { keyText, parseKey } from '../../pitch';
import type {
  FaultCount,
  FaultyBar,
  KeyStanding,
  NextKey,
  PieceAcross,
  PieceOverTime,
  WeekOfPractice,
} from '../../teaching';
import { HAND, countWord, listed } from './common';
import { playFaultNames } from './playing';
import type { Terms } from './terms';

/** A key by its name as machines write it. */
function keySaid(t: Terms, name: string): string {
  const key = parseKey(name, 'major');
  return key && keyText(key) === name ? t.key(key) : name;
}

/** Days are put into words where the teacher’s calendar is known. */
export interface SaidDays {
  readonly ofMs: (atMs: number) => string;
  readonly ofDay: (day: string) => string;
}

/** What is known of a key of a pupil, a phrase each: what the teacher said and why, then what was recorded. */
export function standingWords(
  t: Terms,
  { state, by, judged, recorded }: KeyStanding,
  days: SaidDays,
): readonly string[] {
  const said =
    by === 'teacher' && judged
      ? [
          `${STATES[state]}, says the teacher${judged.day === null ? '' : ` on ${days.ofDay(judged.day)}`}${judged.why === '' ? '' : `: ${judged.why}`}`,
        ]
      : [];
  if (!recorded) return said.length > 0 ? said : ['nothing was played in it yet'];
  const played = [
    ...recorded.pieces.map(({ title, sinceMs }) => `“${title}” is secure since ${days.ofMs(sinceMs)}`),
    ...(recorded.patternSinceMs === null
      ? []
      : [`its five fingers are clean since ${days.ofMs(recorded.patternSinceMs)}`]),
    `${countWord(recorded.runs)} run${recorded.runs === 1 ? '' : 's'}, the last on ${days.ofMs(recorded.lastMs)}`,
  ];
  return [...said, ...played];
}

const STATES = { secure: 'secure', learning: 'being worked on', 'not-yet': 'not yet' } as const;

/** Why a key is proposed, or what is still wanted before it, a sentence each. */
export function nextKeyWords(t: Terms, next: NextKey): readonly string[] {
  return [readinessWords(t, next), ...blackKeyWords(t, next), ...pieceWords(next), ...leftOutWords(t, next)];
}

function readinessWords(t: Terms, { readiness, secure, key }: NextKey): string {
  const known = listed(secure.map(({ title }) => `“${title}”`));
  switch (readiness) {
    case 'ready':
      return `Ready: ${known} ${secure.length === 1 ? 'is' : 'are'} secure, and the five fingers of ${keySaid(t, key)} are clean.`;
    case 'pattern-first':
      return `${known} ${secure.length === 1 ? 'is' : 'are'} secure. The five fingers of ${keySaid(t, key)} come first.`;
    case 'piece-first':
      return 'No piece is secure in its own key yet: that comes first.';
    default:
      return assertNever(readiness);
  }
}

function blackKeyWords(t: Terms, { black }: NextKey): readonly string[] {
  const hands = (['right', 'left'] as const).flatMap((hand) =>
    black[hand].length === 0 ? [] : [`${listed(black[hand].map(String))} in the ${HAND[hand]}`],
  );
  return [hands.length === 0 ? 'No finger on a black key.' : `On black: ${listed(hands)}.`];
}

/** Pieces by what happens to the hands in them. */
function pieceWords({ pieces }: NextKey): readonly string[] {
  const [staying, moving, beyond] = [
    pieces.filter(({ limits, moreMoves }) => limits === 0 && moreMoves <= 0),
    pieces.filter(({ limits, moreMoves }) => limits === 0 && moreMoves > 0),
    pieces.filter(({ limits }) => limits > 0),
  ];
  const named = (some: typeof pieces): string => listed(some.map(({ title }) => `“${title}”`));
  return [
    ...(staying.length === 0 ? [] : [`The hands do in ${named(staying)} what they do now.`]),
    ...(moving.length === 0 ? [] : [`They move more often in ${named(moving)}.`]),
    ...(beyond.length === 0
      ? []
      : [`${named(beyond)} ${beyond.length === 1 ? 'asks' : 'ask'} too much of this hand there.`]),
  ];
}

function leftOutWords(t: Terms, { leftOut }: NextKey): readonly string[] {
  switch (leftOut) {
    case 'outer-on-black':
      return [`Left out for now: ${t.theFinger(1)} or ${t.theFinger(5)} lies on a black key.`];
    case 'beyond-the-hand':
      return ['Left out for now: every piece asks too much of this hand there.'];
    case null:
      return [];
    default:
      return assertNever(leftOut);
  }
}

/** What a picture of weeks says. */
export function weeksWords(_t: Terms, weeks: readonly WeekOfPractice[]): string {
  const some = weeks.filter(({ runs }) => runs > 0);
  const [last] = weeks.slice(-1);
  if (!last || some.length === 0) return 'Nothing was played yet.';
  const minutes = some.reduce((sum, week) => sum + week.minutes, 0) / weeks.length;
  const idle = weeks.length - some.length;
  const gaps = idle === 0 ? '' : `, ${countWord(idle)} of ${countWord(weeks.length)} weeks without a run`;
  return `About ${countWord(Math.max(1, Math.round(minutes)))} minute${Math.round(minutes) <= 1 ? '' : 's'} a week${gaps}; ${runsSaid(last)}.`;
}

function runsSaid({ runs, clean }: WeekOfPractice): string {
  if (runs === 0) return 'none in the last';
  if (runs === 1) return `one run in the last, ${clean === 1 ? '' : 'not '}clean`;
  return `${countWord(runs)} runs in the last, ${clean === 0 ? 'none' : countWord(clean)} of them clean`;
}

/** What a picture of one piece in one key says. */
export function pieceOverTimeWords(t: Terms, { title, key, weeks }: PieceOverTime): string {
  const clean = weeks.flatMap(({ tempo }) => tempo ?? []);
  const [first, best] = [clean[0], Math.max(...clean)];
  const runs = weeks.reduce((sum, week) => sum + week.runs, 0);
  const name = `“${title}” in ${keySaid(t, key)}`;
  if (first === undefined) return `${name}: ${countWord(runs)} run${runs === 1 ? '' : 's'}, none clean yet.`;
  if (runs === 1) return `${name}: clean at ${best} % in its one run.`;
  const count = weeks.reduce((sum, week) => sum + week.clean, 0);
  const tempo = first === best ? `clean at ${best} %` : `clean at ${first} % first, at ${best} % by now`;
  return `${name}: ${tempo}, ${countWord(count)} of ${countWord(runs)} runs clean.`;
}

/** What goes wrong most. */
export function faultCountWords(t: Terms, faults: readonly FaultCount[]): string {
  const [first, second] = faults;
  if (!first) return 'Nothing went wrong.';
  const names = playFaultNames(t);
  const all = faults.reduce((sum, { count }) => sum + count, 0);
  const next = second ? `; then ${names[second.kind]} (${second.count})` : '';
  return `Most often: ${names[first.kind]}, ${first.count} of ${all} times${next}.`;
}

/** Where it goes wrong most, in all pieces or in one. */
export function faultyBarWords(t: Terms, bars: readonly FaultyBar[]): string {
  const worst = bars.toSorted((a, b) => b.count - a.count)[0];
  if (!worst) return 'Nothing went wrong.';
  const { bar, count, pieces, kind, hand } = worst;
  const where = `${t.Bar} ${bar}${pieces > 1 ? ` in ${countWord(pieces)} pieces` : ''}`;
  return `${where}: ${playFaultNames(t)[kind]}${hand === null ? '' : ` in the ${HAND[hand]}`} most of all; ${countWord(count)} fault${count === 1 ? '' : 's'} there.`;
}

/** Which piece goes well with most. */
export function acrossWords(t: Terms, pieces: readonly PieceAcross[]): string {
  const [best] = pieces;
  if (!best || best.runsToSecure === null) return 'No piece is secure with anyone yet.';
  const { title, key, secured, pupils, runsToSecure } = best;
  return `“${title}” in ${keySaid(t, key)} goes best: secure with ${countWord(secured)} of ${countWord(pupils)} after about ${countWord(runsToSecure)} times through.`;
}
