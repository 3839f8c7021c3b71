'use client';

import { useEffect, useState } from 'react';
import type { BenchPlayer } from './use-player';

/** Whether the page goes along with the piece as it plays: from when it is asked for, until the teacher scrolls or presses something else. What they
 * look at or are about to press must not be scrolled away. */
export function useFollowing({ is, what }: Pick<BenchPlayer, 'is' | 'what'>): boolean {
  const [follows, setFollows] = useState(true);
  const [was, setWas] = useState(is);
  if (was !== is) {
    setWas(is);
    if (is === 'getting-ready') setFollows(true);
  }
  const isOn = is !== 'silent';
  useEffect(() => {
    if (!isOn) return;
    const letGo = ({ target }: Event): void => {
      if (!(target instanceof Element && target.closest('[data-role=player]'))) setFollows(false);
    };
    for (const event of DEEDS) window.addEventListener(event, letGo, { capture: true, passive: true });
    return () => {
      for (const event of DEEDS) window.removeEventListener(event, letGo, { capture: true });
    };
  }, [isOn]);
  return isOn && what === 'piece' && follows;
}

/** What shows that the teacher is at something else. */
const DEEDS = ['wheel', 'touchmove', 'pointerdown', 'focusin'] as const;
