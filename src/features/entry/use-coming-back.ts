'use client';

import { useEffect, useEffectEvent } from 'react';
import { forgetLoad, isLoadedForMidi } from '@/features/shared/devices/own-page';
import type { ScreenCommand } from '@/contract/entry-questions';

/** Goes on by piano keys where the page was loaded anew for a MIDI keyboard, once the note is there. */
export function useComingBack(isReady: boolean, press: (command: ScreenCommand) => void): void {
  const comeBack = useEffectEvent(() => {
    if (!isLoadedForMidi()) return;
    press({ kind: 'way', method: 'keys' });
    forgetLoad();
  });
  useEffect(() => {
    if (isReady) comeBack();
  }, [isReady]);
}
