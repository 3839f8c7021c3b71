/** A pool of workers: each takes the next task as soon as it is free. Independent of what the workers do. */
export interface Pool<Task, Result> {
  /** Works through tasks in order; `onResult` is told of each result as it comes, in any order. Ends when all are done or `isStopped` says so. */
  run(
    tasks: Iterable<Task> | AsyncIterable<Task>,
    onResult: (task: Task, result: Result) => void,
    isStopped: () => boolean,
  ): Promise<void>;
}

/** Makes a pool. `workers` do one task at a time each. A task that a worker throws at is left out, and the others go on; `onFailure` is told. */
export function createPool<Task, Result>(
  workers: readonly ((task: Task) => Promise<Result>)[],
  onFailure: (task: Task, error: unknown) => void,
): Pool<Task, Result> {
  return {
    run: async (tasks, onResult, isStopped) => {
      const next = nextOf(tasks);
      const work = async (worker: (task: Task) => Promise<Result>): Promise<void> => {
        for (let taken = await next(); taken !== null && !isStopped(); taken = await next()) {
          const { task } = taken;
          try {
            const result = await worker(task);
            if (!isStopped()) onResult(task, result);
          } catch (error) {
            onFailure(task, error);
          }
        }
      };
      await Promise.all(workers.map(work));
    },
  };
}

/** Hands out the tasks one by one, also where several ask at once. */
function nextOf<Task>(tasks: Iterable<Task> | AsyncIterable<Task>): () => Promise<{ readonly task: Task } | null> {
  const iterator = Symbol.asyncIterator in tasks ? tasks[Symbol.asyncIterator]() : tasks[Symbol.iterator]();
  let last: Promise<unknown> = Promise.resolve();
  return () => {
    const mine = last.then(async () => {
      const { done, value } = await iterator.next();
      return done ? null : { task: value as Task };
    });
    last = mine;
    return mine;
  };
}
