import type { AskedBar, AskedMusic, AskedNote } from '../../asked';
import type { Hand } from '../../score';
import type { Alignment } from '../alignment';
import type { PlayFault } from '../play-fault';
import type { Cause } from './cause';
import { notesOfCause, type Page } from './page-as-played';

/** Causes as they are told: once each, with the bars that they concern. */
export function causeFaults(
  music: AskedMusic,
  page: Page,
  alignment: Alignment,
  causes: readonly Cause[],
): readonly PlayFault[] {
  return causes
    .toSorted((a, b) => a.from - b.from)
    .map((cause) => {
      const own = new Set(notesOfCause(music, cause));
      const notes = [...own].map((note) => music.notes[note] as AskedNote);
      const [first, last] = [music.bars[cause.from] as AskedBar, music.bars[cause.to] as AskedBar];
      const keys = alignment.fates.flatMap(({ note }, key) =>
        note !== null && own.has(page.origins[note] as number) ? [key] : [],
      );
      return {
        kind: cause.kind,
        hand: cause.hand ?? onlyHandOf(music),
        bar: first.number,
        barIndex: first.index,
        beat: notes[0]?.beat ?? 1,
        notes: [...new Set(notes.map(({ id }) => id))],
        written: null,
        played: null,
        finger: null,
        offMs: null,
        run: 0,
        keys,
        againAt: null,
        stretch: {
          toBar: last.number,
          toBarIndex: last.index,
          isWhole: cause.from === 0 && cause.to === music.bars.length - 1,
          shift: cause.kind === 'transposed' ? cause.shift : null,
          beats: cause.kind === 'hand-late' ? cause.quarters / first.beat : null,
        },
      };
    });
}

/** The one hand that is asked for; null where both are. */
function onlyHandOf({ notes }: AskedMusic): Hand | null {
  const hands = new Set(notes.map(({ hand }) => hand));
  const [only] = hands;
  return hands.size === 1 && only ? only : null;
}
