import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { device, meets, writes, type Device } from '../../../tests/support/devices-meeting';
import { rounds } from '../../../tests/support/rounds';
import { placeOf, registersOf, THERE, type Stamp } from './stamp';
import { joinRecord } from './join';
import { valuesOf } from './register';

const CARD = { id: 'card', note: 'slowly', state: 'open', week: '2026-11-26' };
const PIECE = { id: 'tune', ownKey: null, decided: { fingers: [], aside: [], marks: [] }, lastKey: null };
const START = { 'plan/card': CARD, 'pieces/tune': PIECE };
const finger = (note: string, value: number) => ({ pupil: null, key: null, note, finger: value });
const keyOf = (note: string): string => JSON.stringify([null, null, note]);

const teacher = device('teacher', START);
const tablet = device('tablet', START);
const phone = device('phone', START);
const at = ({ records }: Device, id: string): Record<string, unknown> => records.get(id) as Record<string, unknown>;

/** Everything that devices agree on: which values stand in every field of every record, in no order. */
function known({ records, stamps }: Device): string {
  const ids = [...new Set([...records.keys(), ...stamps.keys()])].toSorted();
  const all = ids.map((id) => [
    id,
    [...registersOf(records.get(id), stamps.get(id) ?? null)]
      .toSorted(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, { seen, stands }]) => [
        name,
        Object.entries(seen).toSorted(),
        stands.map((one) => JSON.stringify([one.dot, one.value])).toSorted(),
      ]),
  ]);
  return JSON.stringify(all);
}

function conflictsOf({ records, stamps }: Device, id: string) {
  const side = { record: records.get(id), stamp: stamps.get(id) ?? null };
  return joinRecord(placeOf({ id, fields: {} } as Stamp), side, side).conflicts.map(({ field, values }) => [
    field,
    values,
  ]);
}

describe('two devices of which both went on', () => {
  it('keep what each wrote into fields of its own', () => {
    const ours = writes(teacher, 'plan/card', ['note'], 'with both hands');
    const theirs = writes(tablet, 'plan/card', ['state'], 'done');
    const both = meets(ours, theirs);
    expect(at(both, 'plan/card')).toEqual({ ...CARD, note: 'with both hands', state: 'done' });
    expect(conflictsOf(both, 'plan/card')).toEqual([]);
    expect(known(meets(theirs, ours))).toEqual(known(both));
  });

  it('have entries of one list as fields of their own', () => {
    const ours = writes(teacher, 'pieces/tune', ['decided', 'fingers', keyOf('n1')], finger('n1', 2));
    const theirs = writes(tablet, 'pieces/tune', ['decided', 'fingers', keyOf('n2')], finger('n2', 4));
    expect(at(meets(ours, theirs), 'pieces/tune')).toMatchObject({
      decided: { fingers: [finger('n1', 2), finger('n2', 4)] },
    });
  });

  it('show where both wrote one field; what is here stays until somebody chooses, and the choice counts everywhere', () => {
    const ours = writes(teacher, 'plan/card', ['note'], 'slowly, please');
    const theirs = writes(tablet, 'plan/card', ['note'], 'I did it twice');
    const both = meets(ours, theirs);
    expect(at(both, 'plan/card')['note']).toBe('slowly, please');
    expect(conflictsOf(both, 'plan/card')).toEqual([[['note'], ['slowly, please', 'I did it twice']]]);
    expect(at(meets(theirs, ours), 'plan/card')['note']).toBe('I did it twice');
    const chosen = writes(both, 'plan/card', ['note'], 'I did it twice');
    const home = meets(meets(theirs, ours), chosen);
    expect([conflictsOf(chosen, 'plan/card'), conflictsOf(home, 'plan/card'), at(home, 'plan/card')['note']]).toEqual([
      [],
      [],
      'I did it twice',
    ]);
  });

  it('that wrote the same have nothing to choose between', () => {
    const [ours, theirs] = [teacher, tablet].map((one) => writes(one, 'plan/card', ['state'], 'done')) as [
      Device,
      Device,
    ];
    expect(conflictsOf(meets(ours, theirs), 'plan/card')).toEqual([]);
  });

  it('lose nothing that one takes out while the other goes on with it', () => {
    const ours = writes(teacher, 'plan/card', [], undefined);
    const theirs = writes(tablet, 'plan/card', ['note'], 'I am at bar 3');
    for (const both of [meets(ours, theirs), meets(theirs, ours)]) {
      expect(at(both, 'plan/card')).toEqual({ ...CARD, note: 'I am at bar 3' });
      expect(conflictsOf(both, 'plan/card').map(([field]) => field)).toEqual([[]]);
    }
    // Taken out once more, knowing of it, it is gone.
    const gone = writes(meets(ours, theirs), 'plan/card', [], undefined);
    expect(meets(theirs, gone).records.has('plan/card')).toBe(false);
  });

  it('do not bring back what was taken out, nor forget what was brought back', () => {
    const gone = writes(teacher, 'plan/card', [], undefined);
    expect(meets(gone, tablet).records.has('plan/card')).toBe(false);
    expect(meets(tablet, gone).records.has('plan/card')).toBe(false);
    const back = writes(gone, 'plan/card', [], CARD);
    expect(at(meets(meets(tablet, gone), back), 'plan/card')).toEqual(CARD);
  });

  it('leave alone what each notes for itself', () => {
    const theirs = writes(tablet, 'pieces/tune', ['lastKey'], 'D-major');
    expect(at(meets(teacher, theirs), 'pieces/tune')['lastKey']).toBeNull();
  });

  it('know nothing of fields that the other does not tell of', () => {
    const told = Object.fromEntries(Object.entries(CARD).filter(([name]) => name !== 'note'));
    const ours = writes(teacher, 'plan/card', ['note'], 'for me alone');
    const part: Device = { ...tablet, records: new Map([['plan/card', told]]) };
    expect(at(meets(ours, meets(part, tablet)), 'plan/card')['note']).toBe('for me alone');
    expect(at(meets(ours, writes(part, 'plan/card', ['state'], 'done')), 'plan/card')).toMatchObject({
      note: 'for me alone',
      state: 'done',
    });
  });
});

