import { describe, expect, it } from '@jest/globals';
import { AFTER_WEIGHTS } from './decision.table';
import { FRAME, heardAfter, MODEL_KEYS, onsetsIn, USED_FRAMES, WINDOW_STEP, type Posteriors } from './posteriors';
import { HEARD_RATE } from './rate';

const LOWEST = 21;

/** What a model says that is sure of some onsets, each as its frame and key, and of nothing else. */
function sureOf(onsets: readonly (readonly [number, number])[], frames = 3 * USED_FRAMES): Posteriors {
  const all = { onsets: new Float32Array(frames * MODEL_KEYS), sounding: new Float32Array(frames * MODEL_KEYS) };
  for (const [frame, midi] of onsets) {
    const at = (off: number): number => (frame + off) * MODEL_KEYS + midi - LOWEST;
    [0.3, 0.9, 0.3].forEach((value, i) => (all.onsets[at(i - 1)] = value));
    for (let off = 0; off < 20; off += 1) all.sounding[at(off)] = 0.8;
  }
  return all;
}

describe('what the second ear says', () => {
  it('has an onset once, where it is likeliest', () => {
    expect(onsetsIn(sureOf([[40, 60]])).map(({ midi }) => midi)).toEqual([60]);
  });

  it('has the times of frames also behind the first window, whose frames do not end where the next begins', () => {
    const [first, second] = onsetsIn(
      sureOf([
        [40, 60],
        [USED_FRAMES + 40, 60],
      ]),
    );
    expect((second?.atMs ?? 0) - (first?.atMs ?? 0)).toBeCloseTo((WINDOW_STEP * 1000) / HEARD_RATE, 6);
    expect(WINDOW_STEP).toBeLessThanOrEqual(USED_FRAMES * FRAME + FRAME);
  });

  it('is that a key was struck which began and sounds on, and not where it only began', () => {
    const begun = sureOf([[40, 64]]);
    expect(heardAfter(begun, AFTER_WEIGHTS)[0]?.odds).toBeGreaterThan(1);
    const silent = { ...begun, sounding: new Float32Array(begun.sounding.length) };
    expect(heardAfter(silent, AFTER_WEIGHTS)[0]?.odds).toBeLessThan(0);
  });

  it('is nothing of keys that are not listened for, and nothing of silence', () => {
    expect(onsetsIn(sureOf([[40, 22]]))).toEqual([]);
    expect(onsetsIn(sureOf([]))).toEqual([]);
  });
});
