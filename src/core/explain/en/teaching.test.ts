import { describe, expect, it } from '@jest/globals';
import { SAYS } from '../../../../tests/support/usual-words';
import { keyStanding, type FaultyBar, type KeyStanding, type NextKey } from '../../teaching';

const DAYS = { ofMs: (atMs: number) => `day ${atMs}`, ofDay: (day: string) => day };
const RECORDED: NonNullable<KeyStanding['recorded']> = {
  key: 'D-major',
  state: 'secure',
  pieces: [{ piece: 'tune', title: 'Tune', sinceMs: 20 }],
  patternSinceMs: 10,
  runs: 7,
  firstMs: 5,
  lastMs: 30,
};
const JUDGED = { key: 'D-major', state: 'learning', day: '2026-11-26', why: 'the thumb waits' } as const;

describe('how a pupil stands to a key', () => {
  const said = (...of: Parameters<typeof keyStanding>): readonly string[] =>
    SAYS.standingWords(keyStanding(...of), DAYS);

  it('is told from the record: what is secure, its five fingers, how often', () => {
    expect(said('D-major', null, RECORDED)).toEqual([
      '“Tune” is secure since day 20',
      'its five fingers are clean since day 10',
      'seven runs, the last on day 30',
    ]);
    expect(said('D-major', null, { ...RECORDED, pieces: [], patternSinceMs: null, runs: 1 })).toEqual([
      'one run, the last on day 30',
    ]);
  });

  it('is told as the teacher says it first, with the day and the reason where they are known', () => {
    expect(said('D-major', JUDGED, RECORDED)[0]).toBe(
      'being worked on, says the teacher on 2026-11-26: the thumb waits',
    );
    expect(said('D-major', { ...JUDGED, state: 'secure', day: null, why: '' }, null)).toEqual([
      'secure, says the teacher',
    ]);
  });

  it('says so where nothing is known', () => {
    expect(said('D-major', null, null)).toEqual(['nothing was played in it yet']);
  });
});

describe('why a key is proposed', () => {
  const inKey = (title: string, moreMoves: number, limits = 0): NextKey['pieces'][number] => ({
    ...{ piece: title, title, moreMoves, limits, onBlack: [] },
  });
  const NEXT: NextKey = {
    key: 'D-major',
    readiness: 'ready',
    black: { right: [3], left: [3] },
    pieces: [inKey('Tune', 0)],
    secure: [{ piece: 'tune', title: 'Tune', sinceMs: 1 }],
    effort: 2,
    leftOut: null,
  };

  it('is said for a key that can be begun', () => {
    expect(SAYS.nextKeyWords(NEXT)).toEqual([
      'Ready: “Tune” is secure, and the five fingers of D major are clean.',
      'On black: 3 in the right hand and 3 in the left hand.',
      'The hands do in “Tune” what they do now.',
    ]);
  });

  it('says what comes first where something does', () => {
    const two = [...NEXT.secure, { piece: 'song', title: 'Song', sinceMs: 2 }];
    expect(SAYS.nextKeyWords({ ...NEXT, readiness: 'pattern-first', secure: two })[0]).toBe(
      '“Tune” and “Song” are secure. The five fingers of D major come first.',
    );
    expect(SAYS.nextKeyWords({ ...NEXT, readiness: 'piece-first', secure: [] })[0]).toBe(
      'No piece is secure in its own key yet: that comes first.',
    );
  });

  it('tells pieces by what happens to the hands in them', () => {
    const pieces = [inKey('Stays', 0), inKey('Goes', 2), inKey('Too wide', 0, 1), inKey('Wider', 1, 2)];
    expect(SAYS.nextKeyWords({ ...NEXT, black: { right: [], left: [] }, pieces }).slice(1)).toEqual([
      'No finger on a black key.',
      'The hands do in “Stays” what they do now.',
      'They move more often in “Goes”.',
      '“Too wide” and “Wider” ask too much of this hand there.',
    ]);
  });

  it('says why a key is left out for now', () => {
    expect(SAYS.nextKeyWords({ ...NEXT, leftOut: 'outer-on-black' }).at(-1)).toBe(
      'Left out for now: the thumb or finger 5 lies on a black key.',
    );
    expect(SAYS.nextKeyWords({ ...NEXT, leftOut: 'beyond-the-hand' }).at(-1)).toBe(
      'Left out for now: every piece asks too much of this hand there.',
    );
  });
});

