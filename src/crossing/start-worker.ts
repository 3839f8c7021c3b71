import { wrap } from 'comlink';
import { isLife } from './alive';
import type { Start } from './supervised';

/** How a worker of the browser is started. That it died is known from its last error, and, where the browser has locks, from the lock that it holds as
 * long as it lives: a worker that ends itself or is ended says nothing. */
export function startWorker<S>(make: () => Worker): Start<S> {
  return (onDeath) => {
    const worker = make();
    let isOver = false;
    const over = (): void => {
      if (!isOver) onDeath();
      isOver = true;
    };
    worker.addEventListener('error', over);
    worker.addEventListener('messageerror', over);
    const hear = ({ data }: MessageEvent<unknown>): void => {
      if (!isLife(data)) return;
      worker.removeEventListener('message', hear);
      // Whoever gets the lock after the worker knows that it is gone.
      void navigator.locks.request(data.life, over);
    };
    worker.addEventListener('message', hear);
    return { service: wrap(worker) as never, stop: () => worker.terminate() };
  };
}
