import { beforeAll, describe, expect, it } from '@jest/globals';
import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import { asked, struck } from '../../../tests/support/asked';
import { chance } from '../../../tests/support/histories';
import { demoMusic } from '../../../tests/support/practising';
import { rounds } from '../../../tests/support/rounds';
import { playAs } from '../simulation';
import { judgePlaying } from './judge-playing';

const USUAL = { strictness: 'usual', bpm: null, countIn: null } as const;
const BEAT_MS = 700;

const heard = (music: AskedMusic, keys: readonly StruckKey[]) => judgePlaying(music, keys, USUAL).heard;

describe('halves of the beat', () => {
  const music = asked('C4:0.5 D4:0.5 E4:0.5 F4:0.5 G4:0.5 F4:0.5 E4:0.5 D4:0.5 C4:0.5 E4:0.5 G4:0.5 E4:0.5 C4 G4 C4:4');
  const played = (half: number) =>
    music.notes.map(({ midi, at }) => struck(midi, (Math.floor(at) + (at % 1 === 0.5 ? half : 0)) * BEAT_MS));

  it('are told where they swing, and where they are turned round, and are no fault', () => {
    expect(heard(music, played(2 / 3))).toEqual([{ kind: 'swung', first: 'long', times: 2 }]);
    expect(heard(music, played(1 / 3))).toEqual([{ kind: 'swung', first: 'short', times: 2 }]);
    expect(judgePlaying(music, played(2 / 3), USUAL).faults).toEqual([]);
  });

  it('are not told where they are as even as a hand is', () => {
    expect(heard(music, played(0.5))).toEqual([]);
    expect(heard(music, played(0.53))).toEqual([]);
  });
});

let all: ReturnType<typeof demoMusic>;
beforeAll(() => {
  all = demoMusic(2, 5);
});

/** What a pupil with a human's jitter strikes, each key with the note that it is for. */
function strokesFor(music: AskedMusic, seed: number) {
  const marked = { ...music, notes: music.notes.map((note, i) => ({ ...note, midi: i })) };
  const pupil = { seed, bpm: 60 + (seed % 40), jitterMs: 30, unevenMs: 0, drift: 0.03, weaknesses: [] };
  return playAs(pupil, marked).keys.map((key) => ({ key, note: music.notes[key.midi] as AskedNote }));
}

/** The keys, each so much later. */
function later(strokes: ReturnType<typeof strokesFor>, laterMs: (note: AskedNote) => number): readonly StruckKey[] {
  return strokes
    .map(({ key, note }) => ({
      ...{ ...key, midi: note.midi },
      ...{ downMs: key.downMs + laterMs(note), upMs: key.upMs + laterMs(note) },
    }))
    .toSorted((a, b) => a.downMs - b.downMs);
}

describe('the last two bars', () => {
  /** A page that is played slower and slower from its last bar but one on: at its end a quarter takes so much longer. */
  const slowed = (seed: number, longer: number) => {
    const { name, music } = chance(seed).of(all);
    const strokes = strokesFor(music, seed);
    const from = music.bars.at(-2)?.at ?? 0;
    const end = music.bars.at(-1) as AskedMusic['bars'][number];
    const quarterMs = 60_000 / (60 + (seed % 40)) / end.beat;
    const over = (note: AskedNote): number => Math.max(0, note.at - from);
    const keys = later(strokes, (note) => (longer * quarterMs * over(note) ** 2) / 2 / (end.at + end.length - from));
    return { name, judged: judgePlaying(music, keys, USUAL) };
  };

  it('may be slowed down: nobody is told that the pulse stops', () => {
    for (let seed = 1; seed <= rounds(40, 400); seed += 1) {
      const { name, judged } = slowed(seed, 0.4 + (seed % 5) / 10);
      expect([seed, name, judged.faults]).toEqual([seed, name, []]);
    }
  });
});

describe('two hands', () => {
  const behindBy = (ms: number, seed: number) => {
    const both = all.filter(({ music }) => new Set(music.notes.map(({ hand }) => hand)).size === 2);
    const { music } = chance(seed).of(both);
    const keys = later(strokesFor(music, seed), ({ hand }) => (hand === 'left' ? ms : 0));
    return judgePlaying(music, keys, USUAL);
  };

  it('are told of the one that comes after the other, with how much, and of no fault', () => {
    const told = Array.from({ length: 20 }, (_, seed) => behindBy(180, seed + 1));
    const behind = told.flatMap((judged) => judged.heard.filter(({ kind }) => kind === 'hand-behind'));
    expect(behind.length).toBeGreaterThanOrEqual(14);
    for (const fact of behind) {
      expect(fact).toMatchObject({ hand: 'left' });
      expect('ms' in fact && Math.abs(fact.ms - 180)).toBeLessThan(40);
    }
    expect(told.flatMap(({ faults }) => faults)).toEqual([]);
  });

  it('are not told of where they are together as hands are', () => {
    const told = Array.from({ length: 40 }, (_, seed) => behindBy(0, seed + 1));
    expect(told.flatMap((judged) => judged.heard.filter(({ kind }) => kind !== 'detached-held'))).toEqual([]);
  });
});
