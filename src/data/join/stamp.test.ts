import { describe, expect, it } from '@jest/globals';
import { isJoined, placeOf, stampSchema, stampsAfter, valueAt, type Stamp } from './stamp';

const CARD = { id: 'card', note: 'slowly', state: 'open' };
const place = { table: 'plan', id: 'card' } as const;
const NO_STAMPS = new Map<string, Stamp>();

function isValid(stamp: unknown): boolean {
  return stampSchema.isValidSync(stamp, { strict: true });
}

describe('what is known of who wrote', () => {
  const field = { seen: { tablet: 2 }, dot: ['tablet', 2], others: [] };
  it('is taken from a file where it is whole', () => {
    expect(isValid({ id: 'plan/card', fields: { '["note"]': field, '[]': field } })).toBe(true);
    expect(isValid({ id: 'plan/card', pupil: 'ada', fields: {} })).toBe(true);
  });

  it.each([
    ['a field by another name than its path', { note: field }],
    ['a path that is no list of names', { '{"a":1}': field }],
    ['a whole list of entries', { '["decided","fingers"]': field }],
    ['a path of numbers', { '[1]': field }],
    ['a count that is none', { '["note"]': { ...field, seen: { tablet: 0 } } }],
    ['a dot of another shape', { '["note"]': { ...field, dot: ['tablet'] } }],
    ['others that are no list', { '["note"]': { ...field, others: 'x' } }],
    ['no fields', null],
  ])('is refused with %s', (_, fields) => {
    expect(isValid({ id: 'plan/card', fields })).toBe(false);
  });
});

describe('an edit of this device', () => {
  const note = { ...place, field: ['note'], before: 'slowly', after: 'in tempo' };

  it('is counted field by field, and says that the record is there', () => {
    const [once] = stampsAfter([note], NO_STAMPS, 'tablet');
    expect(once).toMatchObject({
      id: 'plan/card',
      fields: { '["note"]': { dot: ['tablet', 1] }, '[]': { dot: ['tablet', 1] } },
    });
    const [twice] = stampsAfter([note], new Map([['plan/card', once as Stamp]]), 'tablet');
    expect(twice?.fields['["note"]']).toEqual({ seen: { tablet: 2 }, dot: ['tablet', 2], others: [] });
  });

  it('says nothing of a record that is new: nobody else knows it', () => {
    expect(stampsAfter([{ ...place, field: [], before: undefined, after: CARD }], NO_STAMPS, 'tablet')).toEqual([]);
  });

  it('keeps, where a record goes, what stood in the fields that were written, and whose it was', () => {
    const [known] = stampsAfter([note], NO_STAMPS, 'tablet');
    const gone = { ...place, field: [], before: { ...CARD, note: 'in tempo', pupil: 'ada' }, after: undefined };
    const [stamp] = stampsAfter([gone], new Map([['plan/card', known as Stamp]]), 'tablet');
    expect(stamp?.pupil).toBe('ada');
    expect(stamp?.fields['["note"]']).toMatchObject({ value: 'in tempo' });
    const back = { ...gone, before: undefined, after: gone.before };
    const [again] = stampsAfter([back], new Map([['plan/card', stamp as Stamp]]), 'tablet');
    expect(again?.fields['["note"]']).toEqual(known?.fields['["note"]']);
    expect(again?.fields['[]']?.seen).toEqual({ tablet: 3 });
  });

  it('of a list of entries is counted by the entries that differ', () => {
    const finger = (which: string, value: number) => ({ pupil: null, key: null, note: which, finger: value });
    const change = {
      ...({ table: 'pieces', id: 'tune', field: ['decided', 'fingers'] } as const),
      before: [finger('n1', 1), finger('n2', 2)],
      after: [finger('n1', 1), finger('n2', 3), finger('n3', 4)],
    };
    const [stamp] = stampsAfter([change], NO_STAMPS, 'tablet');
    const names = Object.keys(stamp?.fields ?? {}).filter((name) => name !== '[]');
    expect(names.map((name) => JSON.parse(name) as string[]).map((path) => path[2])).toEqual([
      '[null,null,"n2"]',
      '[null,null,"n3"]',
    ]);
  });

  it('of what is each device’s own is told to nobody', () => {
    expect(isJoined('pieces', ['lastKey'])).toBe(false);
    expect(isJoined('kept', ['value', 'look'])).toBe(false);
    const used = { table: 'pieces', id: 'tune', field: ['usedAt'], before: 1, after: 2 } as const;
    expect(stampsAfter([used], NO_STAMPS, 'tablet')).toEqual([]);
  });
});

describe('places and values', () => {
  it('are found by name, also where an id has a stroke in it', () => {
    expect(placeOf({ id: 'lessons/ada/2026-11-26', fields: {} })).toEqual({ table: 'lessons', id: 'ada/2026-11-26' });
    expect([valueAt(CARD, '["note"]'), valueAt(CARD, '[]'), valueAt(undefined, '[]')]).toEqual(['slowly', true, false]);
  });
});
