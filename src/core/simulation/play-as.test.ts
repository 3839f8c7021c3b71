import { beforeAll, describe, expect, it } from '@jest/globals';
import { asked } from '../../../tests/support/asked';
import { demoMusic } from '../../../tests/support/practising';
import type { AskedMusic } from '../asked';
import { playAs, WEAKNESSES, type Pupil } from './index';

const STEADY: Pupil = { seed: 7, bpm: 60, jitterMs: 0, unevenMs: 0, drift: 0, weaknesses: [] };
const TUNE = asked('C4 D4 E4 F4 G4 F4 E4 D4 C4:4');

let all: readonly { readonly music: AskedMusic }[];
beforeAll(() => {
  all = demoMusic(2, 3);
});

describe('the simulated pupil', () => {
  it('plays what is written, at its tempo, where nothing goes wrong', () => {
    const { keys, slips } = playAs(STEADY, TUNE);
    expect(keys.map(({ midi, downMs }) => [midi, Math.round(downMs)])).toEqual(
      TUNE.notes.map(({ midi, at }) => [midi, at * 1000]),
    );
    expect(keys.map(({ downMs, upMs }) => Math.round(upMs - downMs))).toEqual([...Array(8).fill(900), 3600]);
    expect(slips).toEqual([]);
  });

  it('plays the same from the same seed, and otherwise from another', () => {
    const human = { ...STEADY, jitterMs: 25, drift: 0.05 };
    expect(playAs(human, TUNE)).toEqual(playAs(human, TUNE));
    expect(playAs(human, TUNE)).not.toEqual(playAs({ ...human, seed: 8 }, TUNE));
  });

  it('strays as far as it is told to, and drifts as far', () => {
    const music = asked(Array.from({ length: 400 }, () => 'C4').join(' '));
    const off = (pupil: Partial<Pupil>): readonly number[] =>
      playAs({ ...STEADY, ...pupil }, music).keys.map(({ downMs }, i) => downMs - i * 1000);
    const jitter = off({ jitterMs: 30 });
    const spread = Math.sqrt(jitter.reduce((sum, ms) => sum + ms ** 2, 0) / jitter.length);
    expect(spread).toBeGreaterThan(25);
    expect(spread).toBeLessThan(35);
    const drifting = off({ drift: 0.08 });
    const steps = drifting.slice(1).map((ms, i) => 1000 + ms - (drifting[i] ?? 0));
    expect(Math.max(...steps)).toBeGreaterThan(1070);
    expect(Math.max(...steps)).toBeLessThanOrEqual(1081);
  });

  it.each(WEAKNESSES)('%s: somewhere in the demo pieces, and it changes what is played', (weakness) => {
    const made = all.flatMap(({ music }) => {
      const { keys, slips } = playAs({ ...STEADY, weaknesses: [weakness] }, music);
      return slips.length === 0 ? [] : [{ keys, plain: playAs(STEADY, music).keys, slips }];
    });
    expect(made.length).toBeGreaterThan(0);
    for (const { keys, plain, slips } of made) {
      expect(keys).not.toEqual(plain);
      expect(slips.map((slip) => slip.weakness)).toEqual([weakness]);
      expect(keys.every(({ downMs, upMs }) => upMs > downMs && downMs >= 0)).toBe(true);
    }
  });

  it('does two things wrong in different places', () => {
    for (const { music } of all) {
      const { slips } = playAs({ ...STEADY, weaknesses: ['hits-any-key', 'drops-note'] }, music);
      const [one, other] = slips.map(({ notes }) =>
        music.moments.findIndex((moment) => moment.notes.some((note) => music.notes[note]?.id === notes[0])),
      );
      if (one !== undefined && other !== undefined) expect(Math.abs(one - other)).toBeGreaterThan(3);
    }
  });
});
