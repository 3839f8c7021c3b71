import { afterEach, describe, expect, it } from '@jest/globals';
import { expose, proxy, wrap } from 'comlink';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { number } from 'yup';
import { CALLED_BACK, type Checks } from '@/contract/checks';
import { guarded } from './guarded';
import type { Answer } from '@/contract/answer';
import { supervised, type Running } from './supervised';

interface Sums {
  add(a: number, b: number): Answer<number>;
  fail(): Answer<number>;
  count(to: number, onStep: (step: number) => void): Promise<Answer<number>>;
}

const ports: MessagePort[] = [];
afterEach(() => ports.splice(0).forEach((port) => port.close()));

/** Node's ports as comlink wants them. */
function endpoint(port: MessagePort) {
  ports.push(port);
  const listeners = new Map<unknown, (data: unknown) => void>();
  return {
    postMessage: (message: unknown, transfer: readonly never[] = []) => port.postMessage(message, transfer),
    addEventListener: (_: string, listener: (event: never) => void) => {
      const hear = (data: unknown): void => listener({ data } as never);
      listeners.set(listener, hear);
      port.on('message', hear);
    },
    removeEventListener: (_: string, listener: unknown) =>
      void port.off('message', listeners.get(listener) ?? (() => undefined)),
    start: () => port.start(),
  };
}

const good: Sums = {
  add: (a, b) => ({ ok: true, value: a + b }),
  fail: () => {
    throw new TypeError('a fault of ours');
  },
  count: async (to, onStep) => {
    for (let step = 1; step <= to; step += 1) onStep(step);
    return { ok: true, value: to };
  },
};

/** A worker in one thread, over a channel as between two. */
function run(service: Sums): Running<Sums> {
  const { port1, port2 } = new MessageChannel();
  expose(guarded<Sums>(service, CHECKS), endpoint(port1) as never);
  return { service: wrap(endpoint(port2) as never) as never, stop: () => port1.close() };
}

const CHECKS: Checks<Sums> = {
  add: [number().required(), number().required()],
  fail: [],
  count: [number().required(), CALLED_BACK],
};

describe('a guarded service', () => {
  it('answers whatever happens inside it, over the channel too', async () => {
    const asked = supervised<Sums>(() => run(good));
    expect(await asked.add(1, 2)).toEqual({ ok: true, value: 3 });
    expect(await asked.fail()).toMatchObject({
      ok: false,
      trouble: { code: 'worker.broken', hint: expect.stringContaining('Everything is kept') },
    });
  });

  it('is not asked what it would not understand', async () => {
    const asked = supervised<Sums>(() => run(good));
    expect(await asked.add(1, 'two' as never)).toMatchObject({ ok: false, trouble: { code: 'worker.question' } });
  });

  it('tells of the work on the way', async () => {
    const told: number[] = [];
    const asked = supervised<Sums>(() => run(good));
    // What is told comes by a channel of its own: it is all there, though not before the answer.
    await new Promise<void>((all) => {
      const tell = (step: number): void => {
        told.push(step);
        if (step === 3) all();
      };
      void asked.count(3, proxy(tell));
    });
    expect(told).toEqual([1, 2, 3]);
  });
});

describe('a supervised worker', () => {
  /** Workers that die as soon as they are asked, so many times. */
  function dying(times: number) {
    const started: number[] = [];
    const asked = supervised<Sums>((onDeath) => {
      started.push(started.length);
      if (started.length > times) return run(good);
      const silent = { add: () => new Promise<never>(() => setImmediate(onDeath)) } as never;
      return { service: silent, stop: () => undefined };
    });
    return { asked, started };
  }

  it('is started with the first question, and not before', async () => {
    const { asked, started } = dying(0);
    expect(started).toHaveLength(0);
    await asked.add(1, 1);
    await asked.add(1, 1);
    expect(started).toHaveLength(1);
  });

  it('that dies is started again, and every open question is asked once more', async () => {
    const { asked, started } = dying(1);
    expect(await Promise.all([asked.add(1, 2), asked.add(3, 4)])).toEqual([
      { ok: true, value: 3 },
      { ok: true, value: 7 },
    ]);
    expect(started).toHaveLength(2);
  });

  it('that dies over the same question twice says so, and works for the next', async () => {
    const { asked } = dying(2);
    expect(await asked.add(1, 2)).toMatchObject({
      ok: false,
      trouble: { code: 'worker.died', hint: expect.stringContaining('Reload') },
    });
    expect(await asked.add(1, 2)).toEqual({ ok: true, value: 3 });
  });
});
