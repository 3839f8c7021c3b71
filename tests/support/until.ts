/** How long is waited at most for what is to come. Unit: ms. */
const MOST_MS = 10_000;

/** Waits until something is so; told what it was instead where that does not come. */
export async function until<T>(look: () => T, wanted: T): Promise<void> {
  const end = performance.now() + MOST_MS;
  while (!Object.is(look(), wanted)) {
    if (performance.now() > end)
      throw new Error(`it is ${JSON.stringify(look())}, and ${JSON.stringify(wanted)} was waited for`);
    await new Promise((resolve) => setImmediate(resolve));
  }
}
