import { describe, expect, it } from '@jest/globals';
import { newScore } from '../edit';
import { parseKey, type Key } from '../pitch';
import { readPiece } from '../read';
import { unwrap } from '../base';
import type { Part } from '../score';
import { beginSession } from './session';
import { press } from './press';

describe('music from elsewhere that is longer than the piece', () => {
  it('brings the bars that are missing', () => {
    const key = parseKey('C-major', 'major') as Key;
    const score = newScore({ title: '', key, meter: { beats: 4, beatType: 4 }, pickupBeats: 0 });
    const tune = new TextEncoder().encode('X:1\nM:4/4\nL:1/4\nK:C\nC4 | D4 | E4 | F4');
    const { score: music } = unwrap(readPiece(tune, 'abc'));
    const session = beginSession(score, (score.parts[0] as Part).id);
    const taken = press(session, { kind: 'take-in', from: 'abc', music }, 0).session.edited.score.parts[0] as Part;
    const letters = taken.measures
      .slice(0, 4)
      .map(({ items }) => items.flatMap((item) => (item.kind === 'note' && item.pitch ? [item.pitch.step] : [])));
    expect(letters).toEqual([[0], [1], [2], [3]]);
  });
});
