import { describe, expect, it } from '@jest/globals';
import { nameText, pitchClass } from '@/core/pitch';
import { ATLAS_ORDERS } from './atlas-address';
import { keysInOrder, twelveKeys } from './key-orders';

const names = (keys: readonly Parameters<typeof pitchClass>[0][]) => keys.map(nameText);
const tonics = (keys: ReturnType<typeof keysInOrder>) => names(keys.map(({ tonic }) => tonic));

describe('keys in order', () => {
  it.each(ATLAS_ORDERS)('%s has all fifteen of each mode once', (order) => {
    for (const mode of ['major', 'minor'] as const) expect(new Set(tonics(keysInOrder(mode, order))).size).toBe(15);
  });

  it('goes by half steps, by fifths from no sign, and by ease as everywhere (common practice)', () => {
    expect(tonics(keysInOrder('major', 'chromatic')).slice(0, 4)).toEqual(['C', 'Db', 'C#', 'D']);
    expect(tonics(keysInOrder('minor', 'fifths')).slice(0, 4)).toEqual(['A', 'E', 'D', 'B']);
    expect(tonics(keysInOrder('major', 'ease')).slice(0, 6)).toEqual(['C', 'G', 'D', 'A', 'F', 'E']);
  });

  it.each([...ATLAS_ORDERS, 'own'] as const)(
    'all twelve %s: each key of the keyboard once, in its simpler spelling',
    (order) => {
      for (const mode of ['major', 'minor'] as const) {
        const twelve = twelveKeys(mode, order, ['E', 'A']);
        expect(new Set(twelve.map(({ tonic }) => pitchClass(tonic))).size).toBe(12);
        expect(twelve).toHaveLength(12);
        // Seven signs where the other spelling has five.
        const harder = mode === 'major' ? ['C#', 'Cb'] : ['A#', 'Ab'];
        expect(tonics(twelve).filter((tonic) => harder.includes(tonic))).toEqual([]);
      }
    },
  );

  it('begins with the teacher’s own', () =>
    expect(tonics(twelveKeys('major', 'own', ['E', 'A'])).slice(0, 3)).toEqual(['E', 'A', 'C']));
});
