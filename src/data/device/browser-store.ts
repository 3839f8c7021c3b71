/** What the browser promises of the studio: `kept` is not thrown away when room gets short; `unknown` where the browser says nothing of it. */
export type Promised = 'kept' | 'not promised' | 'unknown';

/** Asks the browser to keep the studio whatever happens. It may ask the teacher, or decide by itself. */
export async function askToPersist(): Promise<Promised> {
  const storage = browserStorage();
  if (!storage?.persist) return 'unknown';
  return (await storage.persist()) ? 'kept' : 'not promised';
}

/** How much room the studio takes and how much there is for it, in bytes; null where the browser does not say. */
export interface Room {
  readonly usedBytes: number;
  readonly leftBytes: number;
  readonly promised: Promised;
}

/** Chromium tells what of it is the studio; the rest is the application itself. */
interface DetailedEstimate extends StorageEstimate {
  readonly usageDetails?: { readonly indexedDB?: number };
}

export async function roomLeft(): Promise<Room | null> {
  const storage = browserStorage();
  if (!storage?.estimate) return null;
  const { usage, quota, usageDetails } = (await storage.estimate()) as DetailedEstimate;
  if (usage === undefined || quota === undefined) return null;
  const promised = storage.persisted ? ((await storage.persisted()) ? 'kept' : 'not promised') : 'unknown';
  return { usedBytes: usageDetails?.indexedDB ?? usage, leftBytes: Math.max(0, quota - usage), promised };
}

/** On pages without a secure connection the browser offers none of this. */
function browserStorage(): Partial<StorageManager> | undefined {
  return (navigator as { readonly storage?: Partial<StorageManager> }).storage;
}
