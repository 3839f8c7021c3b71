import { beforeAll, describe, expect, it } from '@jest/globals';
import type { AskedMusic } from '../asked';
import { playAs, WEAKNESSES, type Pupil, type Weakness } from '../simulation';
import { compare } from '../../../tests/support/found-slips';
import { demoMusic } from '../../../tests/support/practising';
import { chance } from '../../../tests/support/histories';
import { judgePlaying } from './judge-playing';

const USUAL = { strictness: 'usual', bpm: null, countIn: null } as const;
const PERFORMANCES = 1000;
const STEADY: Pupil = { seed: 1, bpm: 72, jitterMs: 25, unevenMs: 0, drift: 0.03, weaknesses: [] };

/** All demo pieces in four keys each, drawn by seed. */
let all: readonly { readonly name: string; readonly music: AskedMusic }[];
beforeAll(() => {
  all = demoMusic(4, 17);
});

describe('a simulated pupil with one to five planted faults', () => {
  it('is told of at least 99 % of them, by name and place, and of little else', () => {
    const counts = new Map<Weakness, { found: number; planted: number }>();
    let made = 0;
    for (let seed = 1; seed <= PERFORMANCES; seed += 1) {
      const luck = chance(seed);
      const { music } = luck.of(all);
      const weaknesses = [...new Set(Array.from({ length: 1 + luck.below(5) }, () => luck.of(WEAKNESSES)))];
      const { keys, slips } = playAs({ ...STEADY, seed, bpm: 50 + luck.below(50), weaknesses }, music);
      const { found, missed, made: others } = compare(slips, judgePlaying(music, keys, USUAL));
      for (const { weakness } of [...found, ...missed]) {
        const count = counts.get(weakness) ?? { found: 0, planted: 0 };
        counts.set(weakness, { ...count, planted: count.planted + 1 });
      }
      for (const { weakness } of found) (counts.get(weakness) as { found: number }).found += 1;
      made += others.length;
    }
    const sums = [...counts.values()];
    const planted = sums.reduce((sum, one) => sum + one.planted, 0);
    expect(planted).toBeGreaterThan(1.5 * PERFORMANCES);
    expect(counts.size).toBe(WEAKNESSES.length);
    expect(sums.reduce((sum, one) => sum + one.found, 0) / planted).toBeGreaterThanOrEqual(0.99);
    expect(made / planted).toBeLessThanOrEqual(0.01);
  });
});

describe('200 clean performances of a hand that is no machine', () => {
  it('have at most one false fault', () => {
    const told: string[] = [];
    let clean = 0;
    for (let seed = 1; seed <= 200; seed += 1) {
      const luck = chance(seed + 5000);
      const { name, music } = luck.of(all);
      const { keys } = playAs({ ...STEADY, seed, bpm: 50 + luck.below(60), jitterMs: 40, drift: 0.08 }, music);
      const judged = judgePlaying(music, keys, USUAL);
      told.push(...judged.faults.map(({ kind, bar }) => `${name}: ${kind} in bar ${bar}`));
      if (judged.clean) clean += 1;
    }
    expect(told.length).toBeLessThanOrEqual(1);
    expect(clean).toBeGreaterThanOrEqual(198);
  });

  it('are not steady where the pulse is uneven, and that is not told note by note', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const { music } = chance(seed).of(all);
      const { keys } = playAs({ ...STEADY, seed, unevenMs: 170 }, music);
      const judged = judgePlaying(music, keys, USUAL);
      expect([judged.clean, judged.pulse.steady]).toEqual([false, false]);
      expect(judged.faults.length).toBeLessThanOrEqual(3);
    }
  });
});

describe('a last note that is waited for', () => {
  it('comes late: it is neither left out nor a key too many', () => {
    for (let seed = 1; seed <= 60; seed += 1) {
      const luck = chance(seed);
      const { name, music } = luck.of(all);
      const { keys } = playAs({ ...STEADY, seed, drift: 0 }, music);
      const { at = 0, notes = [] } = music.moments.at(-1) ?? {};
      const lateMs = 1000 + luck.below(20_000);
      const last = new Set(keys.toSorted((a, b) => a.downMs - b.downMs).slice(-notes.length));
      const late = keys.map((key) =>
        last.has(key) ? { ...key, downMs: key.downMs + lateMs, upMs: key.upMs + lateMs } : key,
      );
      const { faults } = judgePlaying(music, late, USUAL);
      const accused = faults.filter(({ kind }) => kind === 'missing' || kind === 'extra');
      expect([name, at, lateMs, accused]).toEqual([name, at, lateMs, []]);
    }
  });
});

describe('what is told beside', () => {
  it('has the tempo that was played, in the meter’s beats', () => {
    const { music } = all[0] as (typeof all)[number];
    const { keys } = playAs({ ...STEADY, bpm: 66, drift: 0 }, music);
    expect(judgePlaying(music, keys, USUAL).pulse.bpm).toBeCloseTo(66, 0);
  });

  it('has how evenly each hand played, and how loud against the other', () => {
    const { music } = all[0] as (typeof all)[number];
    const { keys } = playAs(STEADY, music);
    const louder = keys.map((key) => ({ ...key, velocity: key.velocity + (key.midi >= 60 ? 20 : 0) }));
    const { balance, loudness } = judgePlaying(music, louder, USUAL).evenness;
    expect(balance).toBeGreaterThan(12);
    expect(loudness.right).toBeGreaterThan(2);
  });

  it('is nothing where nothing was played', () => {
    const { music } = all[0] as (typeof all)[number];
    const judged = judgePlaying(music, [], USUAL);
    expect([judged.clean, judged.right, judged.runs, judged.pulse.bpm]).toEqual([false, 0, [], null]);
  });
});
