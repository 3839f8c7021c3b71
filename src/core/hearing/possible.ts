/** A key that may have been struck, as two ears heard it. Time in ms from the beginning of what was recorded. */
export interface PossibleStroke {
  readonly midi: number;
  readonly atMs: number;
  /** How sure each ear is, as log odds: `live` listens while it is played, `after` once more afterwards. `UNHEARD` where it heard nothing of it. */
  readonly live: number;
  readonly after: number;
}

export const UNHEARD = -9;

/** What one ear heard of a key. */
export interface HeardByOne {
  readonly midi: number;
  readonly atMs: number;
  readonly odds: number;
}

/** Two ears hear the same stroke within so much. Unit: ms. */
const SAME_MS = 75;

/** Puts together what two ears heard: each stroke of one goes with the nearest of the same key of the other. The second ear is the more exact one in time. */
export function together(live: readonly HeardByOne[], after: readonly HeardByOne[]): readonly PossibleStroke[] {
  const open = new Map<number, HeardByOne[]>();
  for (const one of live) open.set(one.midi, [...(open.get(one.midi) ?? []), one]);
  const both = after
    .toSorted((a, b) => b.odds - a.odds)
    .map(({ midi, atMs, odds }): PossibleStroke => {
      const near = (open.get(midi) ?? []).filter((one) => Math.abs(one.atMs - atMs) <= SAME_MS);
      const first = near.toSorted((a, b) => b.odds - a.odds)[0];
      if (first)
        open.set(
          midi,
          (open.get(midi) ?? []).filter((one) => one !== first),
        );
      return { midi, atMs, live: first?.odds ?? UNHEARD, after: odds };
    });
  const alone = [...open.values()]
    .flat()
    .map(({ midi, atMs, odds }): PossibleStroke => ({ midi, atMs, live: odds, after: UNHEARD }));
  return [...both, ...alone].sort((a, b) => a.atMs - b.atMs || a.midi - b.midi);
}
