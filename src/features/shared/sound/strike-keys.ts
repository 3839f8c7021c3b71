import type { StruckKey } from '@/core/asked';
import type { Sounder } from './sounding';

/** Lets keys that were struck be heard, their times counted from `fromS` on the sounder's clock. */
export function strikeKeys(sounder: Sounder, keys: readonly StruckKey[], fromS: number): void {
  for (const { midi, downMs, upMs, velocity } of keys)
    sounder.strike(midi, fromS + downMs / 1000, (upMs - downMs) / 1000, velocity / 127);
}
