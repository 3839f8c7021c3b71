'use client';

import { useEffect, useState } from 'react';
import type { RunState } from './use-run';

/** After so long on one drill a pause is proposed. Source: the handbook's cautions; the length is our own choice. Unit: ms. */
const LONG_MS = 600_000;

/** How long each drill was played. */
export type Drilled = Readonly<Record<string, number>>;

/** One more stretch of a drill. */
export function addDrilled(before: Drilled, drill: string, ms: number): Drilled {
  return { ...before, [drill]: (before[drill] ?? 0) + ms };
}

export function isLongDrill(drilled: Drilled, drill: string): boolean {
  return (drilled[drill] ?? 0) >= LONG_MS;
}

/** Whether this drill was played for so long by now that it is time to rest. Only what was listened to counts. */
export function useLongDrill(is: RunState['is'], drill: string): boolean {
  const [drilled, setDrilled] = useState<Drilled>({});
  const isListening = is === 'listening';
  useEffect(() => {
    if (!isListening) return;
    const beganMs = performance.now();
    return () => setDrilled((before) => addDrilled(before, drill, performance.now() - beganMs));
  }, [isListening, drill]);
  return isLongDrill(drilled, drill);
}
