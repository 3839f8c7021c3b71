import type { Finger, Hand } from '../../score';
import type { Terms } from './terms';

/** A finger that the teacher decided on, and the one that the plan would take there. */
interface DecidedNote {
  readonly hand: Hand;
  readonly bar: string;
  readonly name: string;
  readonly finger: Finger;
  readonly planned: Finger | null;
}

/** What the teacher decided, and where the plan would do otherwise. */
export function decisionWords(t: Terms, { bar, name, finger, planned }: DecidedNote): string {
  const said = `${t.Bar} ${bar}: ${finger} on ${name}.`;
  return planned === null || planned === finger ? said : `${said} Unasked, ${planned} would be taken.`;
}
