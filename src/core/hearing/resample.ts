/** Takes sound in pieces of any length and gives it at another rate. */
export type Resampler = (chunk: Float32Array) => Float32Array;

/** How far a sound reaches around a sample, in periods of the lower rate, and how finely places between two samples are told apart. */
const LOBES = 16;
const PHASES = 256;

/** Sound at one rate from sound at another: each new sample is a sum of old ones, weighed by a windowed sinc that lets nothing above half of the lower rate pass.
 * What comes out lags behind by nothing: it begins with the first sample, and the last few wait for what comes next. Rates in samples a second; their ratio
 * may be any. */
export function createResampler(from: number, to: number): Resampler {
  const step = from / to;
  const reach = Math.ceil(LOBES * Math.max(1, step));
  const kernels = kernelsFor(step, reach);
  let kept: Float32Array = new Float32Array(reach);
  /** Where the next sample lies in what is kept. */
  let next = reach;
  return (chunk) => {
    const sound = new Float32Array(kept.length + chunk.length);
    sound.set(kept);
    sound.set(chunk, kept.length);
    const count = Math.max(0, Math.ceil((sound.length - reach - 1 - next) / step));
    const out = new Float32Array(count);
    for (let i = 0; i < count; i += 1) out[i] = sampleAt(sound, next + i * step, reach, kernels);
    next += count * step;
    const gone = Math.max(0, Math.floor(next) - reach);
    kept = sound.slice(gone);
    next -= gone;
    return out;
  };
}

function sampleAt(sound: Float32Array, place: number, reach: number, kernels: Float32Array): number {
  const first = Math.floor(place);
  const kernel = Math.round((place - first) * PHASES) * 2 * reach;
  let sum = 0;
  for (let i = 0; i < 2 * reach; i += 1)
    sum += (sound[first - reach + 1 + i] as number) * (kernels[kernel + i] as number);
  return sum;
}

/** One kernel for each place between two samples, the last being the next sample itself. */
function kernelsFor(step: number, reach: number): Float32Array {
  const width = Math.max(1, step);
  const kernels = new Float32Array((PHASES + 1) * 2 * reach);
  for (let phase = 0; phase <= PHASES; phase += 1) {
    const off = phase / PHASES;
    let sum = 0;
    for (let i = 0; i < 2 * reach; i += 1) {
      const far = i - reach + 1 - off;
      const x = far / width;
      const window = 0.5 + 0.5 * Math.cos(Math.PI * Math.min(1, Math.abs(far) / reach));
      const value = (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x)) * window;
      kernels[phase * 2 * reach + i] = value;
      sum += value;
    }
    for (let i = phase * 2 * reach; i < (phase + 1) * 2 * reach; i += 1) kernels[i] = (kernels[i] as number) / sum;
  }
  return kernels;
}
