import type { Pitch } from '../pitch';
import type { Clef, Measure } from './score';

/** Letters from C0 of the clef's own letter: G4, F3 or C4. Source: the staff, common practice. Checked by: hands.test.ts (ledger lines). */
const OWN_LETTER: Readonly<Record<string, number>> = { G: 32, F: 24, C: 28 };

/** The clefs in force behind these bars, one a staff. */
export function clefsAfter(measures: readonly Measure[]): ReadonlyMap<number, Clef> {
  const clefs = new Map<number, Clef>();
  for (const { items } of measures) {
    for (const item of items) {
      if (item.kind === 'attributes') for (const clef of item.clefs) clefs.set(clef.staff, clef);
    }
  }
  return clefs;
}

/** Where a pitch stands: in letters above the bottom line, so that the five lines are 0, 2, 4, 6 and 8. A staff without a clef reads like one with a
 * treble clef; null where the clef names no pitch (percussion). */
export function staffPlace(pitch: Pitch, clef: Clef | undefined): number | null {
  const letter = OWN_LETTER[clef?.sign ?? 'G'];
  if (letter === undefined) return null;
  return pitch.step + 7 * pitch.octave - (letter + 7 * (clef?.octaveChange ?? 0)) + 2 * ((clef?.line ?? 2) - 1);
}

/** How many ledger lines a pitch needs, above or below the five lines of its staff. */
export function ledgerLines(pitch: Pitch, clef: Clef | undefined): number {
  const place = staffPlace(pitch, clef) ?? 0;
  if (place > 8) return Math.floor((place - 8) / 2);
  return place < 0 ? Math.floor(-place / 2) : 0;
}
