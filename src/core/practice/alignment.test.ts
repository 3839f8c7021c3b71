import { describe, expect, it } from '@jest/globals';
import { cheapestByTrying } from '../../../tests/support/align-by-trying';
import { chance } from '../../../tests/support/histories';
import { asked, struck } from '../../../tests/support/asked';
import { align } from './alignment';
import { rounds } from '../../../tests/support/rounds';

/** Short music, and keys that have something to do with it: the right ones, wrong ones, some left out, some again. */
function passage(seed: number) {
  const luck = chance(seed);
  const chord = (): string => {
    const letters = ['C4', 'D4', 'E4', 'F#4', 'G4', 'C5'] as const;
    const [one, other] = [luck.of(letters), luck.of(letters)];
    return luck.below(3) === 0 && one !== other ? `${one}+${other}` : one;
  };
  const music = asked(Array.from({ length: 2 + luck.below(5) }, chord).join(' '));
  const keys: (readonly [number, number])[] = [];
  let ms = 0;
  for (let i = 0; i < music.notes.length && keys.length < 6; i += 1) {
    const fate = luck.below(8);
    if (fate === 0) continue;
    if (fate === 1) i = luck.below(music.notes.length);
    const off = fate === 2 ? luck.below(5) - 2 : fate === 3 ? 12 : 0;
    const moment = music.moments.findIndex(({ notes }) => notes.includes(i));
    const isWithBefore = music.moments[moment]?.notes[0] !== i;
    ms += isWithBefore ? luck.below(250) : 200 + luck.below(fate === 4 ? 1500 : 400);
    keys.push([(music.notes[i]?.midi ?? 60) + off, ms]);
    if (fate === 5) keys.push([60 + luck.below(14), ms + luck.below(200)]);
  }
  return { music, keys: keys.map(([midi, downMs]) => struck(midi, downMs)) };
}

describe('the alignment of played keys with written notes', () => {
  it('is as cheap as the cheapest of all, on short passages, with time and without', () => {
    for (let seed = 1; seed <= rounds(250, 1000); seed += 1) {
      const { music, keys } = passage(seed);
      for (const msPerQuarter of [400, null]) {
        const tempo = msPerQuarter === null ? null : () => msPerQuarter;
        const { cost } = align(music, keys, tempo);
        expect([seed, msPerQuarter, cost.toFixed(6)]).toEqual([
          seed,
          msPerQuarter,
          cheapestByTrying(music, keys, msPerQuarter).toFixed(6),
        ]);
      }
    }
  });

  it('costs what its fates cost: chords in any order, a wrong key, one left out, a new beginning', () => {
    const music = asked('C4 E4+G4 F4 D4');
    const notes = (...played: readonly (readonly [number, number])[]) =>
      align(
        music,
        played.map(([midi, beat]) => struck(midi, beat * 400)),
        () => 400,
      ).fates.map(({ note }) => note);
    expect(notes([60, 0], [67, 1], [64, 1.1], [65, 2], [62, 3])).toEqual([0, 2, 1, 3, 4]);
    expect(notes([60, 0], [64, 1], [67, 1], [66, 2], [62, 3])).toEqual([0, 1, 2, 3, 4]);
    expect(notes([60, 0], [65, 2], [62, 3])).toEqual([0, 3, 4]);
    expect(notes([60, 0], [64, 1], [67, 1], [60, 4], [64, 5], [67, 5], [65, 6])).toEqual([0, 1, 2, 0, 1, 2, 3]);
  });

  it('goes by the time where the keys alone leave it open', () => {
    const music = asked('C4 C4 C4 C4 D4');
    const { fates } = align(
      music,
      [60, 60, 60, 62].map((midi, i) => struck(midi, [0, 800, 1200, 1600][i] ?? 0)),
      () => 400,
    );
    expect(fates.map(({ note }) => note)).toEqual([0, 2, 3, 4]);
  });

  it('takes what was played without music, or nothing played, as it is', () => {
    expect(align(asked('C4'), [], null)).toEqual({ fates: [], cost: 0 });
  });
});
