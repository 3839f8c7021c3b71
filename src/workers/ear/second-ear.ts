import type { GraphModel } from '@tensorflow/tfjs-converter';
import {
  MODEL_KEYS,
  SKIPPED_FRAMES,
  USED_FRAMES,
  WINDOW,
  WINDOW_LEAD,
  WINDOW_STEP,
  type Posteriors,
} from '@/core/hearing';

/** Listens to a whole recording once it is over. */
export interface SecondEar {
  /** `sound` at the core's `HEARD_RATE`, in usual tuning. `onPart` is told how far it is, from 0 to 1; between two windows others have their turn. */
  readonly listen: (sound: Float32Array, onPart: (share: number) => void) => Promise<Posteriors>;
}

/** Where the files of the ear are: `read` gives one by its name, `runtime` is the address of the folder that the runtime's own files are fetched from. */
export interface EarFiles {
  readonly read: (name: string) => Promise<Uint8Array>;
  readonly runtime: string;
}

/** The model's outputs: how likely each key sounds, and how likely it begins. Source: the package’s own inference. */
const SOUNDING = 'Identity_1';
const ONSETS = 'Identity_2';

interface ModelFile {
  readonly modelTopology: object;
  readonly weightsManifest: readonly { readonly weights: never[] }[];
}

/** Makes the ear that listens afterwards: the runtime and the model are loaded now, and not before. */
export async function createSecondEar({ read, runtime }: EarFiles): Promise<SecondEar> {
  const [tensors, { loadGraphModel }, { setWasmPaths }] = await Promise.all([
    import('@tensorflow/tfjs-core'),
    import('@tensorflow/tfjs-converter'),
    import('@tensorflow/tfjs-backend-wasm'),
  ]);
  setWasmPaths(runtime);
  // One thread is enough after the piece, and needs no worker from a text.
  tensors.env().set('WASM_HAS_MULTITHREAD_SUPPORT', false);
  if (!(await tensors.setBackend('wasm'))) throw new Error('the runtime of the second ear did not start');
  const file = JSON.parse(new TextDecoder().decode(await read('model.json'))) as ModelFile;
  const weights = await read('group1-shard1of1.bin');
  const model = await loadGraphModel({
    load: () =>
      Promise.resolve({
        modelTopology: file.modelTopology,
        weightSpecs: file.weightsManifest.flatMap((group) => group.weights),
        weightData: weights.slice().buffer,
      }),
  });
  return { listen: (sound, onPart) => listenTo(sound, { tensors, model, onPart }) };
}

interface Model {
  readonly tensors: typeof import('@tensorflow/tfjs-core');
  readonly model: GraphModel;
  readonly onPart: (share: number) => void;
}

/** Window after window: each lies over the one before by what is skipped at its edges. */
async function listenTo(sound: Float32Array, { tensors, model, onPart }: Model): Promise<Posteriors> {
  const windows = Math.max(1, Math.ceil((sound.length + WINDOW_LEAD) / WINDOW_STEP));
  const onsets = new Float32Array(windows * USED_FRAMES * MODEL_KEYS);
  const sounding = new Float32Array(onsets.length);
  const [from, to] = [SKIPPED_FRAMES * MODEL_KEYS, (SKIPPED_FRAMES + USED_FRAMES) * MODEL_KEYS];
  for (let i = 0; i < windows; i += 1) {
    const begin = i * WINDOW_STEP - WINDOW_LEAD;
    const window = new Float32Array(WINDOW);
    const first = Math.max(0, begin);
    window.set(sound.subarray(first, begin + WINDOW), first - begin);
    const asked = tensors.tensor(window, [1, WINDOW, 1]);
    const told = model.execute(asked, [SOUNDING, ONSETS]) as (typeof asked)[];
    const [sounds, begins] = await Promise.all(told.map((tensor) => tensor.data()));
    sounding.set((sounds as Float32Array).subarray(from, to), i * USED_FRAMES * MODEL_KEYS);
    onsets.set((begins as Float32Array).subarray(from, to), i * USED_FRAMES * MODEL_KEYS);
    [asked, ...told].forEach((tensor) => tensor.dispose());
    onPart((i + 1) / windows);
  }
  return { onsets, sounding };
}
