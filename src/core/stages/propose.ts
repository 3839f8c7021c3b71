import { memoLast } from '../base';
import type { OpenedPiece, Version } from '../piece';
import { barWeights, candidates, type Candidate } from './candidates';
import { difficultiesOf, type Difficulty } from './difficulties';
import { stageId, type Stage } from './stage';
import { resolveOwn, type OwnStage } from './own-stage';
import { comparedNotes, stageNotes, type ComparedNotes } from './stage-notes';
import { strikesOf } from './strikes';
import { subjectOf, type Subject } from './subject';
import type { Transformation } from './transformation';

/** The stages of a piece in a key: those that are proposed, and those that it could have beside them. */
export interface StagesOf {
  readonly proposed: readonly Stage[];
  readonly others: readonly Stage[];
}

/** The stages that a piece makes sense in, in the order in which a teacher would give them in this key to this hand: what is hardest is drilled first, then each
 * hand alone, the harder one first, then both with an easier left hand or in one place, then line by line, and the whole at last. A stage that changes nothing is
 * not among them, nor one that is the same music as another; the whole always is. */
export function stagesOf(piece: OpenedPiece, version: Version): StagesOf {
  const { subject, all } = describedIn(version, piece);
  const sorted = ordered(subject, distinct(all));
  return {
    proposed: sorted.filter((one) => isProposed(subject, one)).map(({ stage }) => stage),
    others: sorted.filter((one) => !isProposed(subject, one)).map(({ stage }) => stage),
  };
}

/** All that was found out about the stages of a version: the rail, its steps and its files ask for it one after the other. */
const describedIn = memoLast((version: Version, piece: OpenedPiece) => {
  const subject = subjectOf(piece, version);
  return { subject, all: describedAll(subject) };
});

/** What a teacher may take in beside what is proposed: too much of it would hide the rest. */
const NOT_PROPOSED: readonly string[] = ['landing-long', 'phrase', 'blocked-alone', 'roots-alone'];

/** A drill of so much of a piece is the piece. */
const MOST_OF_A_PIECE = 3 / 4;

function isProposed({ part }: Subject, { stage, weight }: Described): boolean {
  const { name, bars, easier } = stage;
  if (name.kind === 'whole') return true;
  // Where octaves are folded in something is easier, whatever else there is.
  if (easier.length === 0 && name.kind !== 'one-place') return false;
  if (NOT_PROPOSED.includes(name.kind)) return false;
  return weight === null || (bars ?? []).length < MOST_OF_A_PIECE * part.measures.length;
}

/** A stage that a teacher made, in the piece as it is, with the bars that are not found any more. */
export function ownStage(subject: Subject, own: OwnStage): { readonly stage: Stage; readonly lost: readonly string[] } {
  const { transformations, lost } = resolveOwn(subject, own);
  const whole = difficultiesOf(subject, subject.version.notes, []);
  const name = { kind: 'own', id: own.id } as const;
  const { stage } = described(subject, { name, transformations, why: { kind: 'own' }, weight: null }, whole);
  return { stage, lost };
}

/** What is difficult in the next stage and was not in the one before. */
export function difficultiesAdded(before: Stage, next: Stage): readonly Difficulty[] {
  return next.difficulties.filter((difficulty) => !before.difficulties.includes(difficulty));
}

/** A stage by its id, whether it is proposed or not. */
export function stageNamed(piece: OpenedPiece, version: Version, id: string): Stage | undefined {
  return describedIn(version, piece).all.find(({ stage }) => stageId(stage.name) === id)?.stage;
}

/** A stage that is described, with its music. */
interface Described {
  readonly stage: Stage;
  readonly weight: number | null;
  readonly music: string;
  readonly changesNothing: boolean;
}

function describedAll(subject: Subject): readonly Described[] {
  const whole = difficultiesOf(subject, subject.version.notes, []);
  return candidates(subject).map((one) => described(subject, one, whole));
}

