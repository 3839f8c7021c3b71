'use client';

import { wrap, type Remote } from 'comlink';
import type { EntryService } from './entry-protocol';
import type { FitService } from './fit-service';
import type { CoreService, EngraveService } from './protocol';

let core: Remote<CoreService> | null = null;
let engraver: Remote<EngraveService> | null = null;
let entry: Remote<EntryService> | null = null;

/** The core, in its worker. Started with the first call and kept. */
export function coreWorker(): Remote<CoreService> {
  core ??= wrap<CoreService>(new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }));
  return core;
}

/** The engraver, in its worker. Started with the first call and kept; a call without a question starts it ahead. */
export function engraveWorker(): Remote<EngraveService> {
  engraver ??= wrap<EngraveService>(new Worker(new URL('./engrave.worker.ts', import.meta.url), { type: 'module' }));
  return engraver;
}

/** The entering of a piece, in a worker of its own: no other work stands in front of a key press. */
export function entryWorker(): Remote<EntryService> {
  entry ??= wrap<EntryService>(new Worker(new URL('./entry.worker.ts', import.meta.url), { type: 'module' }));
  return entry;
}

/** So many workers ask the shelf at most; one core is left to the page where there are more than two. */
const MOST_FITTERS = 4;

let fitters: readonly Remote<FitService>[] | null = null;

/** How many workers the whole shelf is asked by. */
export function fitterCount(): number {
  const cores = navigator.hardwareConcurrency || 2;
  return Math.min(MOST_FITTERS, Math.max(2, cores - 1));
}

/** One of the workers that the whole shelf is asked by. All start with the first call, and are kept. */
export function fitWorker(which: number): Remote<FitService> {
  fitters ??= Array.from({ length: fitterCount() }, () => wrap<FitService>(new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' })));
  return fitters[which % fitters.length] as Remote<FitService>;
}
