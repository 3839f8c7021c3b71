/** A caller who sends drop by drop keeps nobody else waiting, and takes up no more room than the drops. */
import { expect, it } from '@jest/globals';
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

const visitOf = (bytes = 1024): Visit => createRoom({ bodies: 1, bytes }).enter() as Visit;

it.each([
  ['does not go on', 10_000],
  ['goes on and on', 5],
])('a piece that %s is given up, and told in words', async (_how, everyMs) => {
  const { body, givenUp } = dripping(everyMs);
  const read = await readBody({ request: sent(body), files: 1, visit: visitOf(), busy, pace: PACE });
  expect(read).toMatchObject({ ok: false, error: { code: 'query.slow' } });
  expect(await givenUp).toBe(true);
  if (read.ok) throw new Error('read');
  const refused = refuse(read.error);
  expect(refused.status).toBe(408);
  expect(await refused.json()).toMatchObject({
    error: { code: 'query.slow', message: expect.stringContaining('whole') },
  });
});

it('there is room for so many bytes of all callers together, and again once one has gone', async () => {
  const room = createRoom({ bodies: 2, bytes: 100 });
  const [first, second] = [room.enter() as Visit, room.enter() as Visit];
  expect(room.enter()).toBeNull();
  const read = (visit: Visit, bytes: number) =>
    readBody({ request: sent(new Uint8Array(bytes).fill(60)), files: 1, visit, busy, pace: PACE });
  expect(await read(first, 60)).toMatchObject({ ok: true });
  expect(await read(second, 60)).toMatchObject({ ok: false, error: { code: 'job.busy' } });
  first.leave();
  first.leave();
  expect(await read(second, 60)).toMatchObject({ ok: true });
  expect([room.enter() === null, room.enter()]).toEqual([false, null]);
});
