/** What a worker says once it is up: the name of the lock that it holds for as long as it lives. */
export interface Life {
  readonly life: string;
}

export function isLife(message: unknown): message is Life {
  return typeof message === 'object' && message !== null && typeof (message as Partial<Life>).life === 'string';
}

/** Called by a worker when it is up: holds a lock and says its name. The browser gives the lock free when the worker is gone, however it went. */
export function stayAlive(): void {
  const locks = (self.navigator as { readonly locks?: LockManager }).locks;
  if (!locks) return;
  const life = `new-thumb-worker-${crypto.randomUUID()}`;
  void locks.request(life, () => {
    (self as unknown as { readonly postMessage: (message: Life) => void }).postMessage({ life });
    return new Promise<never>(() => undefined);
  });
}
