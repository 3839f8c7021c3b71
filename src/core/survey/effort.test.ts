import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { USUAL_PLAYER } from '../fingering';
import { ladderOf } from '../views';
import { parseKey, type Key } from '../pitch';
import type { Finger } from '../score';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { open, USUAL } from '../../../tests/support/open';
import { effortOf, effortParts } from './effort';
import { inOrder, inOwnOrder } from './key-order';
import { SAYS } from '../../../tests/support/usual-words';

const NO_READING = { signs: 0, moreLedgerLines: 0 };
const some = fc.uniqueArray(fc.constantFrom<Finger>(1, 2, 3, 4, 5));

describe('effortOf', () => {
  it('is nothing where there is nothing to do', () => {
    expect(effortOf(effortParts({ right: [], left: [] }, [], NO_READING))).toBe(0);
  });

  it('counts black keys of a hand before anything else about them, and before all reading (common practice)', () => {
    fc.assert(
      fc.property(some, some, fc.nat(7), fc.nat(500), (few, many, signs, moreLedgerLines) => {
        fc.pre(few.length < many.length);
        const harder = effortOf(effortParts({ right: many, left: [] }, [], NO_READING));
        const easier = effortOf(effortParts({ right: few, left: [] }, [], { signs, moreLedgerLines }));
        expect(easier).toBeLessThan(harder);
      }),
    );
  });

  it('is the sum of its parts, each told once', () => {
    const parts = effortParts({ right: [3, 4], left: [2] }, [], { signs: 2, moreLedgerLines: 12 });
    expect(parts.map(({ kind }) => kind)).toEqual(['black', 'black', 'black', 'signs', 'ledger-lines']);
    expect(effortOf(parts)).toBeCloseTo(1 + 1.15 + 1.05 + 0.024 + 0.025, 6);
  });

  it('does not reward fewer ledger lines than the piece has where it stands', () => {
    expect(effortOf(effortParts({ right: [], left: [] }, [], { signs: 0, moreLedgerLines: -40 }))).toBe(0);
  });
});

describe('orders', () => {
  const keys = ['D', 'F', 'C', 'B', 'Cb'].map((tonic, i) => ({
    key: parseKey(tonic, 'major') as Key,
    effort: [2, 2.2, 0, 6.8, 6.9][i] as number,
    isLeftOut: tonic === 'B' ? true : false,
  }));
  const tonics = (list: readonly { readonly key: Key }[]): readonly string[] =>
    list.map(({ key }) => keys.find((one) => one.key === key)?.effort.toString() ?? '');

  it('keys that are left out come last in every order, the teacher’s own too', () => {
    const own = keys[2]?.key as Key;
    for (const order of ['ease', 'fifths', 'shape'] as const)
      expect(inOrder(keys, order, own).at(-1)?.isLeftOut).toBe(true);
    expect(inOwnOrder(keys, ['B', 'F'], own).at(-1)?.isLeftOut).toBe(true);
  });

  it('the teacher’s own order comes first, what it does not name follows by ease', () => {
    expect(tonics(inOwnOrder(keys, ['F', 'Cb'], keys[2]?.key as Key))).toEqual(['2.2', '6.9', '0', '2', '6.8']);
  });
});

describe('what a key costs, in words', () => {
  const facts = (text: string, tonic: string, level: 1 | 2 | 3 | 4 = 4) =>
    ladderOf(
      SAYS,
      open(text),
      { ...USUAL, fingering: 'plan', player: { ...USUAL_PLAYER, level } },
      { order: 'ease' },
    ).keys.find((key) => key.tonic === tonic);

  it('names finger, key and bars: 4 on B♭ in bars 2 and 6', () => {
    const six = musicXml({ right: 'C4w/1 | C4q/1 D4q/2 E4q/3 F4q/4 | C4w | C4w | C4w | F4w/4', mode: 'major' });
    expect(facts(six, 'F')?.why).toEqual(['right 4 on B♭ in bars 2 and 6', 'reads one flat']);
    expect(facts(six, 'C')?.why).toEqual(['reads no sharps or flats']);
  });

  it('tells what is the same in both hands together, and neighbouring bars as one', () => {
    const both = musicXml({
      right: 'C4q/1 D4q/2 E4h/3 | E4w/3 | E4w/3 | C4w/1',
      left: 'C3q/5 D3q/4 E3h/3 | E3w/3 | E3w/3 | C3w/5',
      mode: 'major',
    });
    expect(facts(both, 'D')?.why[0]).toBe('right 3 and left 3 on F♯ in bars 1–3');
  });

  it('has what stands behind it: reading, reach, register, positions', () => {
    const key = facts(musicXml({ right: 'C4q/1 D4q/2 E4q/3 G4q/5', left: 'C3h/5 G3h/1', mode: 'major' }), 'D');
    expect(key).toMatchObject({
      reading: { signs: 2, accidentals: 0 },
      register: { right: { low: 'D4', high: 'A4' }, left: { low: 'D3', high: 'A3' } },
      positions: { right: ['D'], left: ['D'] },
      positionChanges: 0,
      moreMoves: 0,
      forced: { fingers: 0, moves: 0, openings: 0 },
    });
    // D to A are five white keys: four times the width of one (common practice).
    expect(key?.reachMm.right).toBeGreaterThan(85);
    expect(key?.reachMm.right).toBeLessThan(100);
  });

  it('compares moves with those of the same hand in the piece’s own key, where there is nothing to compare', () => {
    for (const { id } of DEMO_FILES) {
      const { from, keys } = ladderOf(
        SAYS,
        open(demoFile(id)),
        { ...USUAL, fingering: 'plan', player: { ...USUAL_PLAYER, level: 2, spanMm: 165 } },
        { order: 'ease' },
      );
      const own = keys.find(({ tonic }) => tonic === from.tonic);
      expect([id, own?.moreMoves, own?.why.filter((words) => words.includes('than in'))]).toEqual([id, 0, []]);
      for (const { moreMoves, positionChanges } of keys)
        expect(moreMoves).toBe(positionChanges - (own?.positionChanges ?? 0));
    }
  });

  it('makes up the effort in every key of every demo piece', () => {
    for (const { id } of DEMO_FILES) {
      for (const key of ladderOf(SAYS, open(demoFile(id)), { ...USUAL, fingering: 'plan' }, { order: 'ease' }).keys) {
        expect(effortOf(key.effortParts)).toBe(key.effort);
        expect(key.why.length).toBeGreaterThan(0);
        expect(key.forcedChanges).toBe(key.forced.fingers + key.forced.moves + key.forced.openings);
      }
    }
  });

  it('G is easiest from C, D comes before F, and B before C♭ (common practice)', () => {
    const order = ladderOf(
      SAYS,
      open(demoFile('lantern-walk')),
      { ...USUAL, fingering: 'plan' },
      { order: 'ease' },
    ).keys.map(({ tonic }) => tonic);
    expect(order[1]).toBe('G');
    expect(order.indexOf('D')).toBeLessThan(order.indexOf('F'));
    expect(order.indexOf('B')).toBeLessThan(order.indexOf('Cb'));
  });
});
