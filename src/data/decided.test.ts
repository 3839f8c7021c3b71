import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { decidedFor, withAside, withFingers, withMarks, withoutFingers, type Whose } from './decided';
import { NOTHING_DECIDED, type Decided } from './records/records';

const nellInD: Whose = { pupil: 'nell', key: 'D-major' };
const nellInEFlat: Whose = { pupil: 'nell', key: 'Eb-major' };
const nellEverywhere: Whose = { pupil: 'nell', key: null };
const tamInD: Whose = { pupil: 'tam', key: 'D-major' };

describe('fingers', () => {
  const one = (finger: 1 | 2 | 3 | 4 | 5 | null) => [{ note: 'n1', finger }];

  it('belong to pupil and key: what one has leaves the others alone', () => {
    const decided = withFingers(
      withFingers(withFingers(NOTHING_DECIDED, nellInD, one(3)), nellInEFlat, one(2)),
      tamInD,
      one(4),
    );
    expect(decided.fingers.map(({ pupil, key, finger }) => [pupil, key, finger])).toEqual([
      ['nell', 'D-major', 3],
      ['nell', 'Eb-major', 2],
      ['tam', 'D-major', 4],
    ]);
    expect(decidedFor({ decided }, 'tam').fingers).toHaveLength(1);
    expect(decidedFor({ decided }, null).fingers).toHaveLength(0);
  });

  it('decided again take the place of those before', () => {
    const decided = withFingers(withFingers(NOTHING_DECIDED, nellInD, one(3)), nellInD, one(5));
    expect(decided.fingers.map(({ finger }) => finger)).toEqual([5]);
  });

  it('for every key take the place of those for single keys of that pupil', () => {
    const decided = withFingers(
      withFingers(withFingers(NOTHING_DECIDED, nellInD, one(3)), tamInD, one(4)),
      nellEverywhere,
      one(1),
    );
    expect(decided.fingers.map(({ pupil, key }) => [pupil, key])).toEqual([
      ['tam', 'D-major'],
      ['nell', null],
    ]);
  });

  it('are given back to the plan, also where they were decided for every key', () => {
    const decided = withFingers(withFingers(NOTHING_DECIDED, nellEverywhere, one(1)), tamInD, one(4));
    expect(withoutFingers(decided, nellInD, ['n1']).fingers.map(({ pupil }) => pupil)).toEqual(['tam']);
  });
});

describe('hand notes set aside', () => {
  it('keep their reason, once a note, and can be brought back', () => {
    const twice = withAside(
      withAside(NOTHING_DECIDED, nellInD, 'hop/right/n1', 'she likes it'),
      nellInD,
      'hop/right/n1',
      'still',
    );
    expect(twice.aside).toEqual([{ ...nellInD, flag: 'hop/right/n1', reason: 'still' }]);
    expect(withAside(twice, nellInEFlat, 'hop/right/n1', null).aside).toHaveLength(1);
    expect(withAside(twice, nellInD, 'hop/right/n1', null).aside).toEqual([]);
    const everywhere = withAside(twice, nellEverywhere, 'hop/right/n1', 'in all keys');
    expect(everywhere.aside.map(({ key, reason }) => [key, reason])).toEqual([[null, 'in all keys']]);
    expect(withAside(everywhere, nellInEFlat, 'hop/right/n1', null).aside).toEqual([]);
  });
});

describe('marks', () => {
  it('are put on all notes that lack them, and rubbed out once all have them', () => {
    const first = withMarks(NOTHING_DECIDED, nellInD, { kind: 'ring', notes: ['n1'] });
    const all = withMarks(first, nellInD, { kind: 'ring', notes: ['n1', 'n2', 'n3'] });
    expect(all.marks.map(({ note }) => note)).toEqual(['n1', 'n2', 'n3']);
    expect(withMarks(all, nellInD, { kind: 'ring', notes: ['n1', 'n2', 'n3'] }).marks).toEqual([]);
  });

  it('of different kinds, keys and pupils do not rub each other out', () => {
    const whose = fc.constantFrom(nellInD, nellInEFlat, nellEverywhere, tamInD);
    const attribution = fc.tuple(
      whose,
      fc.constantFrom('ring' as const, 'guide' as const),
      fc.constantFrom('n1', 'n2'),
    );
    fc.assert(
      fc.property(fc.array(attribution, { maxLength: 12 }), (deeds) => {
        const decided = deeds.reduce<Decided>(
          (before, [who, kind, note]) => withMarks(before, who, { kind, notes: [note] }),
          NOTHING_DECIDED,
        );
        const odd = new Map<string, number>();
        for (const deedText of deeds.map((one) => JSON.stringify(one))) odd.set(deedText, (odd.get(deedText) ?? 0) + 1);
        expect(decided.marks).toHaveLength([...odd.values()].filter((times) => times % 2 === 1).length);
      }),
      { numRuns: 200, seed: 6 },
    );
  });
});
