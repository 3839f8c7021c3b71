'use client';

import { useSyncExternalStore } from 'react';

/** What kind of screen it is: one with room beside the music, one that is upright or small, or a phone. */
export type Screen = 'wide' | 'narrow' | 'phone';

const WIDE = '(width >= 64rem)';
const PHONE = '(width < 45rem)';
/** Where the window is so low that the music needs what the keyboard would take. */
const LOW = '(height < 40rem)';

/** The kind of screen, followed while the window changes. */
export function useScreen(): Screen {
  const isWide = useMatch(WIDE);
  const isPhone = useMatch(PHONE);
  return isWide ? 'wide' : isPhone ? 'phone' : 'narrow';
}

/** Whether the window is low: a phone across, or a page at twice its size. */
export function useLowWindow(): boolean {
  return useMatch(LOW);
}

/** Whether the window is as a media query says. */
function useMatch(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const list = matchMedia(query);
      list.addEventListener('change', changed);
      return () => list.removeEventListener('change', changed);
    },
    () => matchMedia(query).matches,
    () => query === WIDE,
  );
}
