import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { asked, struck } from '../../../tests/support/asked';
import { answered, beginEcho, callOf, judgeEcho, phraseMusic, type EchoState } from './echo';

/** Four bars of four; the third has one long note. */
const TUNE = asked('C4 D4 E4 F4 G4 F4 E4 D4 C4:4 E4 D4 C4:2');
const wrong = (state: EchoState): EchoState => answered(TUNE, state, 'wrong');
const right = (state: EchoState): EchoState => answered(TUNE, state, 'right');
const played = (midis: readonly number[], octave = 0) =>
  midis.map((midi, i) => struck(midi + octave, 1000 + i * 600, 500));

describe('call and echo', () => {
  it('begins with two bars at a time', () => {
    expect(beginEcho(TUNE)).toEqual({
      todo: [
        { from: 0, to: 8 },
        { from: 8, to: 12 },
      ],
      failed: 0,
    });
  });

  it('takes a pick-up with the bars behind it', () => {
    const [first, ...rest] = TUNE.bars;
    const short = { ...TUNE, bars: [{ ...(first as (typeof TUNE.bars)[number]), length: 1 }, ...rest] };
    expect(beginEcho(short).todo[0]).toEqual({ from: 0, to: 9 });
  });

  it('cuts a phrase in half when it fails twice, and joins the halves when both were answered', () => {
    const begun = beginEcho(TUNE);
    expect(wrong(begun)).toEqual({ ...begun, failed: 1 });
    const cut = wrong(wrong(begun));
    expect(cut.todo.slice(0, 3)).toEqual([
      { from: 0, to: 4 },
      { from: 4, to: 8 },
      { from: 0, to: 8 },
    ]);
    expect(right(right(cut)).todo).toEqual(begun.todo);
    expect(right(right(right(right(cut)))).todo).toEqual([]);
  });

  it('cuts at the bar before the beat, and never a single note', () => {
    const bars = wrong(wrong({ todo: [{ from: 2, to: 9 }], failed: 0 }));
    expect(bars.todo[0]).toEqual({ from: 2, to: 4 });
    const one = { todo: [{ from: 8, to: 9 }], failed: 0 };
    expect(wrong(wrong(one)).todo).toEqual(one.todo);
  });

  it('comes to its end from wherever it is, once all is right', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('right' as const, 'wrong' as const), { maxLength: 40 }), (answers) => {
        let state = answers.reduce((now, answer) => answered(TUNE, now, answer), beginEcho(TUNE));
        let last = state.todo.at(-1);
        for (let i = 0; i < 100 && state.todo.length > 0; i += 1) {
          last = state.todo.at(-1);
          state = right(state);
        }
        expect(state.todo).toEqual([]);
        // The last thing that is answered is always the last phrase as a whole.
        if (last) expect(last).toEqual({ from: 8, to: 12 });
      }),
    );
  });

  it('plays the phrase alone, from its first note', () => {
    expect(callOf(TUNE, { from: 8, to: 11 })).toEqual([
      { midi: 60, at: 0, length: 4 },
      { midi: 64, at: 4, length: 1 },
      { midi: 62, at: 5, length: 1 },
    ]);
    expect(phraseMusic(TUNE, { from: 8, to: 11 }).bars.map(({ number }) => number)).toEqual(['3', '4']);
  });
});

describe('an answer', () => {
  const PHRASE = { from: 0, to: 4 };

  it.each([0, 12, -12])('%i half steps from the call is the same', (octave) => {
    const heard = judgeEcho(TUNE, PHRASE, played([60, 62, 64, 65], octave), 'usual');
    expect([heard.octave, heard.judgement.clean]).toEqual([octave, true]);
  });

  it('with another note is not the same, and one in no octave is not either', () => {
    expect(judgeEcho(TUNE, PHRASE, played([60, 62, 63, 65]), 'usual').judgement.clean).toBe(false);
    expect(judgeEcho(TUNE, PHRASE, played([67, 69, 71, 72]), 'usual').judgement.clean).toBe(false);
    expect(judgeEcho(TUNE, PHRASE, [], 'usual').judgement.clean).toBe(false);
  });
});
