'use client';

import { wrap, type Remote } from 'comlink';
import type { EntryService } from './entry-protocol';
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
