import {
  colourlessView,
  completeHand,
  neutralView,
  over,
  planAround,
  planHand,
  playHand,
  realView,
  type Demands,
  type Fingering,
  type HandPlan,
  type Passage,
  type View,
} from '../fingering';

/** What is known of a hand before any key is chosen: the fingers it brings along, and the plan on white keys of the letters' own,
 * which is the same in every key. */
export interface HandBaseline {
  readonly passage: Passage;
  readonly demands: Demands;
  /** The printed fingers, with the gaps filled as the white keys of the letters would have them. */
  readonly kept: Fingering;
  readonly isPrinted: readonly boolean[];
  readonly neutral: HandPlan;
}

/** A hand in one key: the plan for its keys, and what shows whether black keys force it. */
export interface HandStudy {
  readonly baseline: HandBaseline;
  /** The fingers chosen for these keys. */
  readonly plan: HandPlan;
  /** The fingers brought along, on these keys. */
  readonly keptPlan: HandPlan;
  /** The plan as if all keys were white, in their true places; worked out where a finger changes. */
  readonly colourless: HandPlan | null;
  readonly view: View;
  /** Fingers that the teacher decided on for this key, one entry a note; null at notes that are left to the plan. */
  readonly decided: Fingering;
  /** What the plan would be without those decisions; null where there are none. */
  readonly undecided: HandPlan | null;
}

/** Finds the fingers that a hand brings along into every key. */
export function baselineOf(passage: Passage, demands: Demands): HandBaseline {
  const view = neutralView(passage);
  const complete = completeHand(
    passage,
    view,
    demands,
    passage.notes.map(({ printed }) => printed),
  );
  const kept = complete.fingering;
  const isPrinted = passage.notes.map(({ printed }) => printed !== null);
  // Where nothing is printed the completed fingers are the neutral plan itself: staying near them changes nothing.
  const neutral = isPrinted.includes(true)
    ? planHand(passage, view, demands, { before: { fingering: kept, isPrinted } })
    : complete;
  return { passage, demands, kept, isPrinted, neutral };
}

/** How a hand is studied: whether colour and spacing are told apart, and the fingers that the teacher decided on, one entry a note. */
export interface StudyOptions {
  readonly asked: 'cause' | 'change';
  readonly decided: Fingering;
}

/** Plans a hand on the keys of one key. `midis` are the sounding keys of the passage's notes. Source: the project's fingering model, section 7. */
export function studyHand(
  baseline: HandBaseline,
  midis: readonly number[],
  options: Partial<StudyOptions> = {},
): HandStudy {
  const { passage, demands, kept, isPrinted } = baseline;
  const decided = options.decided ?? passage.notes.map(() => null);
  const view = realView(passage, midis);
  const before = { fingering: kept, isPrinted };
  const isDecided = decided.some((finger) => finger !== null);
  const free = planHand(passage, view, demands, { before });
  const plan = isDecided ? planAround(passage, view, demands, { before, decided }) : free;
  const keptPlan = playHand(passage, view, demands, over(kept, decided));
  // Only a finger that would have stayed on white keys can be forced by their colour.
  const isDoubtful =
    options.asked !== 'change' &&
    plan.fingering.some((finger, i) => finger !== kept[i] && baseline.neutral.fingering[i] === kept[i]);
  return {
    baseline,
    plan,
    keptPlan,
    view,
    colourless: isDoubtful ? planHand(passage, colourlessView(view), demands, { before, rounds: 0 }) : null,
    decided,
    undecided: isDecided ? free : null,
  };
}

/** A hand whose fingers stay as they are brought along, whatever they cost. */
export function keepHand(baseline: HandBaseline, midis: readonly number[]): HandStudy {
  const view = realView(baseline.passage, midis);
  const keptPlan = playHand(baseline.passage, view, baseline.demands, baseline.kept);
  return {
    baseline,
    plan: keptPlan,
    keptPlan,
    view,
    colourless: null,
    decided: baseline.kept.map(() => null),
    undecided: null,
  };
}
