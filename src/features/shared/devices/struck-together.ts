import type { KeyMove } from './key-device';

/** Gathers keys that are down together: `tell` gets them, lowest first, once all are up again. */
export function struckTogether(tell: (midis: readonly number[]) => void): (move: KeyMove) => void {
  const down = new Set<number>();
  const struck = new Set<number>();
  return ({ midi, press: way }) => {
    if (way === 'down') {
      down.add(midi);
      struck.add(midi);
      return;
    }
    down.delete(midi);
    if (down.size > 0 || struck.size === 0) return;
    const chord = [...struck].sort((a, b) => a - b);
    struck.clear();
    tell(chord);
  };
}

/** A key with the times at which it went down and up. */
export interface HeldKey {
  readonly midi: number;
  readonly downMs: number;
  readonly upMs: number;
}

/** Takes down what is played, with times from a beginning on. `finish` ends what is still held. */
export function takeDown(beginMs: number): {
  readonly hear: (move: KeyMove) => void;
  readonly finish: (atMs: number) => readonly HeldKey[];
} {
  const open = new Map<number, number>();
  const keys: HeldKey[] = [];
  const end = (midi: number, atMs: number): void => {
    const downMs = open.get(midi);
    if (downMs === undefined) return;
    open.delete(midi);
    keys.push({ midi, downMs: downMs - beginMs, upMs: atMs - beginMs });
  };
  return {
    hear: ({ midi, press: way, atMs }) => {
      end(midi, atMs);
      if (way === 'down') open.set(midi, atMs);
    },
    finish: (atMs) => {
      [...open.keys()].forEach((midi) => end(midi, atMs));
      return keys.toSorted((a, b) => a.downMs - b.downMs);
    },
  };
}
