import { describe, expect, it } from '@jest/globals';
import { screenKeys, simulatedKeys } from './devices';
import type { KeyMove } from './key-device';
import { struckTogether, takeDown } from './struck-together';

const move = (midi: number, press: KeyMove['press'], atMs = 0): KeyMove => ({ midi, press, atMs });

describe('struckTogether', () => {
  it('tells keys that were down together once, lowest first, when all are up', () => {
    const told: (readonly number[])[] = [];
    const hear = struckTogether((midis) => told.push(midis));
    [
      move(64, 'down'),
      move(60, 'down'),
      move(64, 'up'),
      move(67, 'down'),
      move(60, 'up'),
      move(67, 'up'),
      move(62, 'down'),
      move(62, 'up'),
    ].forEach(hear);
    expect(told).toEqual([[60, 64, 67], [62]]);
  });

  it('an end without a beginning tells nothing', () => {
    const told: (readonly number[])[] = [];
    struckTogether((midis) => told.push(midis))(move(60, 'up'));
    expect(told).toEqual([]);
  });
});

describe('takeDown', () => {
  it('counts from the beginning, ends what is struck again, and what is held at the end', () => {
    const taken = takeDown(1000);
    [move(60, 'down', 1000), move(60, 'down', 1400), move(60, 'up', 1700), move(64, 'down', 1500)].forEach(taken.hear);
    expect(taken.finish(2000)).toEqual([
      { midi: 60, downMs: 0, upMs: 400 },
      { midi: 60, downMs: 400, upMs: 700 },
      { midi: 64, downMs: 500, upMs: 1000 },
    ]);
  });
});

describe('devices that are moved by others', () => {
  it('tell everyone who listens, until they stop', async () => {
    const device = screenKeys();
    const told: string[] = [];
    const stop = await device.listen(({ midi, press }) => void told.push(`${midi} ${press}`));
    device.move(60, 'down');
    stop();
    device.move(60, 'up');
    expect(told).toEqual(['60 down']);
  });

  it('the one that plays by itself strikes chords together and lets them go', async () => {
    const device = simulatedKeys();
    const told: string[] = [];
    await device.listen(({ midi, press }) => void told.push(`${midi}${press === 'down' ? '+' : '-'}`));
    await device.play([[60, 64], [62]], 1);
    expect(told).toEqual(['60+', '64+', '60-', '64-', '62+', '62-']);
  });

  it('plays evenly from the time that is wanted, however late it comes to it', async () => {
    const device = simulatedKeys();
    const told: (readonly [number, number])[] = [];
    await device.listen(({ midi, atMs }) => void told.push([midi, atMs]));
    const longAgo = performance.now() - 5000;
    await device.play([[60], [62], [64]], 100, longAgo);
    expect(told.map(([midi, atMs]) => [midi, Math.round(atMs - longAgo)])).toEqual([
      [60, 0],
      [60, 90],
      [62, 100],
      [62, 190],
      [64, 200],
      [64, 290],
    ]);
  });
});
