import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { aFact, cleanPattern, securePiece } from '../../../tests/support/run-facts';
import { keyStanding, recordedKeys } from './key-states';
import type { RunFact } from './run-fact';

const stateIn = (runs: readonly RunFact[], key = 'C-major') => recordedKeys(runs).get(key)?.state;

describe('what the record says of a key', () => {
  it('is that it is secure once a piece was played through clean three times in a row', () => {
    const clean = securePiece('C-major');
    expect(recordedKeys(clean).get('C-major')).toMatchObject({
      state: 'secure',
      pieces: [{ piece: 'tune', sinceMs: clean[2]?.atMs }],
      runs: 3,
    });
    expect(stateIn(clean.slice(1))).toBe('learning');
  });

  it.each<[string, Partial<RunFact>]>([
    ['a run that is not clean', { outcome: 'unclean' }],
    ['a slower run', { tempo: 75 }],
  ])('is interrupted by %s', (_, other) => {
    const [a, b, c] = securePiece('C-major') as [RunFact, RunFact, RunFact];
    const between = aFact({ ...other, atMs: b.atMs + 1 });
    expect(stateIn([a, b, between, c])).toBe('learning');
    // In whatever order they come to hand.
    expect(stateIn([c, between, b, a])).toBe('learning');
  });

  it('is that it is not begun while only its five fingers are played', () => {
    expect(stateIn(cleanPattern('C-major'))).toBe('not-yet');
  });

  it.each<[string, Partial<RunFact>]>([
    ['one hand', { hand: 'right' }],
    ['some bars', { reach: 'bars' }],
    ['a stage', { stage: 'beats' }],
    ['each moment waited for', { way: 'wait' }],
    ['ticks', { outcome: 'ticked' }],
  ])('is not shown by %s alone', (_, other) => {
    expect(stateIn(securePiece('C-major').map((run) => ({ ...run, ...other })))).toBe('learning');
  });

  it('stays what it was once: a bad day takes no key away, and more runs never make less of it', () => {
    const secure = securePiece('C-major');
    fc.assert(
      fc.property(
        fc.array(fc.record({ outcome: fc.constantFrom('clean', 'unclean', 'ticked'), tempo: fc.nat(120) })),
        (later) => {
          const runs = later.map((more) => aFact({ ...(more as Partial<RunFact>) }));
          expect(stateIn([...runs, ...secure])).toBe('secure');
        },
      ),
    );
  });

  it('knows since when the five fingers are clean: in both hands, together or one after the other', () => {
    const runs = cleanPattern('D-major');
    expect(recordedKeys(runs).get('D-major')?.patternSinceMs).toBe(runs[1]?.atMs);
    expect(recordedKeys(runs.slice(0, 1)).get('D-major')?.patternSinceMs).toBeNull();
    const both = aFact({ music: 'warm-up', key: 'D-major', hand: 'both' });
    expect(recordedKeys([both]).get('D-major')?.patternSinceMs).toBe(both.atMs);
  });
});

describe('how a pupil stands to a key', () => {
  const recorded = recordedKeys(securePiece('C-major')).get('C-major') ?? null;
  const judged = { key: 'C-major', state: 'learning', day: '2026-11-28', why: 'the wrist is tense' } as const;

  it('is what the teacher says, then what the record says, then not yet', () => {
    expect(keyStanding('C-major', judged, recorded)).toMatchObject({ state: 'learning', by: 'teacher', recorded });
    expect(keyStanding('C-major', null, recorded)).toMatchObject({ state: 'secure', by: 'record' });
    expect(keyStanding('C-major', null, null)).toMatchObject({ state: 'not-yet', by: 'nobody' });
  });
});
