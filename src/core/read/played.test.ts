import { describe, expect, it } from '@jest/globals';
import { pitchText } from '../pitch';
import { unwrap } from '../base';
import { notesOf, type Score } from '../score';
import { readPlayed, type PlayedKey, type PlayedTo } from './played';

const TO: PlayedTo = { msPerQuarter: 600, grid: 2, meter: { beats: 4, beatType: 4 }, fifths: -1, mode: 'major' };

const told = (keys: readonly PlayedKey[], to: PlayedTo = TO): string => {
  const { score } = unwrap(readPlayed(keys, to));
  return notesOf(score.parts[0] as Score['parts'][number])
    .map(
      (item) =>
        `${item.isChordMember ? '+' : ''}${item.pitch ? pitchText(item.pitch) : 'R'}:${item.duration / score.ticksPerQuarter}${item.tieStart ? '~' : ''}`,
    )
    .join(' ');
};

describe('readPlayed', () => {
  it('sets what was a little early or late to the grid, in whole bars', () => {
    expect(
      told([
        { midi: 65, downMs: -20, upMs: 560 },
        { midi: 67, downMs: 630, upMs: 1180 },
        { midi: 69, downMs: 1210, upMs: 2380 },
      ]),
    ).toBe('F4:1 G4:1 A4:2');
  });

  it('spells by the signature, and keys struck together are a chord', () => {
    expect(
      told([
        { midi: 70, downMs: 0, upMs: 2400 },
        { midi: 65, downMs: 15, upMs: 2390 },
      ]),
    ).toBe('F4:4 +Bb4:4');
  });

  it('ties over the bar line and fills up with rests', () => {
    expect(told([{ midi: 60, downMs: 1800, upMs: 3000 }])).toBe('R:3 C4:1~ C4:1 R:3');
  });

  it('says when nothing was played', () => {
    expect(readPlayed([], TO)).toMatchObject({ ok: false, error: { code: 'read.no-notes' } });
  });
});
