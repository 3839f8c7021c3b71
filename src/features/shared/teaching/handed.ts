'use client';

import { useSyncExternalStore } from 'react';
import type { Handed } from '@/data';

/** A file that was handed over and dropped here: it waits to be looked at. It is too large for an address. */
export type NamedHanded = Handed & { readonly name: string };

let waiting: NamedHanded | null = null;
const listeners = new Set<() => void>();

export function putHanded(handed: NamedHanded): void {
  waiting = handed;
  listeners.forEach((tell) => tell());
}

export function useHanded(): NamedHanded | null {
  return useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => waiting,
    () => null,
  );
}
