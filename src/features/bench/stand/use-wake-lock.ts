'use client';

import { useEffect, useState } from 'react';

/** Keeps the screen from going dark while this is shown, where the browser can do that. Tells whether it does. */
export function useWakeLock(): boolean {
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    let isWanted = true;
    let lock: WakeLockSentinel | null = null;
    const hold = async (): Promise<void> => {
      // A browser lets go whenever the page is out of sight.
      if (!isWanted || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
      } catch {
        return; // The device has said no, as with an empty battery: the page is of use all the same.
      }
      if (!isWanted) return void lock.release();
      setHeld(true);
      lock.addEventListener('release', () => setHeld(false));
    };
    const again = (): void => void hold();
    again();
    document.addEventListener('visibilitychange', again);
    return () => {
      isWanted = false;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
  return isHeld;
}
