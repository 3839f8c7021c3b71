import { groupBy } from '../base';
import type { AskedBar, AskedMusic, AskedNote, StruckKey } from '../asked';
import type { HeardFact, Judgement } from './judgement';
import type { Run } from './heard-moments';
import { paceOf } from './tempo';
import type { RunPulse } from './time-faults';
import { swungIn } from './uneven-time';

/** A note with a dot is let go before so much of its length. Our own choice: half is usual. */
const DETACHED = 0.8;

/** What is told beside: how notes were held, and whether halves of beats were even. */
export function heardBeside(
  music: AskedMusic,
  keys: readonly StruckKey[],
  runs: readonly Run[],
  pulses: readonly RunPulse[],
): readonly HeardFact[] {
  return [...heldOn(music, keys, runs, pulses), ...swungIn(music, runs)];
}

function heldOn(
  music: AskedMusic,
  keys: readonly StruckKey[],
  runs: readonly Run[],
  pulses: readonly RunPulse[],
): readonly HeardFact[] {
  const held = runs.flatMap((run, r) => {
    const pace = pulses[r]?.msPerQuarter ?? null;
    if (pace === null) return [];
    return run
      .flatMap(({ notes }) => notes)
      .flatMap(({ key, note }): readonly AskedNote[] => {
        const asked = music.notes[note] as AskedNote;
        const { downMs, upMs } = keys[key] as StruckKey;
        return asked.isDetached && upMs - downMs > DETACHED * asked.length * pace ? [asked] : [];
      });
  });
  return [...groupBy(held, ({ hand }) => hand)].map(([hand, notes]) => ({
    kind: 'detached-held',
    hand,
    bars: [...new Set(notes.map(({ bar }) => bar))],
    notes: [...new Set(notes.map(({ id }) => id))],
  }));
}

/** The tempo of a run in each of its bars, in the meter's beats. */
export function tempoOfBars({ moments, bars }: AskedMusic, run: Run): Judgement['tempo'] {
  if (run.length < 2) return [];
  const pace = paceOf(run, new Map());
  const first = new Map<number, number>();
  run.forEach(({ moment }, i) => {
    const bar = moments[moment]?.barIndex;
    if (bar !== undefined && !first.has(bar)) first.set(bar, i);
  });
  return [...first].flatMap(([index, i]) => {
    const bar: AskedBar | undefined = bars.find((one) => one.index === index);
    return bar ? [{ bar: bar.number, bpm: 60_000 / (pace[i] as number) / bar.beat }] : [];
  });
}
