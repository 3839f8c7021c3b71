export { creditHeard } from './credit';
export type { Credited } from './settle';
export type { Ears } from './credit.table';
export { decide } from './decision';
export { createListener } from './listen';
export type { Listener, PossibleKey } from './listen';
export { createMender } from './mend';
export type { Mender } from './mend';
export { isPlain } from './plain';
export { together } from './possible';
export type { HeardByOne, PossibleStroke } from './possible';
export {
  heardAfter,
  MODEL_KEYS,
  onsetsIn,
  SKIPPED_FRAMES,
  USED_FRAMES,
  WINDOW,
  WINDOW_LEAD,
  WINDOW_STEP,
} from './posteriors';
export type { Posteriors } from './posteriors';
export { HEARD_RATE } from './rate';
export { createResampler } from './resample';
export { noteTemplates } from './templates';
export type { NoteTemplates } from './templates';
export { createTuner, tuningOf } from './tune-in';
export type { TunedNote, Tuner, Tuning, TuningHeard } from './tune-in';
export { AFTER_WEIGHTS, LIVE_DECISION } from './decision.table';
