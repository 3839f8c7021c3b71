import { describe, expect, it } from '@jest/globals';
import type { AskedMusic, StruckKey } from '../asked';
import { asked, struck } from '../../../tests/support/asked';
import { chance } from '../../../tests/support/histories';
import { demoMusic } from '../../../tests/support/practising';
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

describe('two hands', () => {
  const all = demoMusic(2, 5).filter(({ music }) => new Set(music.notes.map(({ hand }) => hand)).size === 2);
  const behindBy = (ms: number, seed: number) => {
    const { music } = chance(seed).of(all);
    const marked = { ...music, notes: music.notes.map((note, i) => ({ ...note, midi: i })) };
    const pupil = { seed, bpm: 60, jitterMs: 30, unevenMs: 0, drift: 0.03, weaknesses: [] };
    const keys = playAs(pupil, marked).keys.map((key) => {
      const note = music.notes[key.midi] as (typeof music.notes)[number];
      return { ...key, midi: note.midi, downMs: key.downMs + (note.hand === 'left' ? ms : 0) };
    });
    return judgePlaying(
      music,
      keys.toSorted((a, b) => a.downMs - b.downMs),
      USUAL,
    );
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
