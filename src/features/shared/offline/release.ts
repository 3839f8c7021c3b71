'use client';

import { ownAddress, SHELF } from '@/features/shared/address/own-address';
import { mixed, number, object } from 'yup';
import type { FromWorker, ToWorker } from '@/offline/files';
import { oneOf } from '@/contract/one-of';

/** How much of the application is in this browser. */
export type Kept =
  /** This browser cannot keep it, or not from this address. */
  | { readonly kind: 'impossible' }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'fetching'; readonly done: number; readonly of: number }
  | { readonly kind: 'whole' }
  | { readonly kind: 'failed'; readonly why: 'room' | 'network' };

/** Whether there is another release than the one of this page. */
export type Newer =
  | 'none'
  /** It is all there, and can be taken. */
  | 'ready'
  /** Another tab has taken it: this page goes on with its own until it is loaded again. */
  | 'elsewhere';

export interface ReleaseState {
  readonly kept: Kept;
  readonly newer: Newer;
}

const AT_FIRST: ReleaseState = { kept: { kind: 'waiting' }, newer: 'none' };

let state = AT_FIRST;
let isAsked = false;
const listeners = new Set<() => void>();

export function releaseState(): ReleaseState {
  return state;
}

export function onRelease(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

function become(change: Partial<ReleaseState>): void {
  state = { ...state, ...change };
  listeners.forEach((tell) => tell());
}

const WORKER = ownAddress('/service-worker.js');

/** The registration once it is wanted; null where this browser has none, or the page does not come from a build. */
let registered: Promise<ServiceWorkerRegistration | null> | null = null;

/** Whether this page was answered from a release that is kept. */
export function hasRelease(): boolean {
  return 'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;
}

/** Has the application kept in this browser, and looks whether a newer release is there. */
export function keepRelease(): Promise<ServiceWorkerRegistration | null> {
  registered ??= register();
  return registered;
}

async function register(): Promise<ServiceWorkerRegistration | null> {
  if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') {
    become({ kept: { kind: 'impossible' } });
    return null;
  }
  const { serviceWorker } = navigator;
  const hadOne = serviceWorker.controller !== null;
  if (hadOne) become({ kept: { kind: 'whole' } });
  serviceWorker.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
    if (isFromWorker(data)) hear(data);
  });
  serviceWorker.addEventListener('controllerchange', () => {
    if (!hadOne && state.kept.kind !== 'whole') become({ kept: { kind: 'whole' } });
    else if (isAsked) location.reload();
    else become({ newer: 'elsewhere' });
  });
  try {
    return watch(await serviceWorker.register(WORKER, { scope: SHELF, updateViaCache: 'none' }));
  } catch {
    // The server may be away: then what is kept goes on.
    if (!hadOne) become({ kept: { kind: 'failed', why: 'network' } });
    return (await serviceWorker.getRegistration()) ?? null;
  }
}

const fetchedSchema = object({
  kind: oneOf(['fetched']),
  done: number().integer().min(0).required(),
  of: number().integer().min(1).required(),
});
const failedSchema = object({
  kind: oneOf(['failed']),
  why: mixed().oneOf(['room', 'network']).required(),
});

function isFromWorker(data: unknown): data is FromWorker {
  return fetchedSchema.isValidSync(data, { strict: true }) || failedSchema.isValidSync(data, { strict: true });
}

function hear(said: FromWorker): void {
  // A newer release that is on its way is no matter of the teacher’s before it is there.
  if (state.kept.kind === 'whole') return;
  if (said.kind === 'fetched') become({ kept: { kind: 'fetching', done: said.done, of: said.of } });
  else become({ kept: { kind: 'failed', why: said.why } });
}

function watch(registration: ServiceWorkerRegistration): ServiceWorkerRegistration {
  const look = (): void => {
    if (registration.waiting && navigator.serviceWorker.controller) become({ newer: 'ready' });
  };
  look();
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look));
  return registration;
}

/** Takes the newer release: this page is loaded again with it. Everything that was done is in the studio already. */
export async function takeNewer(): Promise<void> {
  isAsked = true;
  const waiting = (await keepRelease())?.waiting;
  // Another tab may have been quicker.
  if (waiting) send(waiting, { kind: 'take-over' });
  else location.reload();
}

/** Asks the server for a newer release. Resolves with whether it could be asked; one that is found is told when all of it has come. */
export async function askForNewer(): Promise<'asked' | 'away'> {
  const registration = await keepRelease();
  if (!registration) return 'away';
  return registration.update().then(
    () => 'asked' as const,
    () => 'away' as const,
  );
}

/** The studio is open in this release: older ones are not needed any more. */
export function tellOpened(): void {
  if (!('serviceWorker' in navigator)) return;
  const { controller } = navigator.serviceWorker;
  if (controller) send(controller, { kind: 'opened' });
}

function send(worker: ServiceWorker, message: ToWorker): void {
  worker.postMessage(message);
}
