import { beforeEach, describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../../tests/support/build-piece';
import { open } from '../../../../tests/support/open';
import { performanceOf, spanOfBars } from '@/core/playback';
import { createPlayer, type Player, type PlayerOptions } from './player';
import type { Sounder } from './sounding';

const piece = open(musicXml({ right: 'C4q D4q E4q F4q | G4q A4q B4q C5q' }));
const performance = performanceOf(piece.score, piece.part.id);
const QUARTER_S = 60 / 92;
const WISH: PlayerOptions = {
  performance,
  listen: { hands: { right: 'on', left: 'on' }, clicks: 'none' },
  rate: 1,
  span: spanOfBars(performance, 0, 1),
  goesOn: 'once',
  countsIn: 'at-once',
};

let clockS = 0;
let struck: { midi: number; atS: number; lengthS: number }[] = [];
let clicks: number[] = [];
let quiets = 0;
const sounder: Sounder = {
  ready: () => Promise.resolve(),
  now: () => clockS,
  strike: (midi, atS, lengthS) => void struck.push({ midi, atS, lengthS }),
  click: (atS) => void clicks.push(atS),
  quiet: () => {
    quiets += 1;
  },
};

/** Lets time pass, ticking as the screen does. */
function pass(player: Player, seconds: number): void {
  for (let passed = 0; passed < seconds - 1e-9; passed += 0.05) {
    clockS += 0.05;
    player.tick();
  }
}

beforeEach(() => {
  clockS = 100;
  struck = [];
  clicks = [];
  quiets = 0;
});

describe('createPlayer', () => {
  it('strikes every note once, at its time, and falls silent at the end', () => {
    const player = createPlayer(sounder);
    player.begin(WISH);
    pass(player, 8 * QUARTER_S + 0.5);
    expect(struck.map(({ midi }) => midi)).toEqual([60, 62, 64, 65, 67, 69, 71, 72]);
    const begun = struck[0]?.atS ?? 0;
    struck.forEach(({ atS }, i) => expect(atS - begun).toBeCloseTo(i * QUARTER_S));
    expect(player.position()).toBeNull();
  });

  it('keeps to the written times for five minutes, round after round, however unevenly the page gives it time', () => {
    const player = createPlayer(sounder);
    player.begin({ ...WISH, goesOn: 'round' });
    // The longest pause is shorter than what is handed over ahead.
    for (let i = 0; clockS < 400; i += 1) {
      clockS += [0.02, 0.19, 0.07, 0.23][i % 4] as number;
      player.tick();
    }
    const begun = struck[0]?.atS ?? 0;
    expect(struck.length).toBeGreaterThan(440);
    struck.forEach(({ midi, atS }, i) => {
      expect(midi).toBe([60, 62, 64, 65, 67, 69, 71, 72][i % 8]);
      expect(Math.abs(atS - begun - i * QUARTER_S)).toBeLessThan(0.005);
    });
  });

  it('hands nothing over late, even after a long pause of the page', () => {
    const player = createPlayer(sounder);
    player.begin(WISH);
    clockS += 3 * QUARTER_S;
    player.tick();
    expect(struck.every(({ atS }) => atS >= 100)).toBe(true);
  });

  it('slows down without another pitch: at 30 % everything takes that much longer', () => {
    const player = createPlayer(sounder);
    player.begin({ ...WISH, rate: 0.3 });
    pass(player, (4 * QUARTER_S) / 0.3);
    expect((struck[1]?.atS ?? 0) - (struck[0]?.atS ?? 0)).toBeCloseTo(QUARTER_S / 0.3);
    expect(struck[0]?.lengthS).toBeCloseTo((0.97 * QUARTER_S) / 0.3);
    expect(struck.slice(0, 4).map(({ midi }) => midi)).toEqual([60, 62, 64, 65]);
  });

  it('counts in one bar before the first note', () => {
    const player = createPlayer(sounder);
    player.begin({ ...WISH, countsIn: 'bar' });
    pass(player, 6 * QUARTER_S);
    expect(clicks).toHaveLength(4);
    expect((struck[0]?.atS ?? 0) - (clicks[0] ?? 0)).toBeCloseTo(4 * QUARTER_S);
  });

  it('goes round some bars without a gap', () => {
    const player = createPlayer(sounder);
    player.begin({ ...WISH, span: spanOfBars(performance, 1, 1), goesOn: 'round' });
    pass(player, 9 * QUARTER_S);
    expect(struck.slice(0, 8).map(({ midi }) => midi)).toEqual([67, 69, 71, 72, 67, 69, 71, 72]);
    expect((struck[4]?.atS ?? 0) - (struck[3]?.atS ?? 0)).toBeCloseTo(QUARTER_S);
  });

  it('goes on where it is when the tempo or the version changes', () => {
    const higher = { ...performance, notes: performance.notes.map((note) => ({ ...note, midi: note.midi + 2 })) };
    const player = createPlayer(sounder);
    player.begin(WISH);
    pass(player, 2.5 * QUARTER_S);
    const before = player.position() ?? 0;
    player.change({ ...WISH, performance: higher, rate: 0.5 });
    expect(player.position()).toBeCloseTo(before);
    pass(player, 12 * QUARTER_S);
    expect(struck.map(({ midi }) => midi)).toEqual([60, 62, 64, 67, 69, 71, 73, 74]);
  });

  it('is quiet at once when it is stopped', () => {
    const player = createPlayer(sounder);
    player.begin(WISH);
    player.stop();
    expect(quiets).toBe(2);
    pass(player, QUARTER_S);
    expect(struck).toHaveLength(1);
  });
});
