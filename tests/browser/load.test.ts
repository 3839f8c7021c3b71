/** What two hundred callers at once saw of the server that all browser tests go on with. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { array, boolean, mixed, number, object, string, type InferType } from 'yup';

const seenSchema = object({
  answers: number().required(),
  hostile: number().required(),
  left: number().required(),
  wrong: array(string().required()).required(),
  health: object({ asked: number().required(), unanswered: number().required() }).required(),
  ended: object({ status: number().required(), isFree: boolean().required() }).required(),
  sieges: array(
    object({
      kind: string().required(),
      good: object({
        asked: number().required(),
        inTime: number().required(),
        statuses: mixed().required(),
      }).required(),
      besiegers: mixed<Readonly<Record<string, number>>>().required(),
      longest: object({ body: number().required(), head: number().required() }).required(),
      memoryMb: number().nullable().defined(),
      health: object({ asked: number().required(), unanswered: number().required(), p99Ms: number().required() }),
    }).required(),
  ).required(),
});

let seen: InferType<typeof seenSchema>;

beforeAll(() => {
  const place = process.env['NEW_THUMB_LOAD'];
  if (place === undefined) throw new Error('the callers have not been there: see support/serve.mjs');
  seen = seenSchema.validateSync(JSON.parse(readFileSync(place, 'utf8')));
});

describe('two hundred callers at once, a tenth of them with ill will', () => {
  it('got the right answers, each compared with what the core says, or a time to come again', () => {
    expect(seen.wrong).toEqual([]);
    expect(seen.answers).toBeGreaterThan(20);
  });

  it('were refused what was no piece, and might hang up, without harm to anybody', () => {
    expect(seen.hostile).toBeGreaterThan(0);
    expect(seen.left).toBeGreaterThan(0);
  });

  it('never kept the server from saying that it is up', async () => {
    expect(seen.health.asked).toBeGreaterThan(10);
    expect(seen.health.unanswered).toBe(0);
    const answer = await fetch(`${process.env['NEW_THUMB_ADDRESS']}/api/health`);
    expect(answer.status).toBe(200);
  });
});

describe('a server that is told to end', () => {
  it('gives the answer that it owes, and leaves nothing on its port', () => {
    expect(seen.ended).toEqual({ status: 200, isFree: true });
  });
});

function missing(kind: string): never {
  throw new Error(`there was no siege of the kind ${kind}`);
}

describe('forty good callers', () => {
  const besieged = (kind: string): (typeof seen)['sieges'][number] =>
    seen.sieges.find((one) => one.kind === kind) ?? missing(kind);

  it.each(['greedy', 'dripping', 'large'])('beside %s ones are answered in time', (kind) => {
    const { good, memoryMb, health } = besieged(kind);
    expect({ kind, good, isInTime: good.inTime >= 0.95 * good.asked }).toMatchObject({ isInTime: true });
    expect(good.asked).toBeGreaterThan(40);
    expect({ kind, memoryMb, isWithin: (memoryMb ?? 0) <= 600 }).toMatchObject({ isWithin: true });
    expect({ kind, health, isPrompt: health.unanswered === 0 && health.p99Ms <= 300 }).toMatchObject({
      isPrompt: true,
    });
  });

  it('are never mixed up with those who send drop by drop: half a head is cut off after ten seconds', () => {
    const { besiegers, longest } = besieged('dripping');
    expect(besiegers['half heads cut off']).toBeGreaterThan(0);
    expect(longest.head).toBeLessThan(13_000);
  });

  it('and those who send too much hear of it: no line is cut while they send', () => {
    const { besiegers } = besieged('large');
    expect(Object.keys(besiegers).filter((status) => !['422', '503'].includes(status))).toEqual([]);
    expect(besiegers['503']).toBeGreaterThan(0);
  });
});