/** One thing that happens in a history: a device writes something, or takes in what another one holds. */
const anyEvent = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({ kind: fc.constant('write' as const), who: fc.nat(2), what: fc.nat(7), value: fc.nat(3) }),
  },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('meet' as const), who: fc.nat(2), whom: fc.nat(2) }) },
);
type Event = ReturnType<typeof anyEvent.generate>['value'];

const REMOVALS = [undefined, CARD] as const;

function happens(devices: readonly Device[], event: Event): readonly Device[] {
  const me = devices[event.who] as Device;
  const next =
    event.kind === 'meet' ? meets(me, devices[event.whom] as Device) : writtenBy(me, event.what, event.value);
  return devices.with(event.who, next);
}

function writtenBy(me: Device, what: number, value: number): Device {
  const card = 'plan/card';
  if (what === 0) return writes(me, card, [], me.records.has(card) ? REMOVALS[0] : REMOVALS[1]);
  if (what === 1) return writes(me, `plan/${me.name}-${value}`, [], { ...CARD, id: `${me.name}-${value}` });
  if (what < 4)
    return writes(
      me,
      'pieces/tune',
      ['decided', 'fingers', keyOf(`n${what}`)],
      value === 0 ? undefined : finger(`n${what}`, value),
    );
  if (!me.records.has(card)) return me;
  return writes(me, card, [(['note', 'state', 'week', 'note'] as const)[what - 4] as string], `${me.name} ${value}`);
}

describe('histories of a teacher and two devices of a pupil', () => {
  const histories = rounds(500, 20_000);

  it('join to the same whoever meets whom first, and however often', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 24 }), (events) => {
        const [a, b, c] = events.reduce(happens, [teacher, tablet, phone]) as [Device, Device, Device];
        const all = meets(meets(a, b), c);
        // Associative, commutative, idempotent.
        const otherwise = [meets(a, meets(b, c)), meets(meets(c, b), a), meets(meets(b, a), c), meets(all, b)];
        expect(otherwise.map(known)).toEqual(Array(4).fill(known(all)));
        expect(known(meets(a, a))).toBe(known(a));
      }),
      { numRuns: histories },
    );
  });

  it('lose no work: what stood on any device stands in the end, or was replaced by one that knew of it', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 24 }), (events) => {
        const devices = events.reduce(happens, [teacher, tablet, phone] as readonly Device[]);
        const all = devices.reduce((met, one) => meets(met, one));
        const lost: string[] = [];
        for (const { records, stamps } of devices)
          for (const id of new Set([...records.keys(), ...stamps.keys()])) {
            const own = registersOf(records.get(id), stamps.get(id) ?? null);
            const end = registersOf(all.records.get(id), all.stamps.get(id) ?? null);
            for (const [name, { stands }] of own)
              for (const { dot, value } of stands) {
                // Of what is gone nothing but what somebody wrote is known.
                if (!records.has(id) || (dot === null && !all.records.has(id))) continue;
                const isThere = valuesOf(end.get(name) as never).some(
                  (other) => JSON.stringify(other) === JSON.stringify(value),
                );
                // Whoever replaced it had seen it.
                const replacing = devices.some(({ records: has, stamps: knows }) => {
                  const theirs = registersOf(has.get(id), knows.get(id) ?? null).get(name);
                  if (!theirs || theirs.stands.some((one) => JSON.stringify(one.dot) === JSON.stringify(dot)))
                    return false;
                  return dot === null
                    ? theirs.stands.every((one) => one.dot !== null)
                    : (theirs.seen[dot[0]] ?? 0) >= dot[1];
                });
                if (!isThere && !replacing) lost.push(`${id} ${name}`);
              }
            if (valuesOf(end.get(THERE) as never).includes(true) && !all.records.has(id)) lost.push(id);
          }
        expect(lost).toEqual([]);
      }),
      { numRuns: histories },
    );
  });
});
