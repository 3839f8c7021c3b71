import { describe, expect, it } from '@jest/globals';
import { createPool } from './pool';

const NEVER = () => false;

describe('a pool', () => {
  it('works through all tasks, each once, as many at a time as it has workers', async () => {
    let [atWork, most] = [0, 0];
    const worker = async (task: number): Promise<number> => {
      atWork += 1;
      most = Math.max(most, atWork);
      await new Promise((go) => setImmediate(go));
      atWork -= 1;
      return task * task;
    };
    const found = new Map<number, number>();
    await createPool([worker, worker, worker], () => undefined).run(
      [1, 2, 3, 4, 5, 6, 7],
      (task, result) => found.set(task, result),
      NEVER,
    );
    expect([...found].toSorted(([a], [b]) => a - b)).toEqual([1, 2, 3, 4, 5, 6, 7].map((n) => [n, n * n]));
    expect(most).toBe(3);
  });

  it('takes tasks that come one by one, without asking for more than it works on', async () => {
    let given = 0;
    async function* tasks(): AsyncGenerator<number> {
      while (given < 5) yield (given += 1);
    }
    const seen: number[] = [];
    await createPool(
      [(task: number) => Promise.resolve(task), (task: number) => Promise.resolve(task)],
      () => undefined,
    ).run(tasks(), (task) => seen.push(task), NEVER);
    expect(seen.toSorted()).toEqual([1, 2, 3, 4, 5]);
  });

  it('stops between tasks, and tells no result after that', async () => {
    const seen: number[] = [];
    await createPool([(task: number) => Promise.resolve(task)], () => undefined).run(
      [1, 2, 3, 4],
      (task) => seen.push(task),
      () => seen.length === 2,
    );
    expect(seen).toEqual([1, 2]);
  });

  it('goes on without a task at which a worker fails, and says which', async () => {
    const [seen, failed]: [number[], number[]] = [[], []];
    const worker = (task: number): Promise<number> =>
      task === 2 ? Promise.reject(new Error('no piece')) : Promise.resolve(task);
    await createPool([worker], (task) => failed.push(task)).run([1, 2, 3], (task) => seen.push(task), NEVER);
    expect([seen, failed]).toEqual([[1, 3], [2]]);
  });
});
