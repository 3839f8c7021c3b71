import { DIED } from './trouble';
import type { Asked } from './guarded';
import type { Answer } from '@/contract/answer';

/** A worker that runs: its service at the other end, and how to end it. */
export interface Running<S> {
  readonly service: Asked<S>;
  readonly stop: () => void;
}

/** Starts a worker; `onDeath` is to be told once when it is no more, for whatever reason. */
export type Start<S> = (onDeath: () => void) => Running<S>;

/** A service in a worker that is started with the first question, and started again when it dies. A question that it died over is asked once more,
 * and then told as a refusal. None is left open. */
export function supervised<S extends object>(start: Start<S>): Asked<S> {
  let running: Running<S> | null = null;
  const open = new Set<() => void>();

  const worker = (): Running<S> => {
    if (running) return running;
    const mine = start(() => {
      if (running !== mine) return;
      running = null;
      mine.stop();
      for (const died of [...open]) died();
    });
    running = mine;
    return mine;
  };

  const once = async (name: keyof S & string, question: readonly unknown[]): Promise<Answer<unknown> | 'died'> => {
    let died: () => void = () => undefined;
    const death = new Promise<'died'>((resolve) => {
      died = () => resolve('died');
    });
    open.add(died);
    try {
      const ask = worker().service[name] as (...question: readonly unknown[]) => Promise<Answer<unknown>>;
      return await Promise.race([ask(...question), death]);
    } catch {
      return 'died';
    } finally {
      open.delete(died);
    }
  };

  const ask = async (name: keyof S & string, question: readonly unknown[]): Promise<Answer<unknown>> => {
    const first = await once(name, question);
    if (first !== 'died') return first;
    const second = await once(name, question);
    return second === 'died' ? { ok: false, trouble: DIED } : second;
  };

  const questions = new Map<string, (...question: readonly unknown[]) => Promise<Answer<unknown>>>();
  return new Proxy({} as Asked<S>, {
    get: (_, name) => {
      if (typeof name !== 'string') return undefined;
      const asked = questions.get(name) ?? ((...question) => ask(name as keyof S & string, question));
      questions.set(name, asked);
      return asked;
    },
  });
}
