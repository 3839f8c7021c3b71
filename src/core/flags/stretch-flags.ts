import { FREE_BOND, spanOf, type PassageEvent } from '../fingering';
import { groupBy } from '../base';
import type { Pitch } from '../pitch';
import type { Finger, HandNote } from '../score';
import type { Flag } from './flag';
import { breaksLimits, fingerOf, noteAt, PLAIN, type PlayedHand } from './hand-flags';
import { placeOf } from './place-of';

/** How far beyond comfort a stretch must be to be told of. Unit: hundredths of a mm. Our own choice: half a semitone. */
const TOLD_BEYOND = 700;

/** Two fingers further apart than is comfortable. */
interface Stretch {
  readonly fingers: readonly [Finger, Finger];
  readonly lower: HandNote;
  readonly higher: HandNote;
  readonly mm: number;
  readonly inLine: boolean;
}

/** Fingers further apart than is comfortable, at one moment or in a line: the widest of each pair of fingers and keys, once. */
export function stretchFlags(hand: PlayedHand): readonly Flag[] {
  const found: Stretch[] = [];
  hand.played.lattice.passage.events.forEach((event, t) => {
    if (!breaksLimits(hand.played, t)) found.push(...stretchesAt(hand, event, t));
  });
  return [
    ...groupBy(found, ({ fingers, lower, higher }) => `${fingers.join()}/${lower.midi}/${higher.midi}`).values(),
  ].map((group): Flag => {
    const { fingers, lower, higher, mm, inLine } = group[0] as Stretch;
    const keys: readonly [Pitch, Pitch] =
      lower.midi < higher.midi ? [lower.pitch, higher.pitch] : [higher.pitch, lower.pitch];
    return {
      evidence: { kind: 'stretch', fingers, keys, mm, inLine },
      severity: 'watch',
      ...PLAIN,
      ...placeOf(group.flatMap((one) => [one.lower, one.higher])),
    };
  });
}

function stretchesAt(hand: PlayedHand, event: PassageEvent, t: number): readonly Stretch[] {
  const { steps } = hand.played;
  const { struck, held, released, bond } = event;
  const isLine = released.length === 1 && struck.length === 1;
  const inLine = isLine && bond > FREE_BOND && steps[t]?.transition === 'stay' ? released : [];
  const found: Stretch[] = [];
  for (const m of [...struck, ...held, ...inLine]) {
    for (const n of struck) {
      const stretch = stretchOf(hand, m, n);
      if (stretch) found.push({ ...stretch, inLine: inLine.includes(m) });
    }
  }
  return found;
}

function stretchOf(hand: PlayedHand, m: number, n: number): Omit<Stretch, 'inLine'> | null {
  const { view, demands } = hand.played.lattice;
  const [f, g] = [fingerOf(hand, m), fingerOf(hand, n)];
  if (f === g) return null;
  const [lower, higher] = f < g ? [m, n] : [n, m];
  const distance = (view.places[higher] as number) - (view.places[lower] as number);
  const comfortable = spanOf(demands.measure, Math.min(f, g), Math.max(f, g)).greatestComfortable;
  if (distance <= comfortable + TOLD_BEYOND) return null;
  return {
    fingers: f < g ? [f, g] : [g, f],
    lower: noteAt(hand, lower),
    higher: noteAt(hand, higher),
    mm: Math.round(distance / 100),
  };
}
