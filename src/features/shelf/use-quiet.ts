'use client';

import { useEffect, useState } from 'react';

/** So long something that came into sight while the page was scrolled waits for an idle moment at most. Unit: ms. */
const LONGEST_WAIT_MS = 600;

/** Whether there is time for what takes long: at once where nothing moves; what comes into sight while the page is scrolled waits for an idle moment, so that
 * no frame is missed. */
export function useQuiet(isMoving: () => boolean): boolean {
  const [isQuiet, setQuiet] = useState(() => !isMoving());
  useEffect(() => {
    if (isQuiet) return;
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(() => setQuiet(true), LONGEST_WAIT_MS);
      return () => clearTimeout(timer);
    }
    const waiting = requestIdleCallback(() => setQuiet(true), { timeout: LONGEST_WAIT_MS });
    return () => cancelIdleCallback(waiting);
  }, [isQuiet]);
  return isQuiet;
}
