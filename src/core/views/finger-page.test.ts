import { describe, expect, it } from '@jest/globals';
import { demoFile, DEMO_FILES } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { struckNotes } from '../score';
import { fingerPage } from './finger-page';
import { SAYS } from '../../../tests/support/usual-words';

describe('fingerPage', () => {
  it('has every struck note once, in its bar and hand, with its finger and length', () => {
    for (const { id } of DEMO_FILES) {
      const piece = open(demoFile(id));
      const version = moved(piece, 'D', { fingering: 'plan' });
      const page = fingerPage(SAYS, piece, version);
      const shown = page.bars.flatMap(({ hands }) => [...hands.right, ...hands.left].flatMap(({ noteIds }) => noteIds));
      const struck = struckNotes(version.notes).filter(({ isGrace }) => !isGrace);
      expect([...shown].sort()).toEqual(struck.map(({ id: note }) => note).sort());
      expect(
        page.bars
          .flatMap(({ hands }) => [...hands.right, ...hands.left])
          .every(({ fingers }) => fingers.every((finger) => finger !== null)),
      ).toBe(true);
    }
  });

  it('puts words under the notes and names the keys of this key', () => {
    const piece = open(demoFile('night-baker'));
    const strokes = fingerPage(SAYS, piece, moved(piece, 'E', { fingering: 'plan' })).bars.flatMap(
      ({ hands }) => hands.right,
    );
    expect(strokes.slice(7, 11).map(({ words }) => words)).toEqual(['I', 'have', 'se-', 'crets']);
    expect(strokes.every(({ keys }) => keys.every((key) => /^[A-G][♯♭𝄪𝄫]*$/.test(key)))).toBe(true);
    expect(strokes.filter(({ isBlack }) => isBlack).length).toBeGreaterThan(0);
  });

  it('is the same in every key but for black keys: what moves as a pattern stays', () => {
    const piece = open(demoFile('lantern-walk'));
    const pattern = (key: string): unknown =>
      fingerPage(SAYS, piece, moved(piece, key)).bars.map(({ hands }) =>
        [hands.right, hands.left].map((own) =>
          own.map(({ at, quarters, fingers, height }) => [at, quarters, fingers, height]),
        ),
      );
    for (const key of ['G', 'Eb', 'B']) expect(pattern(key)).toEqual(pattern('C'));
  });
});
