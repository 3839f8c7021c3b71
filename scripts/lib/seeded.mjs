/** Numbers from 0 up to 1, the same from a seed on every machine. */
export function seeded(seed) {
  let state = seed;
  return () => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return state / 2147483648;
  };
}
