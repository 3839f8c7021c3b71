/** A caller who sends drop by drop keeps nobody else waiting, and takes up no more room than the drops. */
import { describe, expect, it } from '@jest/globals';
import { refuse } from '@/api/answers';
import { readBody } from '@/api/body';
import { createRoom, type Visit } from '@/api/room';

const PACE = { wholeMs: 200, pauseMs: 30 };

/** Sends a drop every so often, without an end; tells when it is given up. */
function dripping(everyMs: number): { readonly body: ReadableStream<Uint8Array>; readonly givenUp: Promise<true> } {
  let tell: (isGivenUp: true) => void = () => undefined;
  const givenUp = new Promise<true>((resolve) => {
    tell = resolve;
  });
  let timer: ReturnType<typeof setInterval> | undefined;
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => {
      const drop = () => controller.enqueue(new TextEncoder().encode('<'));
      drop();
      timer = setInterval(drop, everyMs);
    },
    cancel: () => {
      clearInterval(timer);
      tell(true);
    },
  });
  return { body, givenUp };
}

const sent = (body: BodyInit): Request =>
  new Request('http://localhost/api/transpose', { method: 'POST', body, duplex: 'half' } as RequestInit);

const busy = () => ({ code: 'job.busy', seconds: 1 }) as const;

const LIMITS = { bytes: 1024, each: 1024, kept: 0, small: 1024, waitMs: 20 };
const visitOf = (): Visit => createRoom(LIMITS).enter('somebody');
const from = (visit: Visit, body: BodyInit, small = 1024) =>
  readBody({ request: sent(body), files: 1, visit, small, busy, pace: PACE });

it.each([
  ['does not go on', 10_000],
  ['goes on and on', 5],
])('a piece that %s is given up, and told in words', async (_how, everyMs) => {
  const { body, givenUp } = dripping(everyMs);
  const read = await from(visitOf(), body);
  expect(read).toMatchObject({ ok: false, error: { code: 'query.slow' } });
  expect(await givenUp).toBe(true);
  if (read.ok) throw new Error('read');
  const refused = refuse(read.error);
  expect(refused.status).toBe(408);
  expect(await refused.json()).toMatchObject({
    error: { code: 'query.slow', message: expect.stringContaining('whole') },
  });
});

const noise = (bytes: number): Uint8Array<ArrayBuffer> => new Uint8Array(bytes).fill(60);

describe('the room for what is sent', () => {
  it('is for so many bytes of all callers together, and there again once one has gone', async () => {
    const room = createRoom({ ...LIMITS, bytes: 100 });
    const [first, second] = [room.enter('ada'), room.enter('ben')];
    expect(await from(first, noise(60))).toMatchObject({ ok: true });
    expect(await from(second, noise(60))).toMatchObject({ ok: false, error: { code: 'job.busy' } });
    first.leave();
    first.leave();
    expect(await from(second, noise(60))).toMatchObject({ ok: true });
  });

  it('has a share for each caller, beyond which what is large is refused; what is small comes in beside it', () => {
    const room = createRoom({ bytes: 1000, each: 300, kept: 100, small: 20, waitMs: 20 });
    const takes = (caller: string, bytes: number): boolean => room.enter(caller).take(bytes);
    expect(takes('greedy', 200)).toBe(true);
    expect([takes('greedy', 200), takes('greedy', 20), takes('other', 200)]).toEqual([false, true, true]);
    expect([takes('third', 300), takes('fourth', 180), takes('fourth', 181)]).toEqual([true, true, false]);
    // Some of it is kept for what is small.
    expect(Array.from({ length: 9 }, () => takes('fifth', 20)).filter(Boolean)).toHaveLength(5);
  });

  it('is waited for by what is large, before any of it is read; for so long', async () => {
    const room = createRoom({ ...LIMITS, bytes: 100, each: 100 });
    const [first, second, third] = ['ada', 'ben', 'eve'].map((name) => room.enter(name)) as [Visit, Visit, Visit];
    expect(await first.wait(80)).toBe(true);
    expect(await second.wait(80)).toBe(false);
    const waits = third.wait(80);
    first.leave();
    expect(await waits).toBe(true);
  });

  it('refuses only once all that is on its way has come: nobody is cut off while sending', async () => {
    const room = createRoom({ ...LIMITS, bytes: 100 });
    let sentAll = false;
    const body = new ReadableStream<Uint8Array>({
      start: (controller) => {
        for (let i = 0; i < 10; i += 1) controller.enqueue(noise(50));
        controller.close();
        sentAll = true;
      },
    });
    expect(await from(room.enter('ada'), body)).toMatchObject({ ok: false, error: { code: 'job.busy' } });
    expect([sentAll, body.locked]).toEqual([true, true]);
  });
});
