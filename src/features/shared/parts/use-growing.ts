'use client';

import { startTransition, useEffect, useState } from 'react';

/** How many of a long list are drawn: the first at once, the others as soon as those are seen. */
export function useGrowing(all: number, first: number): number {
  const [hasGrown, setGrown] = useState(false);
  useEffect(() => {
    startTransition(() => setGrown(true));
  }, []);
  return hasGrown ? all : Math.min(all, first);
}
