import { describe, expect, it } from '@jest/globals';
import { passage } from '../../../tests/support/passages';
import { planOf, player } from '../../../tests/support/planning';
import { neutralView } from './key-view';
import { letterClashes, planPositions } from './letter-fingers';
import { demandsFor } from './player';

describe('letters of one position', () => {
  it('have one finger each in an open hand, though the moments are not alike', () => {
    const own = passage('right', 'E4 G4 A4 G4 E4 D4 C4:2');
    const plan = planPositions(own, neutralView(own), demandsFor(player({ level: 3 })), {});
    expect(plan.fingering).toEqual([3, 4, 5, 4, 3, 2, 1]);
    expect(letterClashes(plan)).toEqual([]);
    // The search alone would rather have other fingers.
    expect(letterClashes(planOf(own, { level: 3 }))).not.toEqual([]);
  });

  it('keep what is given, also where it clashes', () => {
    const own = passage('right', 'E4=2 G4=4 A4=5 G4=4 E4=3 D4=2 C4=1');
    const given = own.notes.map(({ printed }) => printed);
    const plan = planPositions(own, neutralView(own), demandsFor(player({ level: 3 })), { given });
    expect(plan.fingering).toEqual([2, 4, 5, 4, 3, 2, 1]);
  });

  it('are told apart by what is altered: F and F♯ may have two fingers', () => {
    const plan = planOf(passage('right', 'C4 D4 E4 F4 F#4 G4 A4:2'), { level: 4 });
    expect(letterClashes(plan)).toEqual([]);
  });
});
