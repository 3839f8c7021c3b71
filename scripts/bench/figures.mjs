/** Times of so many runs of some work, ms, after as many to warm up. */
export function timed(runs, work) {
  for (let i = 0; i < runs; i += 1) work();
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

export function median(times) {
  return quantile(times, 0.5);
}

export function quantile(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
}
