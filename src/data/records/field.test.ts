import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { entryKey, heldIn, leavesIn, pupilOf, withHeld } from './field';

const PIECE = {
  id: 'tune',
  respelled: ['D-major|n1', 'D-major|n1|ada'],
  decided: {
    fingers: [
      { pupil: null, key: null, note: 'n1', finger: 1 },
      { pupil: 'ada', key: 'D-major', note: 'n1', finger: 2 },
    ],
    aside: [{ pupil: 'ada', key: null, flag: 'f1', reason: 'later' }],
    marks: [],
  },
  homework: [{ pupil: 'ben', key: null, steps: [] }],
  stageFingers: [{ stage: 'bones', pupil: 'ada', key: null, note: 'n1', finger: 3 }],
};

describe('for whom something in a field is', () => {
  it('is read off its key, in every list that has entries for pupils', () => {
    const whose = [...leavesIn(PIECE).keys()].map((name) => pupilOf(JSON.parse(name) as string[]));
    expect(whose.filter((pupil) => pupil === 'ada')).toHaveLength(4);
    expect(whose.filter((pupil) => pupil === 'ben')).toHaveLength(1);
  });

  it('is anybody elsewhere', () => {
    expect(pupilOf(['note'])).toBeNull();
    expect(pupilOf([])).toBeNull();
    expect(pupilOf(['groups', '["ada"]'])).toBeNull();
    expect(pupilOf(['respelled', 'D-major|n1'])).toBeNull();
  });

  it('is never guessed from a key that is none, as files may hold', () => {
    const keys = fc.oneof(fc.string(), fc.json(), fc.constantFrom('[', 'null', '7', '[[1]]', '[7,"x"]'));
    fc.assert(
      fc.property(keys, (key) => {
        for (const list of [['decided', 'fingers'], ['homework'], ['stageFingers']]) {
          const whose = pupilOf([...list, key]);
          expect(whose === null || key.includes(JSON.stringify(whose).slice(1, -1))).toBe(true);
        }
      }),
    );
  });
});

describe('one entry of a list', () => {
  const field = ['decided', 'fingers', entryKey(['decided', 'fingers'], { pupil: 'ada', key: 'D-major', note: 'n1' })];

  it('is found, changed and taken out by its key, and everything else is the same object', () => {
    expect(heldIn(PIECE, field)).toMatchObject({ finger: 2 });
    const changed = withHeld(PIECE, field, { pupil: 'ada', key: 'D-major', note: 'n1', finger: 5 })
      ?.record as typeof PIECE;
    expect(heldIn(changed, field)).toMatchObject({ finger: 5 });
    expect(changed.homework).toBe(PIECE.homework);
    const without = withHeld(changed, field, undefined)?.record as typeof PIECE;
    expect(without.decided.fingers).toEqual([PIECE.decided.fingers[0]]);
  });

  it('is not written where something stands in the way that is no list', () => {
    expect(withHeld({ ...PIECE, decided: { fingers: 'many' } }, field, { finger: 1 })).toBeNull();
    expect(withHeld({ ...PIECE, decided: 7 }, field, { finger: 1 })).toBeNull();
  });

  it('has no key where a name of it is missing in kind', () => {
    expect(() => entryKey(['decided', 'fingers'], { pupil: 7, key: null, note: 'n1' })).toThrow(TypeError);
  });
});
