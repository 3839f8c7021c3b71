import { assertNever } from '../../base';
import type { PracticeStep } from '../../homework';
import { barRanges, capital, countWord, HAND } from './common';
import type { Terms } from './terms';

/** What a practice step says: its bars as they are printed, none for all. */
export interface StepFacts {
  readonly step: PracticeStep;
  readonly bars: readonly string[];
  /** The key of the warm-up, in words. */
  readonly key: string;
  /** What the stage is called in which it is played; null for the whole. */
  readonly stage: string | null;
}

/** What a practice step is called. */
export function stepTitle(t: Terms, { step, bars, key, stage }: StepFacts): string {
  const { kind, hand } = step;
  const at = bars.length === 0 ? '' : `, ${barRanges(t, bars)}`;
  const inStage = stage === null ? '' : ` (${stage})`;
  switch (kind) {
    case 'warm-up':
      return hand === 'both' ? `Warm up in ${key}` : `Warm up in ${key}, ${HAND[hand]}`;
    case 'landing':
      return `Landing${hand === 'both' ? '' : `, ${HAND[hand]}`}${at}`;
    case 'hand-alone':
    case 'own':
      return `${hand === 'both' ? 'Both hands' : `${capital(HAND[hand])} alone`}${at}${inStage}`;
    default:
      return `${NAMES[kind]}${at}${inStage}`;
  }
}

const NAMES: Readonly<Record<Exclude<PracticeStep['kind'], 'warm-up' | 'landing' | 'hand-alone' | 'own'>, string>> = {
  tapping: 'Tap it on the lid',
  fingers: 'Fingers only',
  saying: 'Say the fingers',
  singing: 'Sing the words',
  counting: 'Count aloud',
  slow: 'Slowly, from beginning to end',
  echo: 'Call and echo',
  pulse: 'Keep the pulse',
  memory: 'From memory',
};

/** What is to be done, to the pupil. */
export function stepTold(t: Terms, { step }: StepFacts): string {
  switch (step.kind) {
    case 'warm-up':
      return 'Play the five notes up and down. Every finger on its key.';
    case 'tapping':
      return 'Close the lid. Tap each note with its finger, in time.';
    case 'landing':
      return 'The hand moves here. Look where it lands, then play.';
    case 'hand-alone':
    case 'own':
      return HOW[step.way];
    case 'fingers':
      return 'Lay your hands on the keys. Move the fingers without a sound.';
    case 'saying':
      return 'Play it, and say the number of each finger.';
    case 'singing':
      return 'Play the tune, and sing the words.';
    case 'counting':
      return `Play it, and count the beats of each ${t.bar} aloud.`;
    case 'slow':
      return 'Slowly, and on to the end. Do not stop to mend a note.';
    case 'echo':
      return HOW.echo;
    case 'pulse':
      return 'A little faster now. The beat goes on, whatever happens.';
    case 'memory':
      return 'The page is away. Play it from memory.';
    default:
      return assertNever(step.kind);
  }
}

const HOW: Readonly<Record<PracticeStep['way'], string>> = {
  along: 'Listen to the count, then play along.',
  wait: 'Play on. Nothing moves until the right keys are down.',
  free: 'Play it when you are ready.',
  echo: 'Listen, then play what you heard. An octave higher or lower counts too.',
  tick: 'Do it, then tick it.',
};

/** How far a pupil is with a step: how often in a row it was clean, of so often. */
export function inARowWords(inARow: number, times: number): string {
  if (times === 1) return 'Clean once, and it is done.';
  return inARow === 0
    ? `Clean ${countWord(times)} times in a row, and it is done.`
    : `Clean ${countWord(inARow)} ${inARow === 1 ? 'time' : 'times'} of ${countWord(times)} in a row.`;
}
