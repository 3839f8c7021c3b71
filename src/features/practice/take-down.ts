import type { StruckKey } from '@/core/asked';
import type { KeyMove } from '@/features/shared/devices/key-device';

/** A key from a device that cannot tell how fast it went down. */
const USUAL_VELOCITY = 64;

/** Takes down what is played, in ms from a beginning. `finish` lets go what is still held. */
export interface TakeDown {
  readonly hear: (move: KeyMove) => void;
  readonly finish: (atMs: number) => readonly StruckKey[];
}

export function takeDownFrom(beginMs: number): TakeDown {
  const held = new Map<number, { readonly downMs: number; readonly velocity: number }>();
  const keys: StruckKey[] = [];
  const letGo = (midi: number, atMs: number): void => {
    const down = held.get(midi);
    if (!down) return;
    held.delete(midi);
    keys.push({ midi, downMs: down.downMs, upMs: Math.max(down.downMs + 1, atMs - beginMs), velocity: down.velocity });
  };
  return {
    hear: ({ midi, press, atMs, velocity = USUAL_VELOCITY }) => {
      // A key that is struck again was let go, whether or not that was told.
      letGo(midi, atMs);
      if (press === 'down') held.set(midi, { downMs: atMs - beginMs, velocity });
    },
    finish: (atMs) => {
      [...held.keys()].forEach((midi) => letGo(midi, atMs));
      return keys.toSorted((a, b) => a.downMs - b.downMs || a.midi - b.midi);
    },
  };
}
