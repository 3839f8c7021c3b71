'use client';

import type { Sounder } from './sounding';

let piano: Promise<Sounder> | null = null;

/** The piano of the application, loaded at the first call. Where this device cannot sound, a silent one keeps time. */
export function pianoSounder(): Promise<Sounder> {
  piano ??= import('./piano').then(({ createPiano }) => createPiano()).catch(() => silentSounder());
  return piano;
}

/** Keeps time and makes no sound: a stand-in for a device without sound. */
export function silentSounder(): Sounder {
  return {
    ready: () => Promise.resolve(),
    now: () => performance.now() / 1000,
    strike: () => undefined,
    click: () => undefined,
    quiet: () => undefined,
  };
}
