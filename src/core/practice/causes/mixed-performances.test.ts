import { beforeAll, describe, expect, it } from '@jest/globals';
import { asked, struck } from '../../../../tests/support/asked';
import { chance } from '../../../../tests/support/histories';
import { isMeant, mixedPerformance, otherHandPlayed, type Mixed } from '../../../../tests/support/mixed-performances';
import { demoMusic } from '../../../../tests/support/practising';
import { rounds } from '../../../../tests/support/rounds';
import type { AskedMusic } from '../../asked';
import { playAs, WEAKNESSES } from '../../simulation';
import { judgePlaying } from '../judge-playing';

const USUAL = { strictness: 'usual', bpm: null, countIn: null } as const;

let all: readonly { readonly name: string; readonly music: AskedMusic }[];
beforeAll(() => {
  all = demoMusic(3, 29);
});

/** How many causes were meant and named, and which performances were told more than two faults beside. */
function judged(performances: readonly Mixed[]) {
  const results = performances.map(({ name, music, keys, meant }) => {
    const { faults } = judgePlaying(music, keys, USUAL);
    const named = meant.filter((one) => faults.some((fault) => isMeant(music, one, fault))).length;
    return { name, meant: meant.length, named, beside: faults.length - named };
  });
  const sum = (of: 'meant' | 'named'): number => results.reduce((total, one) => total + one[of], 0);
  return {
    named: sum('named') / sum('meant'),
    crowded: results.filter(({ beside }) => beside > 2).length / results.length,
    missed: results.filter(({ meant, named }) => named < meant).map(({ name }) => name),
  };
}

const seeds = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

describe('performances with one cause or two for much that goes wrong', () => {
  it('are told of at least 95 % of them, with the place, and of at most two faults beside', () => {
    const performances = seeds(rounds(70, 700)).flatMap((seed) => mixedPerformance(seed, all) ?? []);
    expect(performances.length).toBeGreaterThan(60);
    const { named, crowded, missed } = judged(performances);
    expect([missed, named >= 0.95, crowded <= 0.05]).toEqual([missed, true, true]);
  });

  it('are told of the other hand than the one that was asked for, and of nothing else', () => {
    const performances = seeds(rounds(20, 200)).flatMap((seed) => otherHandPlayed(seed, all) ?? []);
    const { named, missed } = judged(performances);
    expect([missed, named >= 0.95]).toEqual([missed, true]);
  });

  it('are few: no single slips are made into a cause', () => {
    const causes = seeds(rounds(150, 1500)).flatMap((seed) => {
      const luck = chance(seed);
      const { music } = luck.of(all);
      const weaknesses = [...new Set(Array.from({ length: luck.below(6) }, () => luck.of(WEAKNESSES)))];
      const bpm = 50 + luck.below(60);
      const { keys } = playAs({ seed, bpm, jitterMs: 25 + luck.below(16), unevenMs: 0, drift: 0.1, weaknesses }, music);
      return judgePlaying(music, keys, USUAL).faults.filter(({ stretch }) => stretch !== null);
    });
    expect(causes).toEqual([]);
  });
});

describe('what is told of a cause', () => {
  const music = asked('C4 D4 E4 F4 G4 F4 E4 D4 C4 E4 G4 E4 C4:4');
  const playedAt = (off: number) =>
    music.notes.map(({ midi, at }) => struck(midi + (at >= 4 && at < 12 ? off : 0), at * 600));

  it('has its bars, the keys that it is about, and all its notes as right', () => {
    const judged = judgePlaying(music, playedAt(5), USUAL);
    expect(judged.faults).toMatchObject([
      { kind: 'transposed', bar: '2', stretch: { toBar: '3', isWhole: false, shift: { letters: 3, halfSteps: 5 } } },
    ]);
    expect(judged.faults[0]?.keys).toHaveLength(8);
    expect([judged.clean, judged.right, judged.written]).toEqual([false, 13, 13]);
    expect(judged.keys[4]?.midi).toBe(72);
  });

  it('is about the one time that bars were played so, where they are repeated', () => {
    const repeated = { ...music, notes: music.notes.map((note) => ({ ...note, id: `n${note.at % 8}` })) };
    const keys = music.notes.map(({ midi, at }) => struck(midi + (at < 8 ? 5 : 0), at * 600));
    expect(judgePlaying(repeated, keys, USUAL).faults[0]).toMatchObject({
      kind: 'transposed',
      keys: [0, 1, 2, 3, 4, 5, 6, 7],
      stretch: { toBar: '2' },
    });
  });

  it('leaves a slip beside it as it would be told without it', () => {
    const keys = playedAt(12).map((key, i) => (i === 2 ? { ...key, midi: 65 } : key));
    const { faults } = judgePlaying(music, keys, USUAL);
    expect(faults.map(({ kind, bar }) => [kind, bar])).toEqual([
      ['transposed', '2'],
      ['neighbour-key', '1'],
    ]);
  });
});
