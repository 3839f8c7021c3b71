'use client';

import type { EarService } from './ear-protocol';
import type { EntryService } from './entry-protocol';
import type { FitService } from './fit-service';
import type { Asked } from './guarded';
import type { CoreService, EngraveService } from './protocol';
import { startWorker } from './start-worker';
import type { PrintService } from './print-protocol';
import type { StoreService } from './store-service';
import { supervised } from './supervised';

const CORE_QUESTIONS = [
  'ready',
  'bringIn',
  'regrid',
  'shelf',
  'bench',
  'positions',
  'performances',
  'chords',
  'fingers',
  'partner',
  'choices',
  'ladder',
  'survey',
  'stages',
  'stageAsPiece',
  'namedBars',
  'stageTable',
  'practice',
  'judge',
  'credit',
  'simulate',
  'steps',
  'parts',
  'askedMusic',
  'playedFile',
  'keysOfPlayedFile',
  'stop',
  'sideBySide',
  'atlasCard',
  'plannerDiffers',
  'drill',
  'notes',
  'pieceSheet',
  'keySheet',
  'weekSheet',
  'save',
] as const satisfies readonly (keyof CoreService)[];
const ENTRY_QUESTIONS = [
  'create',
  'open',
  'press',
  'setOut',
  'abc',
  'abcDone',
  'undoOrRedoKept',
  'played',
] as const satisfies readonly (keyof EntryService)[];
const ENGRAVE_QUESTIONS = ['ready', 'engrave'] as const satisfies readonly (keyof EngraveService)[];

const core = supervised<CoreService>(
  startWorker(() => new Worker(new URL('./core.worker', import.meta.url), { type: 'module' })),
  CORE_QUESTIONS,
);
const engraver = supervised<EngraveService>(
  startWorker(() => new Worker(new URL('./engrave.worker', import.meta.url), { type: 'module' })),
  ENGRAVE_QUESTIONS,
);
const entry = supervised<EntryService>(
  startWorker(() => new Worker(new URL('./entry.worker', import.meta.url), { type: 'module' })),
  ENTRY_QUESTIONS,
);

const store = supervised<StoreService>(
  startWorker(() => new Worker(new URL('./store.worker', import.meta.url), { type: 'module' })),
  ['ready', 'enter', 'remember', 'recall', 'forget'],
);

/** The keeping of what is entered, in a worker of its own. */
export function storeWorker(): Asked<StoreService> {
  return store;
}

const ear = supervised<EarService>(
  startWorker(() => new Worker(new URL('./ear.worker', import.meta.url), { type: 'module' })),
  ['begin', 'hear', 'end', 'tune', 'hearNote', 'tuningOf'],
);

/** The ear, in its worker. Started when a microphone is first listened to, and kept. */
export function earWorker(): Asked<EarService> {
  return ear;
}

const printer = supervised<PrintService>(
  startWorker(() => new Worker(new URL('./print.worker', import.meta.url), { type: 'module' })),
  ['layOut', 'pdf', 'stop'],
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
      startWorker(() => new Worker(new URL('./fit.worker', import.meta.url), { type: 'module' })),
      ['fit'],
    ),
  );
  return fitters[which % fitters.length] as Asked<FitService>;
}
