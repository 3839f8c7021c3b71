'use client';

import { useEffect, useState, type RefObject } from 'react';

/** Sizes are taken in these steps, so that dragging the window does not engrave at every pixel. */
const STEP_PX = 20;

export interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** The size of an element's inside, in steps; null until it is known. */
export function useSize(element: RefObject<HTMLElement | null>): Size | null {
  const [size, setSize] = useState<Size | null>(null);
  useEffect(
    () =>
      onResize(element.current, ({ clientWidth, clientHeight }) => {
        const [widthPx, heightPx] = [inSteps(clientWidth), inSteps(clientHeight)];
        setSize((before) =>
          before?.widthPx === widthPx && before.heightPx === heightPx ? before : { widthPx, heightPx },
        );
      }),
    [element],
  );
  return size;
}

/** The width of an element's inside, in steps; null until it is known. */
export function useWidth(element: RefObject<HTMLElement | null>): number | null {
  const [width, setWidth] = useState<number | null>(null);
  useEffect(() => onResize(element.current, ({ clientWidth }) => setWidth(inSteps(clientWidth))), [element]);
  return width;
}

function onResize(element: HTMLElement | null, tell: (element: HTMLElement) => void): () => void {
  if (!element) return () => undefined;
  const observer = new ResizeObserver(() => tell(element));
  observer.observe(element);
  return () => observer.disconnect();
}

function inSteps(px: number): number {
  return Math.floor(px / STEP_PX) * STEP_PX;
}
