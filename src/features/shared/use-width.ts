'use client';

import { useEffect, useState, type RefObject } from 'react';

/** Widths are taken in these steps, so that dragging the window does not engrave at every pixel. */
const STEP_PX = 20;

/** The width of an element, in steps; null until it is known. */
export function useWidth(element: RefObject<HTMLElement | null>): number | null {
  const [width, setWidth] = useState<number | null>(null);
  useEffect(() => {
    const watched = element.current;
    if (!watched) return;
    const observer = new ResizeObserver(() => setWidth(Math.floor(watched.clientWidth / STEP_PX) * STEP_PX));
    observer.observe(watched);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
