/** Puts together again what came in pieces with holes between them: where a device is too busy, the browser gives silence until the sound that is late arrives. */
export interface Mender {
  /** The next piece, without the holes. */
  readonly take: (chunk: Float32Array) => Float32Array;
  /** Where so much was missing that sound may be lost, in ms of what `take` gave. */
  readonly gaps: () => readonly number[];
}

/** A sound dies away; one that stops while it is this loud, and little softer than a moment ago, was cut. */
const LEAST_LOUD = 0.002;
const LITTLE_SOFTER = 0.4;
/** How slowly a level is forgotten, as now and as a moment ago. Unit: share a sample. */
const NOW = Math.exp(-1 / 256);
const A_MOMENT_AGO = Math.exp(-1 / 4096);
/** Fewer samples than this without any sound happen in every wave. */
const FEWEST = 16;
/** Browsers keep some hundredths of a second of what is late; of more, the rest may be lost. Unit: ms. */
const LATE_MS = 40;
/** More than this is no hole: the microphone itself was silent. Unit: ms. */
const SILENT_MS = 250;

/** Gaps that are not so far apart are told as one. Unit: ms. */
const APART_MS = 100;

/** `rate`: samples a second. */
export function createMender(rate: number): Mender {
  const longest = (SILENT_MS * rate) / 1000;
  const gaps: number[] = [];
  let given = 0;
  /** Samples without sound that may be a hole; null where there are none. */
  let open: number | null = null;
  let now = 0;
  let before = 0;
  /** Whether the sound broke off where it stands now. */
  const isCut = (): boolean => now > LEAST_LOUD && now > LITTLE_SOFTER * before;
  const tellGap = (): void => {
    const atMs = (given * 1000) / rate;
    const last = gaps.at(-1);
    if (last === undefined || atMs - last > APART_MS) gaps.push(atMs);
  };
  return {
    take: (chunk) => {
      const whole = new Float32Array(chunk.length + (open ?? 0));
      let filled = 0;
      const give = (sample: number): void => {
        whole[filled] = sample;
        filled += 1;
        given += 1;
        const loud = Math.abs(sample);
        now = Math.max(loud, now * NOW);
        before = Math.max(loud, before * A_MOMENT_AGO);
      };
      const giveSilence = (count: number): void => {
        for (let i = 0; i < count; i += 1) give(0);
      };
      for (const sample of chunk) {
        if (sample === 0 && (open !== null || isCut())) {
          open = (open ?? 0) + 1;
          if (open <= longest) continue;
          tellGap();
          giveSilence(open);
          open = null;
          continue;
        }
        if (open !== null && open < FEWEST) giveSilence(open);
        else if (open !== null && (open * 1000) / rate >= LATE_MS) tellGap();
        open = null;
        give(sample);
      }
      return whole.subarray(0, filled);
    },
    gaps: () => gaps,
  };
}
