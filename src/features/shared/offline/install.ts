'use client';

import { useSyncExternalStore } from 'react';

/** What Chromium offers where the application can be installed; other browsers have a place in their own menu. */
interface InstallOffer extends Event {
  readonly prompt: () => Promise<unknown>;
}

let offer: InstallOffer | null = null;
const listeners = new Set<() => void>();

function become(next: InstallOffer | null): void {
  offer = next;
  listeners.forEach((tell) => tell());
}

/** Keeps the browser's offer until the teacher asks for it in Settings. Gives what lets go. */
export function catchInstall(): () => void {
  const offered = (event: Event): void => {
    event.preventDefault();
    become(event as InstallOffer);
  };
  const installed = (): void => become(null);
  window.addEventListener('beforeinstallprompt', offered);
  window.addEventListener('appinstalled', installed);
  return () => {
    window.removeEventListener('beforeinstallprompt', offered);
    window.removeEventListener('appinstalled', installed);
  };
}

/** Installs the application; null where the browser does not offer it, or has done it. */
export function useInstall(): (() => void) | null {
  const now = useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => offer,
    () => null,
  );
  if (!now) return null;
  return () => {
    become(null);
    void now.prompt();
  };
}
