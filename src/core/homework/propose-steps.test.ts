import { describe, expect, it } from '@jest/globals';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { moved, open } from '../../../tests/support/open';
import { asWritten } from '../piece';
import { stagePiece, subjectOf } from '../stages';
import type { PracticeStep } from './practice-step';
import { proposeSteps } from './propose-steps';

function stepsOf(text: string, to?: string): readonly PracticeStep[] {
  const piece = open(text);
  return proposeSteps(subjectOf(piece, to === undefined ? asWritten(piece) : moved(piece, to)));
}
const idsOf = (text: string, to?: string): readonly string[] => stepsOf(text, to).map(({ id }) => id);

/** Two places of the right hand, an octave apart; the left stays. */
const MOVES = musicXml({
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | C5q/1 D5q/2 E5q/3 F5q/4 | C5w/1',
  left: 'C3w/5 | G3w/1 | C3w/5',
});

describe('the steps that are proposed', () => {
  // What a teacher would write, before the program was asked: common practice, handbook section 7.
  it('go from the warm-up of the key over each hand and the passes to memory', () => {
    expect(idsOf(demoFile('lantern-walk'), 'D-major')).toEqual([
      'warm-up-right',
      'warm-up-left',
      'tapping',
      'alone-right',
      'alone-left',
      'fingers',
      'saying',
      'counting',
      'slow',
      'echo',
      'pulse',
      'memory',
    ]);
  });

  it('drill each landing before the first play-through, in its bars and with its hand', () => {
    const steps = stepsOf(MOVES);
    const landing = steps.findIndex(({ kind }) => kind === 'landing');
    expect(steps[landing]).toMatchObject({ hand: 'right', bars: { from: 0, to: 1 }, tempo: 50 });
    expect(landing).toBeLessThan(steps.findIndex(({ kind }) => kind === 'hand-alone'));
    expect(steps.filter(({ kind }) => kind === 'landing')).toHaveLength(1);
  });

  it('have the words sung only where there are words, and no hand alone where there is one', () => {
    const sung = musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'C3w/5' }).replace(
      '<voice>1</voice>',
      '<voice>1</voice><lyric><text>la</text></lyric>',
    );
    expect(sung).toContain('<lyric>');
    expect(idsOf(sung)).toContain('singing');
    const alone = musicXml({ right: 'C4q/1 D4q/2 E4h/3', left: 'Rw' });
    expect(idsOf(alone)).not.toContain('alone-right');
    expect(idsOf(alone)).toContain('warm-up-right');
    expect(idsOf(alone)).not.toContain('warm-up-left');
  });

  it('are only to tap, where the piece is tapped on the lid', () => {
    const whole = open(MOVES);
    const tapped = stagePiece(whole, asWritten(whole), [{ kind: 'tapping' }], 'bar');
    expect(proposeSteps(subjectOf(tapped, asWritten(tapped))).map(({ kind }) => kind)).toEqual(['tapping']);
  });

  it('are ticked where nobody can hear them, and heard otherwise', () => {
    for (const { kind, way } of stepsOf(demoFile('lantern-walk')))
      expect([kind, way === 'tick']).toEqual([kind, ['tapping', 'fingers', 'saying', 'singing'].includes(kind)]);
  });

  it('have names of their own in every demo piece, and bars that it has', () => {
    for (const { id, text } of DEMO_FILES) {
      const piece = open(text);
      const steps = proposeSteps(subjectOf(piece, asWritten(piece)));
      const names = steps.map((step) => step.id);
      expect([id, new Set(names).size]).toEqual([id, names.length]);
      for (const { bars } of steps) {
        if (bars === null) continue;
        expect(bars.from).toBeLessThanOrEqual(bars.to);
        expect(bars.to).toBeLessThan(piece.part.measures.length);
      }
    }
  });
});
