/** What two hundred callers at once saw of the server that all browser tests go on with. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { array, number, object, string, type InferType } from 'yup';

const seenSchema = object({
  answers: number().required(),
  hostile: number().required(),
  left: number().required(),
  wrong: array(string().required()).required(),
  health: object({ asked: number().required(), unanswered: number().required() }).required(),
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
