'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { hasStudio, isRemoved } from '@/data';
import {
  askForNewer,
  releaseState,
  hasRelease,
  keepRelease,
  onRelease,
  tellOpened,
  type ReleaseState,
} from './release';
import { catchInstall } from './install';

export function useRelease(): ReleaseState {
  return useSyncExternalStore(onRelease, releaseState, releaseState);
}

/** The first screen has its time before the rest is fetched. Unit: ms. */
const FETCHED_AFTER_MS = 5_000;

/** A tab that stays open for days asks for a newer release when it is looked at, but not more often than this. Unit: ms. */
const ASKED_EVERY_MS = 60 * 60 * 1000;

/** Keeps the application in this browser, for use without a network. */
export function useKeptRelease(): void {
  useEffect(() => {
    const keep = (): void => (isRemoved() ? undefined : void keepRelease());
    const timer = setTimeout(keep, hasRelease() ? 0 : FETCHED_AFTER_MS);
    void hasStudio().then(tellOpened);
    const release = catchInstall();
    let askedMs = Date.now();
    const look = (): void => {
      if (isRemoved() || document.visibilityState !== 'visible' || Date.now() - askedMs < ASKED_EVERY_MS) return;
      askedMs = Date.now();
      void askForNewer();
    };
    document.addEventListener('visibilitychange', look);
    return () => {
      clearTimeout(timer);
      release();
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
}
