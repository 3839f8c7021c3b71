import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { aRun } from '../../../tests/support/studio';
import { LESSON } from './lesson-record';
import { isPlainCard, isPlainLesson } from './plain-card';
import { isPlainRun } from './plain-run';
import { PLAN_ENTRY, USUAL_ENTRY } from './plan-record';
import { RUN } from './run-record';
import type { Shape } from './understand';

const CARD = {
  ...USUAL_ENTRY,
  ...{ id: 'c', pupil: 'ada', piece: 'tune', key: 'D-major', carried: ['2026-11-19'], week: '2026-11-26' },
  ...{ bars: { from: 0, to: 3, first: '1', last: '4' }, steps: ['slow'], note: 'slowly' },
};
const RUN_KEPT = { ...aRun('r', 'tune', 5), form: 5, pupil: 'ada', bars: { from: 0, to: 1 } };
const KINDS: readonly (readonly [
  string,
  Readonly<Record<string, unknown>>,
  (value: unknown) => boolean,
  Shape<unknown>,
])[] = [
  ['runs', RUN_KEPT, isPlainRun, RUN],
  ['cards', CARD, isPlainCard, PLAN_ENTRY],
  [
    'lessons',
    { id: 'ada/2026-11-26', form: 5, origin: 'own', pupil: 'ada', day: '2026-11-26', note: '' },
    isPlainLesson,
    LESSON,
  ],
];

/** Whether a schema takes a value as it is. */
function isValid({ schema }: Shape<unknown>, value: unknown): boolean {
  try {
    schema.validateSync(value, { strict: true });
    return true;
  } catch {
    return false;
  }
}

/** Something else in the place of a field. */
const anyValue = fc.oneof(
  fc.constantFrom(
    undefined,
    null,
    '',
    'x',
    0,
    -1,
    1.5,
    NaN,
    Infinity,
    400,
    true,
    [],
    {},
    [''],
    [null],
    'both',
    '2027-02-29',
  ),
  fc.constantFrom({ from: 0 }, { from: -1, to: 2 }, { from: 0, to: 1.5 }, { from: 0, to: 1, first: 3 }),
  fc.constantFrom(
    [{ kind: 'missing', bar: '1', beat: 1, notes: ['n'] }],
    [{ kind: 'missing', bar: '1', beat: 1, hand: 'both', notes: ['n'] }],
    [{ kind: 'odd', bar: '1', beat: 1, notes: [] }],
    [{ kind: 'late', bar: 1, beat: 1, notes: [] }],
    [{ kind: 'late', bar: '1', beat: NaN, notes: [''] }],
  ),
);

describe.each(KINDS)('%s as New Thumb writes them', (_, record, isPlainOne, shape) => {
  it('are plain, and what their schema takes', () => {
    expect([isPlainOne(record), isValid(shape, record)]).toEqual([true, true]);
  });

  it('are never taken for plain where their schema refuses them', () => {
    const names = [...Object.keys(record), 'another'];
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...names), anyValue), { maxLength: 3 }), (changes) => {
        const changed = { ...record, ...Object.fromEntries(changes) };
        if (isPlainOne(changed)) expect([changed, isValid(shape, changed)]).toEqual([changed, true]);
      }),
      { numRuns: 3000 },
    );
  });
});
