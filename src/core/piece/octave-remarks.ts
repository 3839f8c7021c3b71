import type { Remark } from '../base';
import type { Hand, HandNote } from '../score';

/** From how many ledger lines on an octave is proposed, and for what share of a hand's notes. Our own choice; three lines
 * are told of by the scripting interface. */
const MANY = 3;
const SHARE = 0.15;

/** Proposes an octave for a hand that reads many ledger lines. Nothing is moved: the teacher says so. */
export function octaveRemarks(notes: readonly HandNote[], octaves: Readonly<Record<Hand, number>>): readonly Remark[] {
  return (['right', 'left'] as const).flatMap((hand): readonly Remark[] => {
    const own = notes.filter((note) => note.hand === hand);
    const far = own.filter(({ ledgerLines }) => ledgerLines >= MANY);
    if (own.length === 0 || far.length < SHARE * own.length) return [];
    const middle = (of: readonly HandNote[]): number => of.reduce((sum, { midi }) => sum + midi, 0) / of.length;
    const way = middle(far) > (hand === 'right' ? 71 : 50) ? -1 : 1;
    return Math.abs(octaves[hand] + way) > 2
      ? []
      : [{ code: 'octave-proposed', hand, direction: way === 1 ? 'higher' : 'lower' }];
  });
}
