import type { HandNote } from '../score';
import type { Flag } from './flag';
import { placeOf } from './place-of';

/** Places where the right hand is below the left while both sound; one flag for each stretch of them. Notes are struck
 * and in order of time. The same key in both hands is no crossing but a shared key. */
export function overlapFlags(notes: readonly HandNote[]): readonly Flag[] {
  const flags: Flag[] = [];
  let sounding: HandNote[] = [];
  let stretch: HandNote[] = [];
  let crossed: { right: HandNote; left: HandNote } | null = null;
  const close = (): void => {
    if (crossed) flags.push(overlapFlag(stretch, crossed));
    stretch = [];
    crossed = null;
  };
  for (const note of notes) {
    sounding = sounding.filter(({ onset, duration }) => onset + duration > note.onset);
    const over = sounding.find((other) => isCrossed(note, other));
    if (over) {
      crossed ??= note.hand === 'right' ? { right: note, left: over } : { right: over, left: note };
      stretch.push(...(stretch.includes(over) ? [note] : [over, note]));
    } else if (stretch.length > 0 && !sounding.some((other) => stretch.includes(other))) close();
    sounding.push(note);
  }
  close();
  return flags;
}

function isCrossed(note: HandNote, other: HandNote): boolean {
  if (note.hand === other.hand) return false;
  const [right, left] = note.hand === 'right' ? [note, other] : [other, note];
  return right.midi < left.midi;
}

function overlapFlag(
  notes: readonly HandNote[],
  { right, left }: { readonly right: HandNote; readonly left: HandNote },
): Flag {
  return {
    evidence: { kind: 'hands-overlap', right: right.pitch, left: left.pitch },
    severity: 'watch',
    byBlackKey: false,
    wasThere: false,
    costs: null,
    ...placeOf(notes),
  };
}
