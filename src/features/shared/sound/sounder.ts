'use client';

import type { Sounder } from './sounding';

/** The one piano: its recordings take much memory, so there is never another. */
let piano: Promise<Sounder> | null = null;
/** What is handed out of it, until it fails. */
let handedOut: Promise<Sounder> | null = null;
/** When the last try came to nothing, in ms of `performance.now()`. */
let failedAtMs = -Infinity;

/** So long it is not tried anew: every key that is pressed asks for the piano. Unit: ms. */
const TRIED_AGAIN_AFTER_MS = 10_000;

const listeners = new Set<() => void>();

/** Tells whenever something should have sounded and this device gave no sound. Gives back how to be told no more. */
export function onSilence(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

/** The piano of the application, loaded at the first call. Where this device cannot sound, a silent one keeps time; a later call tries anew. */
export function pianoSounder(): Promise<Sounder> {
  if (performance.now() - failedAtMs < TRIED_AGAIN_AFTER_MS) return Promise.resolve(silentSounder());
  piano ??= import('./piano').then(({ createPiano }) => createPiano());
  handedOut ??= piano.then(untilItFails).catch(() => {
    piano = null;
    isSilent();
    return silentSounder();
  });
  return handedOut;
}

function isSilent(): void {
  handedOut = null;
  failedAtMs = performance.now();
  listeners.forEach((tell) => tell());
}

/** A sounder that goes on in silence where it does not become ready: whoever plays in time must not be left waiting. */
function untilItFails(sounding: Sounder): Sounder {
  let used = sounding;
  return {
    ready: () =>
      sounding.ready().catch(() => {
        if (used !== sounding) return;
        used = silentSounder();
        isSilent();
      }),
    now: () => used.now(),
    strike: (...struck) => used.strike(...struck),
    click: (...clicked) => used.click(...clicked),
    quiet: () => used.quiet(),
  };
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
