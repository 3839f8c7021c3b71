import { describe, expect, it } from '@jest/globals';
import { USUAL_BENCH as USUAL } from '../../../tests/support/bench-options';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { stepOf } from '@/core/homework';
import { createCoreService } from './core-service';
import { ID_PREFIXES } from '@/core/paper';
import type { PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';

const service = createCoreService();
const SOURCE: PieceSource = { musicXml: demoFile('lantern-walk'), ownKey: null, part: null, stage: null };
const IN_D = { ...USUAL, to: 'D-major' };
const RIGHT = { hand: 'right', bars: { from: 2, to: 3 } } as const;
const PUPIL = { seed: 4, bpm: 80, jitterMs: 15, unevenMs: 0, drift: 0, weaknesses: [] };
const HOW = { strictness: 'usual', bpm: 80, countIn: null } as const;

async function valueOf<T>(answer: Answer<T> | Promise<Answer<T>>): Promise<T> {
  const known = await answer;
  if (!known.ok) throw new Error(known.trouble.message);
  return known.value;
}

describe('what is practised', () => {
  it('is the music of these bars alone, with what is needed to play along', async () => {
    const view = await valueOf(service.practice(SOURCE, IN_D, RIGHT, 30));
    expect([view.key, view.keyText, view.hands, view.countIn]).toEqual(['D major', 'D-major', ['right', 'left'], 4]);
    expect(view.bars.map(({ number }) => number)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8']);
    expect([...new Set(view.moments.map(({ bar }) => bar))]).toEqual(['3', '4']);
    expect(view.performance.bars.map(({ number }) => number)).toEqual(['3', '4']);
    expect(view.page.musicXml.match(/<measure /g)).toHaveLength(2);
    expect(view.page.musicXml).toContain(`id="${ID_PREFIXES.after}${view.moments[0]?.keys[0]?.noteId}"`);
  });

  it('has the notes of the hand that rests faint', async () => {
    const view = await valueOf(service.practice(SOURCE, IN_D, RIGHT, 30));
    const left = view.moments.flatMap(({ keys }) => keys).filter(({ hand }) => hand === 'left');
    expect(new Set(left.map(({ noteId }) => noteId))).toEqual(new Set(view.faint));
    expect((await valueOf(service.practice(SOURCE, IN_D, { ...RIGHT, hand: 'both' }, 30))).faint).toEqual([]);
  });
});

describe('a stretch', () => {
  it('is known of the hand that is practised, for the hand that plays', async () => {
    const wide = musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'C3+C4w/5/1' });
    const source = { ...SOURCE, musicXml: wide };
    const asked = (spanMm: number, hand: 'left' | 'right') =>
      service.practice(source, { ...USUAL, player: { ...USUAL.player, spanMm } }, { hand, bars: null }, 30);
    expect((await valueOf(asked(130, 'left'))).stretches).toBe(true);
    expect((await valueOf(asked(130, 'right'))).stretches).toBe(false);
    expect((await valueOf(asked(220, 'left'))).stretches).toBe(false);
  });
});

describe('what was played', () => {
  it('is judged in words, and right where the simulated pupil does nothing wrong', async () => {
    const keys = await valueOf(service.simulate(SOURCE, IN_D, RIGHT, PUPIL));
    const judged = await valueOf(service.judge(SOURCE, IN_D, RIGHT, keys, HOW));
    expect([judged.clean, judged.faults, judged.next]).toEqual([true, [], null]);
    expect(judged.right.join()).toContain('Clean');
  });

  it('has its faults at their notes, and the next thing by its bars in the whole piece', async () => {
    const keys = await valueOf(service.simulate(SOURCE, IN_D, RIGHT, { ...PUPIL, weaknesses: ['forgets-signature'] }));
    const judged = await valueOf(service.judge(SOURCE, IN_D, RIGHT, keys, HOW));
    expect(judged.faults.map(({ kind, weighs }) => [kind, weighs])).toEqual([['forgot-signature', true]]);
    const { bars, hand, bpm } = judged.next ?? {};
    expect([hand, bpm]).toEqual(['right', 60]);
    expect([2, 3]).toContain(bars?.from);
    const view = await valueOf(service.practice(SOURCE, IN_D, { hand: 'right', bars: bars ?? null }, 30));
    const ids = view.moments.flatMap((moment) => moment.keys).map(({ noteId }) => noteId);
    expect(ids).toEqual(expect.arrayContaining([...(judged.faults[0]?.notes ?? [])]));
  });
});

