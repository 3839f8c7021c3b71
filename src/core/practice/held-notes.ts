import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import type { FaultFacts } from './fault-at';
import type { Heard } from './heard';

/** A tied note must last at least so far into what it is tied to. */
const INTO_TIE = 0.35;
/** A rest is kept where the hand is off the keys for at least so much of it, if it is as long as a quarter. */
const OF_REST = 0.25;
const LEAST_REST = 1;

/** Notes that were held otherwise than the page asks: a tie that was let go, a rest that was not kept. */
export function heldFaults(
  { music, keys, runs }: Heard,
  r: number,
  msPerQuarter: number | null,
): readonly FaultFacts[] {
  const run = runs[r];
  if (msPerQuarter === null || !run) return [];
  // What would have gone on beyond the place where the player stopped was not let go.
  const last = run.at(-1);
  const isToTheEnd = last?.moment === music.moments.length - 1;
  const end = isToTheEnd ? Infinity : (last?.quarters ?? 0);
  return run.flatMap(({ notes }) =>
    notes.flatMap((heard): readonly FaultFacts[] => {
      const note = music.notes[heard.note] as AskedNote;
      const { downMs, upMs, midi } = keys[heard.key] as StruckKey;
      if (note.isGrace || midi !== note.midi) return [];
      const held = (upMs - downMs) / msPerQuarter;
      const offMs = (held - note.length) * msPerQuarter;
      if (note.tiedFrom !== null && note.at + note.length <= end) {
        const first = note.tiedFrom - note.at;
        if (held < first + INTO_TIE * (note.length - first))
          return [{ kind: 'too-short', heard: [heard], run: r, offMs }];
      }
      const rest = restAfter(music, note);
      if (rest >= LEAST_REST && held > note.length + (1 - OF_REST) * rest)
        return [{ kind: 'too-long', heard: [heard], run: r, offMs }];
      return [];
    }),
  );
}

/** How long the hand rests after a note; nothing where it goes on, or at the end. Unit: quarters. */
function restAfter({ notes }: AskedMusic, { hand, at, length }: AskedNote): number {
  const end = at + length;
  const own = notes.filter((other) => other.hand === hand && other.at + other.length > end - 1e-6 && other.at > at);
  const next = own[0];
  const isHeldUnder = notes.some(
    (other) => other.hand === hand && other.at <= at && other.at + other.length > end + 1e-6,
  );
  return next === undefined || isHeldUnder ? 0 : next.at - end;
}
