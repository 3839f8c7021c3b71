import { isRhythm, notesOf, syllableAt, type Hand } from '../score';
import { landings, type Landing, type Subject } from '../stages';
import { CLEAN_IN_A_ROW, STEP_TEMPO, type PracticeStep, type StepKind } from './practice-step';

/** So many landings of one hand become drills of their own: a list for a week is short. */
const MOST_LANDINGS = 2;

/** The steps for a piece in a key, as teachers set them: what is new before the first play-through, each hand, the passes, the whole. The same piece
 * has the same ids in each key, so that a step is known again. */
export function proposeSteps(subject: Subject): readonly PracticeStep[] {
  const { hands } = subject;
  // On the closed lid there are no keys to find and nothing to hear.
  if (isRhythm(subject.part)) return [stepOf('tapping', {})];
  const alone = hands.length > 1 ? hands : [];
  return [
    ...hands.map((hand) => stepOf('warm-up', { id: `warm-up-${hand}`, hand })),
    stepOf('tapping', {}),
    ...landingSteps(subject),
    ...alone.map((hand) => stepOf('hand-alone', { id: `alone-${hand}`, hand })),
    ...passes(subject),
    stepOf('slow', {}),
    ...hands.slice(0, 1).map((hand) => stepOf('echo', { hand })),
    stepOf('pulse', {}),
    stepOf('memory', {}),
  ];
}

/** What is other in a kind of step: nobody hears it, it is played once, more slowly, by one hand. */
const USUAL: Partial<Record<StepKind, Partial<PracticeStep>>> = {
  'warm-up': { way: 'free', times: 1 },
  tapping: { way: 'tick' },
  landing: { tempo: STEP_TEMPO.landing },
  fingers: { way: 'tick' },
  saying: { way: 'tick' },
  singing: { way: 'tick' },
  counting: { times: 1 },
  echo: { way: 'echo', times: 1, hand: 'right' },
  pulse: { tempo: STEP_TEMPO.pulse },
  memory: { way: 'free', times: 1 },
};

/** A step of a kind as it usually is, with what is different about this one. */
export function stepOf(kind: StepKind, different: Partial<Omit<PracticeStep, 'kind'>>): PracticeStep {
  return {
    id: kind,
    kind,
    words: '',
    hand: 'both',
    bars: null,
    stage: null,
    key: null,
    tempo: STEP_TEMPO.slow,
    way: 'along',
    times: CLEAN_IN_A_ROW,
    opens: 'in-order',
    ...USUAL[kind],
    ...different,
  };
}

/** The four passes through a piece: fingers, saying them, singing where there are words, counting. */
function passes(subject: Subject): readonly PracticeStep[] {
  const isSung = notesOf(subject.part).some((note) => syllableAt(note) !== null);
  return [
    stepOf('fingers', {}),
    stepOf('saying', {}),
    ...(isSung ? [stepOf('singing', {})] : []),
    stepOf('counting', {}),
  ];
}

/** The first places at which a hand moves, those that are alike once: each with the bars from the last note before it to the first after it. */
function landingSteps(subject: Subject): readonly PracticeStep[] {
  const firsts = landings(subject).map(([first]) => first);
  return subject.hands.flatMap((hand) =>
    firsts
      .filter((landing) => landing.hand === hand)
      .slice(0, MOST_LANDINGS)
      .map((landing, i) => landingStep(landing, hand, i + 1)),
  );
}

function landingStep({ bars }: Landing, hand: Hand, n: number): PracticeStep {
  return stepOf('landing', {
    id: `landing-${hand}-${n}`,
    hand,
    bars: { from: Math.min(...bars), to: Math.max(...bars) },
  });
}
