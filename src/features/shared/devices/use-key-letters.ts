'use client';

import { useEffect, useMemo, useState } from 'react';
import { computerKeyFor } from './devices';
import { MIDDLE_C } from './use-instrument';

/** What the browser knows of the keyboard's layout, where it tells. */
interface KeyboardLayout {
  readonly keyboard?: { readonly getLayoutMap?: () => Promise<ReadonlyMap<string, string>> };
}

/** How the key at a place is called where the browser does not tell: as on the usual layout. */
function usualLetter(code: string): string {
  return code === 'Semicolon' ? ';' : code.replace(/^Key/, '');
}

/** The letters of the computer's keys on the piano keys that they play; undefined where they play none, since something else is played on. */
export function useKeyLetters(instrument: string): ((midi: number) => string | null) | undefined {
  const [layout, setLayout] = useState<ReadonlyMap<string, string> | null>(null);
  useEffect(() => {
    let isWanted = true;
    void (navigator as Navigator & KeyboardLayout).keyboard
      ?.getLayoutMap?.()
      .then((found) => {
        if (isWanted) setLayout(found);
      })
      .catch(() => undefined);
    return () => {
      isWanted = false;
    };
  }, []);
  return useMemo(() => {
    if (instrument !== 'screen') return undefined;
    return (midi) => {
      const code = computerKeyFor(MIDDLE_C, midi);
      return code === null ? null : (layout?.get(code)?.toUpperCase() ?? usualLetter(code));
    };
  }, [instrument, layout]);
}
