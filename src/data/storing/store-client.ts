'use client';

import type { Asked } from '@/crossing/guarded';
import { startWorker } from '@/crossing/start-worker';
import { supervised } from '@/crossing/supervised';
import type { StoreService } from './store-service';

const store = supervised<StoreService>(
  startWorker(() => new Worker(new URL('./store.worker', import.meta.url), { type: 'module' })),
);

/** The keeping of what is entered, in a worker of its own. */
export function storeWorker(): Asked<StoreService> {
  return store;
}
