/** The threads behind the route handlers, with threads of pretence: what they do is told by the test. */
import { describe, expect, it } from '@jest/globals';
import { refuse } from '@/api/answers';
import { createAppointments } from '@/api/appointments';
import type { Answered, Job } from '@/api/job';
import { isLong } from '@/api/lanes';
import { createThreads, OUT_OF_MEMORY, type Thread, type ThreadLimits } from '@/api/threads';

const LIMITS: ThreadLimits = {
  ...{ threads: 2, waiting: 2, waitingEach: 2, waitMs: 10_000, jobMs: 10_000 },
  ...{ goneMs: 20, largeBytes: 1000 },
};
const STAYS = new AbortController().signal;

const jobNamed = (search: string, bytes = 0): Job => ({
  name: 'report',
  search,
  type: '',
  body: new Uint8Array(bytes),
});

interface Begun {
  readonly search: string;
  readonly done: () => void;
  readonly die: (why?: string) => void;
}

/** Threads that do nothing until they are told to. */
function pretence(limits: Partial<ThreadLimits> = {}) {
  const begun: Begun[] = [];
  /** Threads that died while they had nothing to do, by their numbers. */
  const dead = new Set<number>();
  let [started, ended] = [0, 0];
  const start = (): Thread => {
    started += 1;
    const mine = started;
    return {
      answer: ({ search }) =>
        new Promise<Answered>((resolve, reject) => {
          begun.push({
            search,
            done: () => resolve({ status: 200, headers: [['thread', String(mine)]], body: new Uint8Array() }),
            die: (why = 'gone') => reject(new Error(why)),
          });
        }),
      isAlive: () => !dead.has(mine),
      end: () => (ended += 1),
    };
  };
  const desk = createThreads(start, { ...LIMITS, ...limits }, () => ({ code: 'job.busy', seconds: 1 }));
  return {
    ask: (search: string, gone: AbortSignal = STAYS, name = 'somebody') =>
      desk.answer(jobNamed(search), { name, gone }),
    sends: (search: string, bytes: number) => desk.answer(jobNamed(search, bytes), { name: 'somebody', gone: STAYS }),
    begun: () => begun.map(({ search }) => search),
    of: (search: string) => begun.find((one) => one.search === search) as Begun,
    threads: () => ({ started, ended }),
    dies: (number: number) => dead.add(number),
  };
}

/** Lets everything go on that can. */
const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

describe('appointments', () => {
  it('are given to so many a second, and are forgotten once they are past', () => {
    let nowMs = 50_000;
    const { busy } = createAppointments(10, () => nowMs);
    const seconds = (): number => {
      const fault = busy();
      return fault.code === 'job.busy' ? fault.seconds : NaN;
    };
    expect(Array.from({ length: 25 }, seconds)).toEqual([
      ...Array(10).fill(1),
      ...Array(10).fill(2),
      ...Array(5).fill(3),
    ]);
    nowMs += 1_000;
    expect(seconds()).toBe(2);
    nowMs += 60_000;
    expect(seconds()).toBe(1);
  });
});

