import type { Flag } from '../flag';
import type { Finger, Hand } from '../score';
import type { BlackFingers } from './black-fingers';

/** What a finger on a black key adds beyond the black key itself. All five together stay below one, so that the number
 * of black keys always counts first. Source: handbook, five-finger patterns ("ease goes first by the number of black
 * keys, then by the finger under them"), common practice; the figures are our own choice within that order.
 * Checked by: survey.test.ts (D and A before F, F before E, E before B flat). */
const FINGER_EFFORT: Readonly<Record<Finger, number>> = { 3: 0, 2: 0.05, 4: 0.15, 1: 0.3, 5: 0.3 };

/** A must outweighs any hand of black keys; a should weighs like two black keys. Our own choice. */
const MUST_EFFORT = 20;
const SHOULD_EFFORT = 2;

/** How much there is to do in a key: 0 for nothing, without a bound. */
export function effortOf(fingers: BlackFingers, flags: readonly Flag[]): number {
  const hands: readonly Hand[] = ['right', 'left'];
  const onBlack = hands.flatMap((hand) => fingers[hand]).reduce((sum, finger) => sum + 1 + FINGER_EFFORT[finger], 0);
  const count = (severity: Flag['severity']): number => flags.filter((flag) => flag.severity === severity && !flag.wasThere).length;
  return Math.round((onBlack + MUST_EFFORT * count('must') + SHOULD_EFFORT * count('should')) * 100) / 100;
}
