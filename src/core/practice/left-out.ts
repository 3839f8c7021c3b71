import type { AskedMusic, AskedNote, AskedMoment } from '../asked';
import type { FaultFacts } from './fault-at';
import type { Heard } from './heard';
import type { Run } from './heard-moments';

/** More notes than these in front of the first are not left out: the player began later. */
const LEFT_OUT_AT_BEGINNING = 2;

/** What did not come: notes that were left out on the way, places where the player stopped, bars that were passed over. `displaced`: notes that came at another time. */
export function leftOutFaults({ music, runs }: Heard, displaced: ReadonlySet<number>): readonly FaultFacts[] {
  return runs.flatMap((run, r) => {
    const next = runs[r + 1];
    const from = r === 0 ? firstAsked(music, run) : (run[0]?.moment ?? 0);
    const to = run.at(-1)?.moment ?? 0;
    return [...missingIn(music, run, { r, from, to, displaced }), ...endOf(music, { r, to, next })];
  });
}

function firstAsked(music: AskedMusic, run: Run): number {
  const first = run[0]?.moment ?? 0;
  return requiredIn(music, 0, first - 1).length <= LEFT_OUT_AT_BEGINNING ? 0 : first;
}

function requiredIn({ moments, notes }: AskedMusic, from: number, to: number): readonly number[] {
  return moments
    .slice(from, to + 1)
    .flatMap((moment) => moment.notes)
    .filter((note) => !(notes[note] as AskedNote).isGrace);
}

interface Stretch {
  readonly r: number;
  readonly from: number;
  readonly to: number;
  readonly displaced: ReadonlySet<number>;
}

/** Notes that one hand leaves out one after the other are one fault. */
function missingIn(music: AskedMusic, run: Run, { r, from, to, displaced }: Stretch): readonly FaultFacts[] {
  const struck = new Set(run.flatMap(({ notes }) => notes.map(({ note }) => note)));
  return (['right', 'left'] as const).flatMap((hand) => {
    const groups: number[][] = [];
    let isOpen = false;
    for (const note of requiredIn(music, from, to)) {
      if ((music.notes[note] as AskedNote).hand !== hand) continue;
      const isMissing = !struck.has(note) && !displaced.has(note);
      if (isMissing && isOpen) (groups.at(-1) as number[]).push(note);
      else if (isMissing) groups.push([note]);
      isOpen = isMissing;
    }
    return groups.map((absent) => missingFault(music, absent, r));
  });
}

function missingFault({ moments }: AskedMusic, absent: readonly number[], run: number): FaultFacts {
  const moment = moments.findIndex(({ notes }) => notes.includes(absent[0] as number));
  return { kind: 'missing', heard: [], run, offMs: null, absent, place: { moment } };
}

interface End {
  readonly r: number;
  readonly to: number;
  readonly next: Run | undefined;
}

/** How a run ended: at the end of the piece; stopped, and begun again or not; or passed over to a later place. */
function endOf(music: AskedMusic, { r, to, next }: End): readonly FaultFacts[] {
  const last = music.moments.length - 1;
  if (to >= last) return [];
  const begins = next?.[0]?.moment;
  if (begins === undefined) {
    // The very last stroke may be left out like any other note.
    const absent = requiredIn(music, to + 1, last);
    return to === last - 1 ? [missingFault(music, absent, r)] : [stoppedFault(to + 1, r, null)];
  }
  if (begins > to) {
    const absent = requiredIn(music, to + 1, begins - 1);
    return absent.length === 0 ? [] : [missingFault(music, absent, r)];
  }
  const first = (music.moments[begins] as AskedMoment).notes[0] as number;
  return [stoppedFault(to + 1, r, (music.notes[first] as AskedNote).bar)];
}

function stoppedFault(moment: number, run: number, againAt: string | null): FaultFacts {
  return { kind: 'stopped', heard: [], run, offMs: null, place: { moment }, againAt, hand: null };
}
