/** A piano of plain waves: overtones that die away, and nothing else. Enough where it does not matter which piano it is. */
export interface PlainStroke {
  readonly midi: number;
  readonly atMs: number;
  readonly lengthMs: number;
}

export function plainPiano(strokes: readonly PlainStroke[], rate: number, cents = 0): Float32Array {
  const endMs = Math.max(...strokes.map(({ atMs, lengthMs }) => atMs + lengthMs)) + 500;
  const sound = new Float32Array(Math.ceil((endMs * rate) / 1000));
  for (const { midi, atMs, lengthMs } of strokes) {
    const hz = 440 * 2 ** ((midi - 69 + cents / 100) / 12);
    const from = Math.round((atMs * rate) / 1000);
    const length = Math.round((lengthMs * rate) / 1000);
    for (let i = 0; i < length; i += 1) {
      const t = i / rate;
      const fade = Math.min(1, i / (0.002 * rate)) * Math.min(1, (length - i) / (0.02 * rate)) * Math.exp(-2 * t);
      for (let partial = 1; partial <= 8 && partial * hz < rate / 2; partial += 1)
        sound[from + i] =
          (sound[from + i] ?? 0) + (0.1 * fade * Math.sin(2 * Math.PI * partial * hz * t)) / partial ** 1.3;
    }
  }
  return sound;
}
