'use client';

import { useEffect, useState } from 'react';

/** So long after a screen is there what it needs itself has come. Unit: ms. */
export const SETTLED_AFTER_MS = 2_500;

/** Whether the first screen has had its time: what may be wanted later is not fetched before. */
export function useSettled(): boolean {
  const [isSettled, setSettled] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(true), SETTLED_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  return isSettled;
}