describe('the steps of a piece', () => {
  it.each(['D-minor', 'D-dorian', 'Gb-major', 'F#-mixolydian'])('warm up in %s with its five fingers', async (key) => {
    const asked = {
      kind: 'five-fingers',
      keys: [key],
      rhythm: 'quarters',
      hands: 'right',
      wording: USUAL.wording,
    } as const;
    const { musicXml: drill } = await valueOf(service.drill(asked, 30));
    const music = await valueOf(
      service.askedMusic({ ...SOURCE, musicXml: drill, ownKey: key }, USUAL, { hand: 'right', bars: null }),
    );
    expect(music.notes.map(({ finger }) => finger)).toEqual([1, 2, 3, 4, 5, 4, 3, 2, 1]);
    expect(music.notes[0]?.midi).toBe(music.notes.at(-1)?.midi);
  });

  it('that name bars which are not there any more show those that are; all of them, where none is', async () => {
    const barsFrom = async (from: number): Promise<readonly (string | undefined)[]> => {
      const { page } = await valueOf(service.practice(SOURCE, IN_D, { hand: 'right', bars: { from, to: 99 } }, 30));
      return [...page.musicXml.matchAll(/<measure number="(\d+)"/g)].map(([, number]) => number);
    };
    expect(await barsFrom(6)).toEqual(['7', '8']);
    expect(await barsFrom(90)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8']);
  });

  it('are those that are proposed, in words, with the bars as they are printed', async () => {
    const view = await valueOf(service.steps(SOURCE, IN_D, { kept: null, ownStages: [] }));
    expect([view.keyText, view.bars.length]).toEqual(['D-major', 8]);
    expect(view.steps.map(({ title }) => title).slice(0, 3)).toEqual([
      'Warm up in D major, right hand',
      'Warm up in D major, left hand',
      'Tap it on the lid',
    ]);
  });

  it('are the teacher’s where there are some, in the teacher’s words', async () => {
    const own = stepOf('own', { id: 'mine', hand: 'left', bars: { from: 2, to: 3 }, stage: 'a', words: 'Sing it.' });
    const kept = {
      kept: [own, stepOf('own', { id: 'lost', bars: { from: 90, to: 99 } })],
      ownStages: [{ id: 'a', title: 'My way' }],
    };
    const [first, lost] = (await valueOf(service.steps(SOURCE, IN_D, kept))).steps;
    expect([first?.title, first?.told]).toEqual(['Left hand alone, bars 3 and 4 (My way)', 'Sing it.']);
    expect(lost?.title).toBe('Both hands');
  });

  it('are refused where they are none', async () => {
    const broken = { kept: [{ ...stepOf('slow', {}), times: 0 }], ownStages: [] };
    expect((await service.steps(SOURCE, IN_D, broken)).ok).toBe(false);
  });
});

describe('what was played', () => {
  it('is the same out of its file as it went in, to the millisecond', async () => {
    const keys = await valueOf(service.simulate(SOURCE, IN_D, RIGHT, PUPIL));
    const file = await valueOf(service.playedFile(keys));
    const read = await valueOf(service.keysOfPlayedFile(file, USUAL.wording));
    expect(read).toHaveLength(keys.length);
    read.forEach((key, i) => expect(Math.abs(key.downMs - (keys[i]?.downMs ?? 0))).toBeLessThan(1));
    expect((await service.keysOfPlayedFile(new Uint8Array([1, 2]), USUAL.wording)).ok).toBe(false);
  });

  it('is what is asked for, where the simulated pupil does nothing wrong', async () => {
    const music = await valueOf(service.askedMusic(SOURCE, IN_D, RIGHT));
    const keys = await valueOf(service.simulate(SOURCE, IN_D, RIGHT, PUPIL));
    expect(keys.map(({ midi }) => midi)).toEqual(music.notes.map(({ midi }) => midi));
  });
});
