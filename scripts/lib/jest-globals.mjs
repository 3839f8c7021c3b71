// What `@jest/globals` gives to tests that run in plain Node: the functions of the runner, each test and hook with a limit of time.
const LIMIT_MS = 180_000;

const {
  describe,
  expect,
  it: test,
  beforeAll: first,
  afterAll: last,
  beforeEach: before,
  afterEach: after,
} = globalThis;

/** The same work; it fails where it is not done in time. */
function inTime(work, limitMs = LIMIT_MS) {
  return (...given) => {
    let timer;
    const late = new Promise((_resolve, reject) => {
      timer = setTimeout(() => reject(new Error(`not done within ${limitMs} ms`)), limitMs);
    });
    const done = Promise.resolve().then(() => work(...given));
    return Promise.race([done, late]).finally(() => clearTimeout(timer));
  };
}

export { describe, expect };
export const it = Object.assign((name, work, limitMs) => test(name, inTime(work, limitMs)), {
  each:
    (...table) =>
    (name, work, limitMs) =>
      test.each(...table)(name, inTime(work, limitMs)),
});
export const beforeAll = (work, limitMs) => first(inTime(work, limitMs));
export const afterAll = (work, limitMs) => last(inTime(work, limitMs));
export const beforeEach = (work, limitMs) => before(inTime(work, limitMs));
export const afterEach = (work, limitMs) => after(inTime(work, limitMs));
