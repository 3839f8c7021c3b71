/** The middle of some numbers; 0 of none. */
export function medianOf(numbers: readonly number[]): number {
  if (numbers.length === 0) return 0;
  const sorted = numbers.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const upper = sorted[middle] as number;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] as number) + upper) / 2;
}

/** How far numbers lie from their mean, as the standard deviation; 0 of fewer than two. */
export function spreadOf(numbers: readonly number[]): number {
  if (numbers.length < 2) return 0;
  const mean = numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
  return Math.sqrt(numbers.reduce((sum, one) => sum + (one - mean) ** 2, 0) / numbers.length);
}

/** A standard deviation that single outliers do not change: from the median of the distances. The factor is that of the normal distribution. */
export function steadySpreadOf(numbers: readonly number[]): number {
  const middle = medianOf(numbers);
  return 1.4826 * medianOf(numbers.map((one) => Math.abs(one - middle)));
}

/** How steep the straight line through points is that lies best, by least squares; null where they have one place only. */
export function slopeThrough(points: readonly { readonly x: number; readonly y: number }[]): number | null {
  const count = points.length;
  const meanX = points.reduce((sum, { x }) => sum + x, 0) / count;
  const meanY = points.reduce((sum, { y }) => sum + y, 0) / count;
  const square = points.reduce((sum, { x }) => sum + (x - meanX) ** 2, 0);
  if (count < 2 || square === 0) return null;
  return points.reduce((sum, { x, y }) => sum + (x - meanX) * (y - meanY), 0) / square;
}
