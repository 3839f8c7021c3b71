import { memo, memoOf } from '../base';
import {
  colourlessView,
  isKnown,
  neutralView,
  over,
  planHand,
  planPositions,
  realView,
  standardFingers,
  struckAt,
  techniqueNeeded,
  techniqueOf,
  withUsed,
  type Demands,
  type Fingering,
  type HandPlan,
  type Level,
  type Passage,
  type View,
} from '../fingering';

/** What is known of a hand before any key is chosen: what is printed, and the plan on white keys of the letters' own, which is the same in every key. */
export interface HandBaseline {
  readonly passage: Passage;
  readonly demands: Demands;
  /** The printed fingers, one entry a note; null where none is printed. Only these can change: what nobody wrote is planned anew in each key. */
  readonly printed: Fingering;
  /** The fingers of closed positions that the hand comes to and leaves without a crossing: printed ones, and those that are planned on white keys. They fit
   * the letters, whatever the key. */
  readonly closed: Fingering;
  /** The fingers of all positions that the hand comes to and leaves without a crossing, open ones too: kept in another key unless a change is worth it. */
  readonly usual: Fingering;
  /** The technique that the music asks for at each event: no plan uses more without need. */
  readonly needed: readonly Level[];
  /** The best plan on white keys of the letters' own: printed fingers are kept or changed as in any other key. */
  readonly neutral: HandPlan;
  /** The same with all printed fingers kept, as in the piece's own key. */
  readonly asPrinted: HandPlan;
}

/** A hand in one key: the plan for its keys, and what shows whether black keys force it. */
export interface HandStudy {
  readonly baseline: HandBaseline;
  /** The fingers chosen for these keys. */
  readonly plan: HandPlan;
  /** The printed fingers on these keys, with the gaps filled. */
  readonly keptPlan: HandPlan;
  /** What would be planned where printed fingers stand in their own key and can be played: an offer. Null where it says the same, and in other keys. */
  readonly offered: HandPlan | null;
  /** The plan as if all keys were white, in their true places; worked out where a finger changes. */
  readonly colourless: HandPlan | null;
  readonly view: View;
  /** Fingers that the teacher decided on for this key, one entry a note; null at notes that are left to the plan. */
  readonly decided: Fingering;
  /** What the plan would be without those decisions; null where there are none. */
  readonly undecided: HandPlan | null;
}

/** Where positions, figures and runs have their fingers, few moments are left to be made alike. Our own choice. */
const ROUNDS = 3;

/** Finds what a hand brings along into every key. */
export function baselineOf(passage: Passage, demands: Demands): HandBaseline {
  const view = neutralView(passage);
  const { level, outer } = demands.player;
  const printed = passage.notes.map((note) => note.printed);
  const fingers = standardFingers(passage, level, null, printed);
  const asked = techniqueNeeded(passage, demands);
  const isPrinted = isKnown(printed);
  const complete = planPositions(passage, view, demands, {
    ...(isPrinted ? { given: printed } : {}),
    guide: { fingers, technique: techniqueOf({ passage, demands }, asked, printed) },
    rounds: ROUNDS,
  });
  const isPrintedAt = (t: number): boolean => struckAt(passage, t).some((note) => printed[note] !== null);
  const needed = isPrinted ? withUsed(asked, complete.steps, isPrintedAt) : asked;
  const guide = { fingers, technique: techniqueOf({ passage, demands }, needed) };
  return {
    passage,
    demands,
    printed,
    closed: outer === 'allow' ? uncrossedPositions(complete, 'closed') : printed.map(() => null),
    usual: over(uncrossedPositions(complete, 'all'), printed),
    needed,
    asPrinted: complete,
    // Where nothing is printed the completed fingers are the neutral plan itself.
    neutral: isPrinted
      ? planPositions(passage, view, demands, { kept: printed, guide, likely: complete.fingering })
      : complete,
  };
}

/** The fingers of whole positions, apart from those next to a crossing. */
function uncrossedPositions({ steps, fingering, lattice: { passage } }: HandPlan, which: 'closed' | 'all'): Fingering {
  const found: Fingering[number][] = fingering.map(() => null);
  const starts = steps.flatMap(({ transition }, t) => (transition === 'stay' ? [] : [t]));
  starts.forEach((from, i) => {
    const next = starts[i + 1] ?? steps.length;
    const last = steps[next - 1];
    const isCrossed = steps[from]?.transition === 'pass' || steps[next]?.transition === 'pass';
    if (isCrossed || (which === 'closed' && last?.low !== last?.high)) return;
    for (let t = from; t < next; t += 1)
      for (const note of struckAt(passage, t)) found[note] = fingering[note] as Fingering[number];
  });
  return found;
}

/** The plan for some keys: printed fingers are kept or changed a run at a time; those of closed positions stay where they can be played. `given` are fingers
 * that the teacher decided on. */
