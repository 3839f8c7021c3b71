import type { StruckKey } from '@/core/asked';
import type { Instrument } from '@/features/shared/devices/use-instrument';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { strikeKeys } from '@/features/shared/sound/strike-keys';

/** Has the instrument that plays by itself strike keys from a time of `performance.now()` on, and lets them be heard. Gives back how to stop both. */
export function performAloud(
  instrument: Pick<Instrument, 'perform'>,
  keys: readonly StruckKey[],
  fromMs: number,
): () => void {
  const stopKeys = instrument.perform(keys, fromMs);
  let isWanted = true;
  const sounding = pianoSounder();
  void sounding.then((sounder) => {
    if (isWanted) strikeKeys(sounder, keys, fromMs / 1000 + sounder.now() - performance.now() / 1000);
  });
  return () => {
    isWanted = false;
    stopKeys();
    void sounding.then((sounder) => sounder.quiet());
  };
}
