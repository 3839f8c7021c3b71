import { memo, memoOf } from '../base';
import {
  colourlessView,
  isKnown,
  neutralView,
  over,
  planHand,
  playHand,
  realView,
  type Demands,
  type Fingering,
  type HandPlan,
  type Passage,
  type View,
} from '../fingering';
import { planPostures } from '../posture';

/** What is known of a hand before any key is chosen: what is printed, and the plans from which other keys begin. */
export interface HandBaseline {
  readonly passage: Passage;
  readonly demands: Demands;
  /** The printed fingers, one entry a note; null where none is printed. Only these can change: what nobody wrote is planned anew in each key. */
  readonly printed: Fingering;
  /** The fingers in the piece's own key, with the printed ones: other keys keep them unless their black keys make others worth it. */
  readonly own: Fingering;
  /** The postures in which they are played, by their places in the search. */
  readonly ownPlaces: readonly number[];
  /** The best plan on white keys of the letters' own, the same in every key: printed fingers are kept or changed as in any other key. */
  readonly neutral: HandPlan;
  /** The fingers of the piece's own key on those white keys. */
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

/** Finds what a hand brings along into every key. */
export function baselineOf(passage: Passage, demands: Demands): HandBaseline {
  const view = neutralView(passage);
  const { player } = demands;
  const printed = passage.notes.map((note) => note.printed);
  const ask = { passage, player, printed, decided: null, own: null, isHome: true };
  const { fingering: own, path } = planPostures({ ...ask, midis: ownKeys(passage) });
  const { fingering } = planPostures({ ...ask, midis: null, isHome: false });
  return {
    passage,
    demands,
    printed,
    own,
    ownPlaces: path.places,
    asPrinted: playHand(passage, view, demands, own),
    neutral: playHand(passage, view, demands, fingering),
  };
}

function ownKeys({ notes }: Passage): readonly number[] {
  return notes.map(({ note }) => note.midi);
}

/** The plan for some keys: printed fingers are kept or changed; those of the piece's own key stay unless others are worth it. `given` are fingers
 * that the teacher decided on. */
export function planInKey(baseline: HandBaseline, midis: readonly number[], given?: Fingering): HandPlan {
  return plansOf(baseline).get(`${midis.join()}/${given?.join() ?? ''}`, () => findPlan(baseline, midis, given));
}

/** So many plans of a hand are kept: one key is asked about several times running, with and without printed fingers kept, and the piece's own key in between.
 * Plans of all keys would fill the memory of a worker that goes through a shelf. */
const KEPT_PLANS = 4;

const plansOf = memoOf((_: HandBaseline) => memo<HandPlan>(KEPT_PLANS));

function findPlan(baseline: HandBaseline, midis: readonly number[], given?: Fingering): HandPlan {
  const { passage, demands, printed } = baseline;
  const view = realView(passage, midis);
  const isHome = ownKeys(passage).every((midi, i) => midi === midis[i]);
  const { fingering } = planPostures({
    passage,
    midis,
    player: demands.player,
    printed: isHome ? printed.map(() => null) : printed,
    decided: given ?? null,
    own: isHome ? printed : baseline.own,
    ownPlaces: baseline.ownPlaces,
    isHome,
  });
  const plan = playHand(passage, view, demands, fingering);
  if (plan.limits === 0) return plan;
  // What cannot be played so may be played in another way.
  const other = planHand(passage, view, demands, given ? { given } : {});
  return other.limits < plan.limits ? other : plan;
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
  const { passage, demands, printed, own } = baseline;
  const { player } = demands;
  const { fingering } = planPostures({ passage, midis: null, player, printed, decided: null, own, isHome: false });
  return playHand(passage, colourlessView(view), demands, fingering);
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
