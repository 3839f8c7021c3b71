'use client';

import { wrap, type Remote } from 'comlink';
import type { CoreService, EngraveService } from './protocol';

let core: Remote<CoreService> | null = null;
let engraver: Remote<EngraveService> | null = null;

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
