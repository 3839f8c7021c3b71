/** What comes of some work, or null where it takes longer. Whatever it comes to later is let go. */
export async function inTime<T>(work: Promise<T>, ms: number): Promise<T | null> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, ms, null);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}