describe('threads', () => {
  it('are started as they are needed, and each takes the next job in order', async () => {
    const { ask, begun, of, threads } = pretence();
    const first = ask('a');
    await settled();
    of('a').done();
    expect(await first).toMatchObject({ ok: true, value: { status: 200 } });
    const more = ['b', 'c', 'd', 'e'].map((search) => ask(search));
    await settled();
    expect([begun(), threads().started]).toEqual([['a', 'b', 'c'], 2]);
    of('c').done();
    await settled();
    of('b').done();
    await settled();
    expect(begun()).toEqual(['a', 'b', 'c', 'd', 'e']);
    for (const search of ['d', 'e']) of(search).done();
    expect((await Promise.all(more)).every(({ ok }) => ok)).toBe(true);
    expect(threads()).toEqual({ started: 2, ended: 0 });
  });

  it('refuse a job where too many wait, with the time to come again', async () => {
    const { ask, of } = pretence();
    const waiting = ['a', 'b', 'c', 'd'].map((search) => ask(search));
    const refused = await ask('e');
    if (refused.ok) throw new Error('not refused');
    expect(refused.error.code).toBe('job.busy');
    const response = refuse(refused.error);
    expect([response.status, response.headers.get('retry-after')]).toEqual([503, '1']);
    for (const search of ['a', 'b', 'c', 'd']) {
      of(search).done();
      await settled();
    }
    expect((await Promise.all(waiting)).every(({ ok }) => ok)).toBe(true);
  });

  it('refuse a job that waited too long', async () => {
    const { ask, begun, of } = pretence({ threads: 1, waitMs: 20 });
    const first = ask('a');
    expect(await ask('b')).toMatchObject({ ok: false, error: { code: 'job.busy' } });
    of('a').done();
    expect(await first).toMatchObject({ ok: true });
    expect(begun()).toEqual(['a']);
  });

  it('do not begin what nobody waits for any more', async () => {
    const { ask, begun, of } = pretence({ threads: 1 });
    void ask('a');
    const caller = new AbortController();
    const left = ask('b', caller.signal);
    const last = ask('c');
    caller.abort();
    expect(await left).toMatchObject({ ok: false, error: { code: 'job.stopped' } });
    of('a').done();
    await settled();
    of('c').done();
    expect(await last).toMatchObject({ ok: true });
    expect(begun()).toEqual(['a', 'c']);
  });

  it('are ended over a job that takes too long; it is told so, and a fresh thread takes the next', async () => {
    const { ask, of, threads } = pretence({ threads: 1, jobMs: 20 });
    const long = ask('a');
    const next = ask('b');
    const refused = await long;
    if (refused.ok) throw new Error('not refused');
    expect(refused.error.code).toBe('job.too-long');
    const response = refuse(refused.error);
    expect([response.status, Number(response.headers.get('retry-after')) > 0]).toEqual([503, true]);
    await settled();
    of('b').done();
    expect(await next).toMatchObject({ ok: true, value: { headers: [['thread', '2']] } });
    expect(threads()).toEqual({ started: 2, ended: 1 });
  });

  it('do not begin what nobody waits for from the start', async () => {
    const { ask, begun } = pretence();
    expect(await ask('a', AbortSignal.abort())).toMatchObject({ ok: false, error: { code: 'job.stopped' } });
    expect(begun()).toEqual([]);
  });

  it('that died while they had nothing to do are not asked', async () => {
    const { ask, of, dies, threads } = pretence({ threads: 1 });
    const first = ask('a');
    await settled();
    of('a').done();
    await first;
    dies(1);
    const second = ask('b');
    await settled();
    of('b').done();
    expect(await second).toMatchObject({ ok: true, value: { headers: [['thread', '2']] } });
    expect(threads().started).toBe(2);
  });

  it('that die are replaced, and their job alone is refused', async () => {
    const { ask, of } = pretence({ threads: 1 });
    const [killed, next] = [ask('a'), ask('b')];
    await settled();
    of('a').die();
    const refused = await killed;
    if (refused.ok) throw new Error('not refused');
    expect([refused.error.code, refuse(refused.error).status]).toEqual(['job.failed', 500]);
    await settled();
    of('b').done();
    expect(await next).toMatchObject({ ok: true });
    const later = ask('c');
    await settled();
    of('c').done();
    expect(await later).toMatchObject({ ok: true });
  });

  it('give each caller a turn after all the others had one, however much one of them asks', async () => {
    const { ask, begun, of } = pretence({ threads: 1, waiting: 10, waitingEach: 3 });
    const all = [
      ...['g1', 'g2', 'g3', 'g4'].map((search) => ask(search, STAYS, 'greedy')),
      ...['a1', 'a2'].map((search) => ask(search, STAYS, 'ada')),
      ask('b1', STAYS, 'ben'),
    ];
    // A line of one caller is only so long.
    expect(await ask('g5', STAYS, 'greedy')).toMatchObject({ ok: false, error: { code: 'job.busy' } });
    for (let i = 0; i < all.length; i += 1) {
      await settled();
      of(begun()[i] as string).done();
    }
    await Promise.all(all);
    expect(begun()).toEqual(['g1', 'g2', 'a1', 'b1', 'g3', 'a2', 'g4']);
  });

  it('drop the work of a caller who has gone, after a while', async () => {
    const { ask, of, threads } = pretence({ threads: 1 });
    const caller = new AbortController();
    const left = ask('a', caller.signal);
    const next = ask('b');
    await settled();
    caller.abort();
    expect(await left).toMatchObject({ ok: false, error: { code: 'job.stopped' } });
    await settled();
    of('b').done();
    expect(await next).toMatchObject({ ok: true });
    expect(threads()).toEqual({ started: 2, ended: 1 });
  });

  it('that want too much memory are replaced, and it is the piece that is refused', async () => {
    const { ask, of } = pretence({ threads: 1 });
    const large = ask('a');
    await settled();
    of('a').die(OUT_OF_MEMORY);
    const refused = await large;
    if (refused.ok) throw new Error('not refused');
    expect([refused.error.code, refuse(refused.error).status]).toEqual(['job.too-large', 413]);
  });

  it('that worked on something large give back what they took of memory', async () => {
    const { sends, of, threads } = pretence({ threads: 1 });
    const large = sends('a', 1000);
    await settled();
    of('a').done();
    expect(await large).toMatchObject({ ok: true });
    expect(threads()).toEqual({ started: 1, ended: 1 });
  });
});

describe('what takes long', () => {
  const bytes = (text: string, length: number): Uint8Array<ArrayBuffer> =>
    new TextEncoder().encode(text.padEnd(length, ' '));
  it.each([
    ['report', '<score-partwise>', 13_000, false],
    ['report', '<score-partwise>', 300_000, true],
    ['transpose', 'X:1\n', 1_000, false],
    ['transpose', 'X:1\n', 18_000, true],
    ['ladder', '<?xml', 13_000, false],
    ['ladder', '<?xml', 50_000, true],
    ['handout', '<?xml', 13_000, true],
    ['report', 'MThd', 20_000, true],
  ] as const)('is known before it is begun: %s of %s, %i bytes: %s', (name, text, length, isSo) => {
    expect(isLong({ name, body: bytes(text, length) })).toBe(isSo);
  });
});
