import { struckAt } from '../fingering';
import type { Finger, HandNote } from '../score';
import type { Flag } from './flag';
import type { PlayedHand } from './hand-flags';
import { placeOf } from './place-of';

const HUNDREDTHS = 100;

/** Keys one after the other in a line that lie further apart than the hand reaches, under its outer fingers: a broken octave for a small hand. The hand
 * jumps; that is told. */
export function jumpFlags({ played, notes }: PlayedHand): readonly Flag[] {
  const { passage, view, demands } = played.lattice;
  const { spanMm } = demands.player;
  return passage.events.flatMap((event, t): readonly Flag[] => {
    const [from, to] = [event.released[0], struckAt(passage, t)[0]];
    const isLine = event.released.length === 1 && event.struck.length === 1 && event.held.length === 0;
    if (!isLine || event.bond < 1 || from === undefined || to === undefined) return [];
    const fingers: readonly (Finger | null | undefined)[] = [played.fingering[from], played.fingering[to]];
    const distance = Math.abs((view.places[to] as number) - (view.places[from] as number));
    if (!fingers.includes(1) || !fingers.includes(5) || distance <= spanMm * HUNDREDTHS) return [];
    const [low, high] = [notes[from] as HandNote, notes[to] as HandNote].toSorted((a, b) => a.midi - b.midi) as [
      HandNote,
      HandNote,
    ];
    return [
      {
        evidence: {
          kind: 'out-of-reach',
          keys: [low.pitch, high.pitch],
          needsMm: Math.round(distance / HUNDREDTHS),
          spanMm,
          isHeld: false,
          inLine: true,
          canShare: false,
        },
        severity: 'should',
        byBlackKey: false,
        wasThere: false,
        costs: null,
        ...placeOf([notes[from] as HandNote, notes[to] as HandNote]),
      },
    ];
  });
}