describe('what a picture says', () => {
  const week = (minutes: number, runs: number, clean: number) => ({ week: '2026-11-26', minutes, runs, clean });

  it.each([
    [[], 'Nothing was played yet.'],
    [[week(0, 0, 0)], 'Nothing was played yet.'],
    [[week(12, 8, 5)], 'About 12 minutes a week; eight runs in the last, five of them clean.'],
    [[week(0.2, 1, 0)], 'About one minute a week; one run in the last, not clean.'],
    [[week(0.2, 1, 1)], 'About one minute a week; one run in the last, clean.'],
    [
      [week(9, 4, 2), week(0, 0, 0), week(3, 2, 0)],
      'About four minutes a week, one of three weeks without a run; two runs in the last, none of them clean.',
    ],
    [[week(6, 4, 2), week(0, 0, 0)], 'About three minutes a week, one of two weeks without a run; none in the last.'],
  ])('of weeks: %#', (weeks, words) => expect(SAYS.weeksWords(weeks)).toBe(words));

  const over = (weeks: readonly (readonly [tempo: number | null, runs: number, clean: number])[]) => ({
    ...{ piece: 'tune', title: 'Tune', key: 'D-major' },
    weeks: weeks.map(([tempo, runs, clean]) => ({ week: '2026-11-26', tempo, runs, clean })),
  });
  it.each([
    [over([[null, 1, 0]]), '“Tune” in D major: one run, none clean yet.'],
    [
      over([
        [null, 3, 0],
        [60, 4, 1],
        [null, 0, 0],
        [80, 5, 3],
      ]),
      '“Tune” in D major: clean at 60 % first, at 80 % by now, four of 12 runs clean.',
    ],
    [over([[80, 1, 1]]), '“Tune” in D major: clean at 80 % in its one run.'],
  ])('of one piece over time: %#', (piece, words) => expect(SAYS.pieceOverTimeWords(piece)).toBe(words));

  it('of faults by kind names the two that are most frequent', () => {
    expect(SAYS.faultCountWords([])).toBe('Nothing went wrong.');
    const one = SAYS.faultCountWords([{ kind: 'missing', count: 3 }]);
    expect(one).toMatch(/^Most often: .*, 3 of 3 times\.$/);
    const two = SAYS.faultCountWords([
      { kind: 'missing', count: 3 },
      { kind: 'late', count: 1 },
    ]);
    expect(two).toMatch(/^Most often: .*, 3 of 4 times; then .* \(1\)\.$/);
  });

  const bar = (more: Partial<FaultyBar>): FaultyBar => ({
    ...{ bar: '6', count: 4, runs: 3, pieces: 1, kind: 'late', hand: 'left', ...more },
  });
  it('of faults by bar names the worst one, wherever it stands', () => {
    expect(SAYS.faultyBarWords([])).toBe('Nothing went wrong.');
    const words = SAYS.faultyBarWords([bar({ bar: '2', count: 1 }), bar({ pieces: 2 }), bar({ bar: '7', count: 3 })]);
    expect(words).toMatch(/^Bar 6 in two pieces: .* in the left hand most of all; four faults there\.$/);
    expect(SAYS.faultyBarWords([bar({ hand: null, count: 1 })])).toMatch(/^Bar 6: .* most of all; one fault there\.$/);
    expect(SAYS.faultyBarWords([bar({ hand: null })])).not.toContain('hand');
  });

  it('of all pupils names what goes best', () => {
    const best = {
      ...{ piece: 'tune', title: 'Tune', key: 'D-major', pupils: 5, secured: 4, secureWith: [], runs: 40 },
      ...{ runsToSecure: 6, cleanPerCent: 50 },
    };
    expect(SAYS.acrossWords([best])).toBe(
      '“Tune” in D major goes best: secure with four of five after about six times through.',
    );
    expect(SAYS.acrossWords([])).toBe('No piece is secure with anyone yet.');
    expect(SAYS.acrossWords([{ ...best, secured: 0, runsToSecure: null }])).toBe('No piece is secure with anyone yet.');
  });
});
