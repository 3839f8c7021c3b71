import { describe, expect, it } from '@jest/globals';
import type { JudgedView } from '@/core/views';
import { RUN } from '@/data/records/run-record';
import { understand } from '@/data/records/understand';
import { runOf, tickOf, type RunOfWhat } from './keep-run';

const WHAT: RunOfWhat = {
  music: 'piece',
  key: 'D-major',
  stage: null,
  hand: 'right',
  bars: { from: 0, to: 1 },
  piece: 'tune',
  title: 'A Tune',
  edition: null,
  pupil: 'ada',
  step: 'slow',
  way: 'along',
  tempo: 60,
  playedOn: 'midi',
};
const JUDGED: JudgedView = {
  clean: false,
  notes: { written: 6, right: 5 },
  right: ['5 of 6 notes right.'],
  faults: [{ kind: 'hesitation', words: 'It stops.', bar: '2', beat: 3, hand: null, notes: ['n4'], weighs: true }],
  beside: [],
  unclear: [],
  next: null,
};
const PLAYED = {
  keys: [{ midi: 62, downMs: 0, upMs: 300, velocity: 64 }],
  how: { strictness: 'kind', bpm: 58, countIn: 4 },
  tookMs: 7000.4,
} as const;

describe('what goes into the record', () => {
  it('is what was judged, and how it was listened to, so that it can be judged again', () => {
    const run = runOf(WHAT, JUDGED, PLAYED, 5);
    expect(run).toMatchObject({
      outcome: 'unclean',
      written: 6,
      right: 5,
      ear: 'kind',
      bpm: 58,
      countIn: 4,
      tookMs: 7000,
      faults: [{ kind: 'hesitation', bar: '2', beat: 3, notes: ['n4'] }],
    });
    expect(JSON.stringify(run)).not.toContain('It stops');
    expect(understand(RUN, { ...run, form: 5 })).toMatchObject({ kind: 'record', unclear: [] });
  });

  it('is clean where each moment was waited for and the pulse alone stopped', () => {
    expect(runOf({ ...WHAT, way: 'wait' }, JUDGED, PLAYED, 5).outcome).toBe('clean');
  });

  it('of a step that nobody hears is that it was ticked', () => {
    const tick = tickOf({ ...WHAT, way: 'tick' }, 5);
    expect([tick.outcome, tick.written, tick.faults]).toEqual(['ticked', 0, []]);
    expect(understand(RUN, { ...tick, form: 5 })).toMatchObject({ kind: 'record', unclear: [] });
  });
});