export function planInKey(baseline: HandBaseline, midis: readonly number[], given?: Fingering): HandPlan {
  return plansOf(baseline).get(`${midis.join()}/${given?.join() ?? ''}`, () => findPlan(baseline, midis, given));
}

/** So many plans of a hand are kept: one key is asked about several times running, with and without printed fingers kept, and the piece's own key in between.
 * Plans of all keys would fill the memory of a worker that goes through a shelf. */
const KEPT_PLANS = 4;

const plansOf = memoOf((_: HandBaseline) => memo<HandPlan>(KEPT_PLANS));

function findPlan(baseline: HandBaseline, midis: readonly number[], given?: Fingering): HandPlan {
  const { passage, demands, printed, closed, usual, neutral, needed } = baseline;
  const view = realView(passage, midis);
  const options = {
    ...(isKnown(usual) ? { kept: usual } : {}),
    guide: {
      fingers: standardFingers(passage, demands.player.level, midis, printed),
      technique: techniqueOf({ passage, demands }, needed, given),
    },
    likely: neutral.fingering,
  };
  const held = planHand(passage, view, demands, { ...options, given: given ? over(closed, given) : closed });
  // What nobody printed is not kept at the price of a broken line.
  if (brokenLines(held) > brokenLines(neutral)) {
    const { guide, likely } = options;
    const written = { ...(isKnown(printed) ? { kept: printed } : {}), ...(given ? { given } : {}) };
    const anew = planHand(passage, view, demands, { ...written, guide, likely });
    if (brokenLines(anew) < brokenLines(held) && anew.limits <= held.limits) return anew;
  }
  if (held.limits === 0 || !isKnown(closed)) return held;
  const free = planHand(passage, view, demands, { ...options, ...(given ? { given } : {}) });
  return free.limits < held.limits ? free : held;
}

/** How often a finger hops to another key in a line without a break. */
function brokenLines({ steps, lattice: { passage } }: HandPlan): number {
  return steps.filter(({ transition }, t) => transition === 'hop' && passage.events[t]?.bond === 1).length;
}

/** How a hand is studied: whether colour and spacing are told apart, and the fingers that the teacher decided on, one entry a note. */
export interface StudyOptions {
  readonly asked: 'cause' | 'change';
  readonly decided: Fingering;
}

/** Plans a hand on the keys of one key. `midis` are the sounding keys of the passage's notes. Source: the project's fingering model, section 7, but that
 * nothing counts as brought along that was not printed, and that printed fingers stay in their own key wherever they can be played. */
export function studyHand(
  baseline: HandBaseline,
  midis: readonly number[],
  options: Partial<StudyOptions> = {},
): HandStudy {
  const { passage, printed } = baseline;
  const decided = options.decided ?? passage.notes.map(() => null);
  const view = realView(passage, midis);
  const free = planInKey(baseline, midis);
  const planned = isKnown(decided) ? planInKey(baseline, midis, decided) : free;
  const kept = over(printed, decided);
  const keptPlan = isKnown(kept) ? planInKey(baseline, midis, kept) : planned;
  const isHome = isKnown(printed) && passage.notes.every(({ note }, i) => note.midi === midis[i]);
  const isKept = isHome && keptPlan.limits <= planned.limits;
  const plan = isKept ? keptPlan : planned;
  const study = {
    baseline,
    plan,
    keptPlan,
    offered: isKept && departs(planned.fingering, kept) ? planned : null,
    view,
    decided,
    undecided: isKnown(decided) ? free : null,
  };
  return {
    ...study,
    colourless: options.asked !== 'change' && isDoubtful(baseline, planned) ? colourless(study) : null,
  };
}

function departs(fingering: Fingering, from: Fingering): boolean {
  return from.some((finger, i) => finger !== null && finger !== fingering[i]);
}

/** Only a finger that would have stayed on white keys can be forced by their colour. */
function isDoubtful({ printed, neutral }: HandBaseline, { fingering }: HandPlan): boolean {
  return printed.some((finger, i) => finger !== null && finger !== fingering[i] && finger === neutral.fingering[i]);
}

function colourless({ baseline, view }: Pick<HandStudy, 'baseline' | 'view'>): HandPlan {
  const { passage, demands, printed, neutral, needed } = baseline;
  const guide = { fingers: new Map(), technique: techniqueOf({ passage, demands }, needed) };
  return planHand(passage, colourlessView(view), demands, {
    kept: printed,
    guide,
    likely: neutral.fingering,
    rounds: 0,
  });
}

/** A hand whose fingers stay as they are printed, whatever they cost; what is not printed is filled in. */
export function keepHand(baseline: HandBaseline, midis: readonly number[]): HandStudy {
  const { passage, printed } = baseline;
  const keptPlan = planInKey(baseline, midis, isKnown(printed) ? printed : undefined);
  return {
    baseline,
    plan: keptPlan,
    keptPlan,
    offered: null,
    view: realView(passage, midis),
    colourless: null,
    decided: printed.map(() => null),
    undecided: null,
  };
}
