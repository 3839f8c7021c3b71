import type { Language } from '../explain';
import type { OpenedPiece, Version } from '../piece';
import { keyText } from '../pitch';
import type { Finger, Hand, NoteId } from '../score';
import {
  arrange,
  difficultiesAdded,
  ownStage,
  stageId,
  stagesOf,
  subjectOf,
  type OwnStage,
  type Stage,
  type StageHabit,
  type StageSet,
} from '../stages';

/** A stage as the rail and its list show it. */
export interface StageView {
  readonly id: string;
  readonly kind: string;
  readonly title: string;
  readonly why: string;
  /** What is easier now, and what comes back next. */
  readonly line: string;
  readonly bars: readonly string[] | null;
  readonly hands: readonly Hand[];
  /** The notes that it leaves out; null where it has notes at other places than the whole piece, so that they cannot be shown in it. */
  readonly leftOut: readonly NoteId[] | null;
  /** The landing on long notes that goes with a landing, and the other way round; null for other stages. */
  readonly pair: string | null;
  /** What the teacher changed here and is not in it any more, each in words. */
  readonly misfits: readonly MisfitView[];
}

export interface MisfitView {
  readonly words: string;
  /** The note whose finger it was; null for a bar. */
  readonly note: NoteId | null;
}

/** The stages of a piece in a key. */
export interface StagesView {
  readonly stages: readonly StageView[];
  /** What was left out of those that are proposed, and what could be taken in beside them. */
  readonly left: readonly StageView[];
  readonly others: readonly StageView[];
}

/** A finger that the teacher put into one stage. */
export interface StageFinger {
  readonly stage: string;
  /** The key in which it counts, as `D-major`; null for every key. */
  readonly key: string | null;
  readonly note: NoteId;
  readonly finger: Finger;
}

/** What a teacher made of the stages of a piece. */
export interface StagesKept {
  readonly set: StageSet;
  readonly habit: StageHabit;
  readonly own: readonly OwnStage[];
  readonly fingers: readonly StageFinger[];
}

/** All stages of a piece in a key, with their words, in the teacher's order. */
export function stagesView(says: Language, piece: OpenedPiece, version: Version, kept: StagesKept): StagesView {
  const subject = subjectOf(piece, version);
  const is = says.inKey(version.key);
  const { proposed, others } = stagesOf(piece, version);
  const own = kept.own.map((one) => ownStage(subject, one));
  const stages = arrange({ proposed, others, own: own.map(({ stage }) => stage) }, kept.set, kept.habit);
  const ids = new Set(stages.map(({ name }) => stageId(name)));
  const titleOf = (stage: Stage): string => {
    const mine = kept.own.find(({ id }) => id === stageId(stage.name));
    return mine ? mine.title : is.stageTitle(stage);
  };
  const view = (stage: Stage, next: Stage | undefined): StageView => {
    const id = stageId(stage.name);
    const mine = own.find((one) => one.stage === stage);
    const words = kept.own.find((one) => one.id === id)?.words;
    const { dropped, changed } = stage.notes;
    const there = new Set(stage.notes.kept);
    const back = next ? difficultiesAdded(stage, next) : [];
    return {
      id,
      kind: stage.name.kind,
      title: titleOf(stage),
      why: words === undefined || words === '' ? is.stageWhy(stage.why) : words,
      line: is.stageLine(stage.easier, next ? { title: titleOf(next), back } : null),
      bars: stage.bars && stage.bars.map((bar) => subject.part.measures[bar]?.number ?? ''),
      hands: stage.hands,
      leftOut: changed.some(({ how }) => how !== 'finger') || stage.name.kind === 'tapping' ? null : dropped,
      pair: pairOf(stage),
      misfits: [
        ...(mine?.lost ?? []).map((bar) => ({ words: is.stageMisfitWords({ kind: 'bar', bar }), note: null })),
        ...kept.fingers
          .filter((finger) => finger.stage === id && isIn(finger, version) && !there.has(finger.note))
          .map(({ finger, note }) => ({ words: is.stageMisfitWords({ kind: 'finger', finger }), note })),
      ],
    };
  };
  return {
    stages: stages.map((stage, i) => view(stage, stages[i + 1])),
    left: proposed.filter(({ name }) => !ids.has(stageId(name))).map((stage) => view(stage, undefined)),
    others: others.filter(({ name }) => !ids.has(stageId(name))).map((stage) => view(stage, undefined)),
  };
}

/** Drills of another key are other drills: what was put into them is no trouble of this one. */
function isIn({ key }: StageFinger, version: Version): boolean {
  return key === null || key === keyText(version.key);
}

/** The stages of a piece in the teacher's order, without words. */
export function arrangedStages(piece: OpenedPiece, version: Version, kept: StagesKept): readonly Stage[] {
  const subject = subjectOf(piece, version);
  const own = kept.own.map((one) => ownStage(subject, one).stage);
  return arrange({ ...stagesOf(piece, version), own }, kept.set, kept.habit);
}

function pairOf({ name }: Stage): string | null {
  if (name.kind === 'landing') return stageId({ kind: 'landing-long', n: name.n });
  return name.kind === 'landing-long' ? stageId({ kind: 'landing', n: name.n }) : null;
}
