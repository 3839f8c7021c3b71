'use client';

import { useEffect, type RefObject } from 'react';

/** Tells the style sheet how high the foot of a screen is, so that messages stand above it and cover none of its buttons. */
export function useFootRoom(foot: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const watched = foot.current;
    if (!watched) return;
    const { style } = document.documentElement;
    const observer = new ResizeObserver(() => style.setProperty('--foot', `${watched.offsetHeight}px`));
    observer.observe(watched);
    return () => {
      observer.disconnect();
      style.removeProperty('--foot');
    };
  }, [foot]);
}
