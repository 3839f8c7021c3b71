'use client';

import type { EarService } from '@/contract/ear-questions';
import type { EntryService } from '@/contract/entry-questions';
import type { FitService } from './fit/fit-service';
import type { Asked } from '@/crossing/guarded';
import type { CoreService } from '@/contract/core-questions';
import type { EngraveService } from '@/contract/engraving-questions';
import { startWorker } from '@/crossing/start-worker';
import type { PrintService } from './print/print-questions';
import { supervised } from '@/crossing/supervised';

const core = supervised<CoreService>(
  startWorker(() => new Worker(new URL('./core/core.worker', import.meta.url), { type: 'module' })),
);
const engraver = supervised<EngraveService>(
  startWorker(() => new Worker(new URL('./engrave/engrave.worker', import.meta.url), { type: 'module' })),
);
const entry = supervised<EntryService>(
  startWorker(() => new Worker(new URL('./entry/entry.worker', import.meta.url), { type: 'module' })),
);

const ear = supervised<EarService>(
  startWorker(() => new Worker(new URL('./ear/ear.worker', import.meta.url), { type: 'module' })),
);

/** The ear, in its worker. Started when a microphone is first listened to, and kept. */
export function earWorker(): Asked<EarService> {
  return ear;
}

const printer = supervised<PrintService>(
  startWorker(() => new Worker(new URL('./print/print.worker', import.meta.url), { type: 'module' })),
);

/** Printing, in its worker. Started with the first question and kept. */
export function printWorker(): Asked<PrintService> {
  return printer;
}

/** The core, in its worker. Started with the first question and kept. */
export function coreWorker(): Asked<CoreService> {
  return core;
}

/** The engraver, in its worker. Started with the first question and kept. */
export function engraveWorker(): Asked<EngraveService> {
  return engraver;
}

/** The entering of a piece, in a worker of its own: no other work stands in front of a key press. Started anew, it has no piece open. */
export function entryWorker(): Asked<EntryService> {
  return entry;
}

/** So many workers ask the shelf at most; one core is left to the page where there are more than two. */
const MOST_FITTERS = 4;

let fitters: readonly Asked<FitService>[] | null = null;

/** How many workers the whole shelf is asked by. */
export function fitterCount(): number {
  const cores = navigator.hardwareConcurrency || 2;
  return Math.min(MOST_FITTERS, Math.max(2, cores - 1));
}

/** One of the workers that the whole shelf is asked by. Each starts with its first question, and is kept. */
export function fitWorker(which: number): Asked<FitService> {
  fitters ??= Array.from({ length: fitterCount() }, () =>
    supervised<FitService>(
      startWorker(() => new Worker(new URL('./fit/fit.worker', import.meta.url), { type: 'module' })),
    ),
  );
  return fitters[which % fitters.length] as Asked<FitService>;
}
