import { ok } from '@/core/base';
import { USUAL_LANGUAGE } from '@/core/explain';
import {
  AFTER_WEIGHTS,
  createListener,
  createMender,
  createResampler,
  createTuner,
  decide,
  heardAfter,
  HEARD_RATE,
  LIVE_DECISION,
  together,
  tuningOf,
  type HeardByOne,
  type Listener,
  type Mender,
  type NoteTemplates,
  type PossibleKey,
  type Tuner,
} from '@/core/hearing';
import { EAR_CHECKS, type EarService, type HeardRun } from '@/contract/ear-questions';
import { guarded, type Asked } from '@/crossing/guarded';
import { createSecondEar, type EarFiles, type SecondEar } from './second-ear';
import { answer } from '@/crossing/trouble';

/** A run longer than this is heard by the first ear alone: the sound of it is not kept. Unit: samples. */
const MOST_KEPT = 12 * 60 * HEARD_RATE;
/** What is less likely than this is not even possible. Unit: log odds. */
const LEAST_ODDS = -5;

/** A run that is listened to. */
interface Run {
  readonly cents: number;
  readonly mender: Mender;
  readonly resample: (chunk: Float32Array) => Float32Array;
  readonly listener: Listener;
  readonly heard: HeardByOne[];
  sound: Float32Array[] | null;
  length: number;
}

/** What the ear listens with, each loaded when it is first needed; what could not be read is tried again next time. */
interface Tools {
  readonly templates: () => Promise<NoteTemplates>;
  readonly second: () => Promise<SecondEar>;
}

function toolsOf(files: EarFiles): Tools {
  let templates: Promise<NoteTemplates> | null = null;
  let second: Promise<SecondEar> | null = null;
  return {
    templates: () => {
      templates ??= files.read('templates.bin').then((bytes) => new Float32Array(bytes.slice().buffer));
      templates.catch(() => (templates = null));
      return templates;
    },
    second: () => {
      second ??= createSecondEar(files);
      second.catch(() => (second = null));
      return second;
    },
  };
}

/** The ear, without a worker around it. Its files are read when they are first needed. */
export function createEarService(files: EarFiles): Asked<EarService> {
  return guarded<EarService>({ ...runQuestions(toolsOf(files)), ...tuningQuestions() }, EAR_CHECKS);
}

type RunQuestions = Pick<EarService, 'begin' | 'hear' | 'end'>;

function runQuestions({ templates, second }: Tools): RunQuestions {
  let run: Run | null = null;
  return {
    begin: async (how) => {
      const { rate, cents, loudness } = how;
      run = {
        cents,
        mender: createMender(rate),
        resample: createResampler(rate, HEARD_RATE),
        listener: createListener({ templates: await templates(), cents, loudness }),
        heard: [],
        sound: [],
        length: 0,
      };
      return answer(USUAL_LANGUAGE, ok(null));
    },
    hear: (chunk) => {
      if (!run) return answer(USUAL_LANGUAGE, ok([]));
      const sound = run.resample(run.mender.take(chunk));
      run.length += sound.length;
      if (run.length > MOST_KEPT) run.sound = null;
      run.sound?.push(sound);
      const heard = likely(run.listener.take(sound));
      run.heard.push(...heard);
      return answer(USUAL_LANGUAGE, ok(heard));
    },
    end: async (onPart) => {
      const over = run;
      run = null;
      if (!over) return answer(USUAL_LANGUAGE, ok<HeardRun>({ strokes: [], ears: 'live', gaps: [] }));
      over.heard.push(...likely(over.listener.finish()));
      const after = over.sound && (await hearAgain(over, second, onPart).catch(() => null));
      const heard: HeardRun = {
        strokes: together(over.heard, after ?? []),
        ears: after ? 'both' : 'live',
        gaps: over.mender.gaps(),
      };
      return answer(USUAL_LANGUAGE, ok(heard));
    },
  };
}

function tuningQuestions(): Omit<EarService, keyof RunQuestions> {
  let tuner: Tuner | null = null;
  let heard: (chunk: Float32Array) => Float32Array = (chunk) => chunk;
  return {
    tune: (rate) => {
      const mender = createMender(rate);
      const resample = createResampler(rate, HEARD_RATE);
      heard = (chunk) => resample(mender.take(chunk));
      tuner = createTuner();
      return answer(USUAL_LANGUAGE, ok(null));
    },
    hearNote: (chunk, midi) => {
      return answer(USUAL_LANGUAGE, ok(tuner ? tuner.take(heard(chunk), midi) : { is: 'nothing' }));
    },
    tuningOf: (notes) => answer(USUAL_LANGUAGE, ok(tuningOf(notes))),
  };
}

function likely(keys: readonly PossibleKey[]): readonly HeardByOne[] {
  return keys
    .map(({ midi, atMs, evidence }) => ({ midi, atMs, odds: decide(LIVE_DECISION, evidence) }))
    .filter(({ odds }) => odds > LEAST_ODDS);
}

/** The other ear knows no piano that is out of tune: the recording is put in tune for it, which makes it longer or shorter. */
async function hearAgain(
  { sound, length, cents }: Run,
  load: () => Promise<SecondEar>,
  onPart: (share: number) => void,
): Promise<readonly HeardByOne[]> {
  const ear = await load();
  const whole = new Float32Array(length);
  let at = 0;
  for (const piece of sound ?? []) {
    whole.set(piece, at);
    at += piece.length;
  }
  const stretch = 2 ** (cents / 1200);
  const inTune = cents === 0 ? whole : createResampler(HEARD_RATE, HEARD_RATE * stretch)(whole);
  const heard = heardAfter(await ear.listen(inTune, onPart), AFTER_WEIGHTS);
  return heard.filter(({ odds }) => odds > LEAST_ODDS).map((one) => ({ ...one, atMs: one.atMs / stretch }));
}