function described(
  subject: Subject,
  { name, transformations, why, weight }: Candidate,
  whole: readonly Difficulty[],
): Described {
  const { version, part, ticksPerQuarter } = subject;
  const played = stageNotes(version.notes, part, ticksPerQuarter, transformations);
  const notes = comparedNotes(version.notes, played);
  const difficulties = difficultiesOf(subject, played, transformations);
  const hands = (['right', 'left'] as const).filter((hand) =>
    difficulties.includes(hand === 'right' ? 'right-hand' : 'left-hand'),
  );
  const stage: Stage = {
    name,
    transformations,
    why,
    bars: transformations.find((one) => one.kind === 'bars')?.bars ?? null,
    hands,
    notes,
    difficulties,
    easier: whole.filter((difficulty) => !difficulties.includes(difficulty)),
  };
  const changesNothing = notes.dropped.length === 0 && notes.changed.length === 0 && !isTapped(transformations);
  return { stage, weight, music: musicOf(notes, transformations), changesNothing };
}

function isTapped(transformations: readonly Transformation[]): boolean {
  return transformations.some(({ kind }) => kind === 'tapping');
}

/** Two stages with the same notes at the same times are one. */
function musicOf({ kept, changed }: ComparedNotes, transformations: readonly Transformation[]): string {
  const times = changed.filter(({ how }) => how !== 'finger').map((change) => JSON.stringify(change));
  return `${isTapped(transformations)}/${kept.join()}/${times.join()}`;
}

function distinct(all: readonly Described[]): readonly Described[] {
  const seen = new Set<string>();
  return all.filter(({ stage, music, changesNothing }) => {
    if (stage.name.kind === 'whole') return true;
    if (changesNothing || seen.has(music)) return false;
    seen.add(music);
    return true;
  });
}

/** The rooms of the order, one after the other. */
type Room = 'drill' | 'hand' | 'tapping' | 'joined' | 'section' | 'whole';
const ROOMS: readonly Room[] = ['drill', 'hand', 'tapping', 'joined', 'section', 'whole'];

function ordered(subject: Subject, all: readonly Described[]): readonly Described[] {
  const weights = barWeights(subject);
  const load = (stage: Stage): number =>
    (stage.bars ?? []).reduce((sum, bar) => sum + (weights.get(bar) ?? 0), 0) / Math.max(1, (stage.bars ?? []).length);
  const handLoads = { right: handLoad(subject, 'right'), left: handLoad(subject, 'left') };
  const rank = ({ stage, weight }: Described): readonly number[] => {
    const room = roomOf(stage);
    const place = ROOMS.indexOf(room);
    switch (room) {
      case 'drill':
        return [place, -(weight ?? 0), stage.bars?.length ?? 0];
      case 'hand':
        return [place, -(handLoads[stage.hands[0] ?? 'right'] ?? 0), stage.difficulties.length];
      case 'joined':
        return [place, stage.difficulties.length];
      case 'section':
        return [place, stage.name.kind === 'line' ? 0 : 1, -load(stage)];
      default:
        return [place];
    }
  };
  return all
    .map((one, i) => ({ one, rank: [...rank(one), i] }))
    .sort((a, b) => compare(a.rank, b.rank))
    .map(({ one }) => one);
}

function roomOf({ name: { kind }, hands }: Stage): Room {
  switch (kind) {
    case 'whole':
    case 'tapping':
      return kind;
    case 'line':
    case 'phrase':
      return 'section';
    case 'right-alone':
    case 'left-alone':
    case 'beats':
    case 'split-octave':
    case 'blocked-alone':
    case 'roots-alone':
      return 'hand';
    case 'one-place':
    case 'blocked':
    case 'roots':
    case 'beats-together':
      return hands.length < 2 ? 'hand' : 'joined';
    default:
      return 'drill';
  }
}

function compare(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < Math.max(a.length, b.length); i += 1) {
    const apart = (a[i] ?? 0) - (b[i] ?? 0);
    if (apart !== 0) return apart;
  }
  return 0;
}

/** How much a hand has to do: what is flagged, its moves, and how often it strikes. */
function handLoad({ version }: Subject, hand: 'right' | 'left'): number {
  const flags = version.flags.filter((flag) => flag.hand === hand && flag.severity !== 'watch').length;
  const moves = version.positions.filter(({ position }) => position.hand === hand).length - 1;
  return 4 * flags + 2 * moves + strikesOf(version.notes, hand).length / 100;
}
