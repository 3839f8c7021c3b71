import { describe, expect, it } from '@jest/globals';
import { fifteenKeys, parseKey, pitchClass, type Key } from '../pitch';
import { USUAL_PLAYER } from '../fingering';
import { ladderOf, type LadderKey } from '../views';
import { musicXml } from '../../../tests/support/build-piece';
import { demoFile } from '../../../tests/support/demo-pieces';
import { open, USUAL } from '../../../tests/support/open';
import { placeInOrder } from './key-order';
import { SAYS } from '../../../tests/support/usual-words';

const FIVE = musicXml({ right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5', mode: 'major' });
const names = (keys: readonly LadderKey[]): readonly string[] => keys.map(({ tonic }) => tonic);
const ladder = (text: string, order: 'ease' | 'fifths' | 'shape' = 'ease', school: 'allow' | 'avoid' = 'allow') =>
  ladderOf(SAYS, open(text), { ...USUAL, player: { ...USUAL_PLAYER, outer: school } }, { order });

describe('the order of keys', () => {
  it('by ease goes by the number of black keys, then by the finger under them (common practice)', () => {
    const order = names(ladder(FIVE).keys);
    expect(order.slice(0, 6)).toEqual(['C', 'G', 'D', 'A', 'F', 'E']);
    const places = ['E', 'Bb', 'B', 'Eb', 'Ab'].map((tonic) => order.indexOf(tonic));
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });

  it('by fifths widens from the piece’s own key', () => {
    expect(names(ladder(FIVE, 'fifths').keys).slice(0, 5)).toEqual(['C', 'G', 'F', 'D', 'Bb']);
    expect(names(ladder(demoFile('slow-ferris'), 'fifths').keys).slice(0, 4)).toEqual(['G', 'D', 'C', 'A']);
  });

  it('by the shape of the triad is the handbook’s (common practice)', () => {
    const order = names(ladder(FIVE, 'shape').keys).map((tonic) => pitchClass((parseKey(tonic, 'major') as Key).tonic));
    expect([...new Set(order)]).toEqual([0, 5, 7, 2, 9, 4, 1, 8, 3, 6, 10, 11]);
    const minor = names(ladder(demoFile('fog-over-the-sluice'), 'shape').keys).map((tonic) =>
      pitchClass((parseKey(tonic, 'minor') as Key).tonic),
    );
    expect([...new Set(minor)]).toEqual([9, 2, 4, 0, 5, 7, 1, 6, 8, 3, 10, 11]);
  });

  it('has a place of its own for every key of every order', () => {
    const own = parseKey('C', 'major') as Key;
    for (const order of ['fifths', 'shape'] as const) {
      const places = fifteenKeys('major').map((key) => placeInOrder(order, key, own, 0).join('/'));
      expect(new Set(places).size).toBe(15);
    }
  });
});

describe('the ladder', () => {
  it('ranks all fifteen keys from 1 without ties', () => {
    const { keys } = ladder(demoFile('lantern-walk'));
    expect(keys.map(({ rank }) => rank)).toEqual(Array.from({ length: 15 }, (_, i) => i + 1));
    expect(new Set(keys.map(({ fifths }) => fifths)).size).toBe(15);
  });

  it('is nothing to do in the piece’s own key, and never less', () => {
    const { keys } = ladder(demoFile('lantern-walk'));
    expect(keys.find(({ tonic }) => tonic === 'C')?.effort).toBe(0);
    expect(keys.every(({ effort }) => effort >= 0)).toBe(true);
  });

  it('puts the own key of a tune on three black keys first, where the long fingers lie on them', () => {
    const tune = musicXml({ right: 'Gb4q/2 Ab4q/3 Bb4h/4 | Ab4q/3 Gb4q/2 Gb4h/2', fifths: -6, mode: 'major' });
    expect(names(ladder(tune).keys)[0]).toBe('Gb');
    // With the thumb on black there is something to mind.
    const thumb = musicXml({ right: 'Gb4q/1 Ab4q/2 Bb4h/3 | Ab4q/2 Gb4q/1 Gb4h/1', fifths: -6, mode: 'major' });
    expect(names(ladder(thumb).keys)[0]).not.toBe('Gb');
  });

  it('puts keys that the school avoids last, with the reason, in every order', () => {
    for (const order of ['ease', 'fifths', 'shape'] as const) {
      const { keys } = ladder(FIVE, order, 'avoid');
      const first = keys.findIndex(({ leaveOut }) => leaveOut !== null);
      expect(keys.slice(first).every(({ leaveOut }) => leaveOut !== null)).toBe(true);
      expect(names(keys.slice(0, first)).toSorted()).toEqual(['A', 'C', 'D', 'E', 'F', 'G']);
      expect(keys.at(-1)?.leaveOut).toContain('right hand');
    }
  });

  it('still has a key that cannot be written, and says why', () => {
    const { keys, unwritable } = ladder(musicXml({ right: 'B9w', mode: 'major' }));
    expect(unwritable.length).toBeGreaterThan(0);
    expect(keys.length + unwritable.length).toBe(15);
    expect(unwritable[0]?.words).toContain('octave');
    expect(keys.every(({ effort }) => effort < 1000)).toBe(true);
  });
});
