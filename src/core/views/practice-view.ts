import type { StruckKey } from '../asked';
import type { Language } from '../explain';
import type { FlagKind } from '../flags';
import { performanceOf, type Performance } from '../playback';
import { askedIn, type MoveOptions, type OpenedPiece, type Version } from '../piece';
import { keyText } from '../pitch';
import { judgePlaying, NOT_SCORED, type JudgeOptions, type PlayFaultKind } from '../practice';
import type { Hand, NoteId } from '../score';
import { stageVersions, type StagedVersions } from '../stages';
import { engravingPage, systemBreaks, NO_TEXTS, type EngravingPage } from '../write';
import { ok, type Fault, type Result } from '../base';
import { momentsOf, type Moment } from './moments';

/** What a pupil practises of a piece: a hand or both, some bars (as indexes) or all. */
export interface PractisedPart {
  readonly hand: Hand | 'both';
  readonly bars: { readonly from: number; readonly to: number } | null;
}

/** What the pupil's page shows: the music of these bars alone, and what is needed to play along. */
export interface PracticeView {
  readonly title: string;
  /** The key in words, and as `D-major`. */
  readonly key: string;
  readonly keyText: string;
  readonly page: EngravingPage;
  readonly moments: readonly Moment[];
  readonly performance: Performance;
  /** All bars of the piece, to choose from, and the hands that play in it. */
  readonly bars: readonly { readonly index: number; readonly number: string }[];
  readonly hands: readonly Hand[];
  /** Notes of the hand that is not practised: they are faint. */
  readonly faint: readonly NoteId[];
  /** The written tempo at the beginning, in the meter's beats, and how many beats are counted in. */
  readonly bpm: number;
  readonly countIn: number;
  /** Whether a hand that is practised stretches here: then it must never hurt. */
  readonly stretches: boolean;
}

/** Hand notes that ask a hand to open wide. */
const STRETCHES: readonly FlagKind[] = ['stretch', 'out-of-reach'];

/** A performance as it was judged, in words. */
export interface JudgedView {
  readonly clean: boolean;
  /** How many notes were asked for, and how many of them were right. */
  readonly notes: { readonly written: number; readonly right: number };
  readonly right: readonly string[];
  readonly faults: readonly JudgedFault[];
  readonly beside: readonly string[];
  /** Notes that a microphone did not hear clearly. */
  readonly unclear: readonly NoteId[];
  readonly next: JudgedNext | null;
}

export interface JudgedFault {
  readonly kind: PlayFaultKind;
  readonly words: string;
  /** Where it began; the bar as printed. */
  readonly bar: string;
  readonly beat: number;
  /** Null where both are concerned. */
  readonly hand: Hand | null;
  readonly notes: readonly NoteId[];
  /** Whether it makes the performance unclean, or is told beside. */
  readonly weighs: boolean;
}

export interface JudgedNext extends PractisedPart {
  readonly words: string;
  readonly bpm: number | null;
}

/** A piece before and after a move, as workers hold it. */
export interface PractisedPiece {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
}

/** What is practised of it, and for which hand it was moved. */
export interface PractisedHow {
  readonly part: PractisedPart;
  readonly options: Omit<MoveOptions, 'to'>;
}

/** The bars that are practised, as a piece of their own; the whole where none are named. Errors: those of moving. */
export function practisedBars(
  moved: PractisedPiece,
  { bars }: PractisedPart,
  options: Omit<MoveOptions, 'to'>,
): Result<Pick<StagedVersions, 'piece' | 'after'>, Fault> {
  if (bars === null) return ok(moved);
  const indexes = Array.from({ length: bars.to - bars.from + 1 }, (_, i) => bars.from + i);
  return stageVersions(moved.piece, moved, [{ kind: 'bars', bars: indexes }], options);
}

/** What the pupil's page shows of a piece; `columns` is how many note columns a system has room for, `prefix` goes in front of the ids of notes. Errors: those of moving. */
export function practiceView(
  says: Language,
  moved: PractisedPiece,
  { part, options }: PractisedHow,
  page: { readonly columns: number; readonly prefix: string },
): Result<PracticeView, Fault> {
  const practised = practisedBars(moved, part, options);
  if (!practised.ok) return practised;
  const { piece, after } = practised.value;
  const performance = performanceOf(after.score, piece.part.id);
  const [first] = performance.bars;
  return ok({
    title: moved.piece.score.title,
    key: says.key(after.key),
    keyText: keyText(after.key),
    page: engravingPage(
      [{ score: after.score, prefix: page.prefix, label: '', texts: NO_TEXTS }],
      systemBreaks(piece.score, page.columns),
    ),
    moments: momentsOf(says, after),
    performance,
    bars: moved.piece.part.measures.map(({ index, number }) => ({ index, number })),
    hands: moved.piece.hands,
    faint: part.hand === 'both' ? [] : after.notes.filter(({ hand }) => hand !== part.hand).map(({ id }) => id),
    bpm: first ? 60 / first.beatS : 60,
    countIn: first?.beats ?? 4,
    stretches: after.flags.some(
      ({ evidence, hand }) => STRETCHES.includes(evidence.kind) && (part.hand === 'both' || hand === part.hand),
    ),
  });
}

/** What was played of it, judged. Errors: those of moving. */
export function judgedView(
  says: Language,
  moved: PractisedPiece,
  { part, options }: PractisedHow,
  played: { readonly keys: readonly StruckKey[]; readonly judge: JudgeOptions },
): Result<JudgedView, Fault> {
  const practised = practisedBars(moved, part, options);
  if (!practised.ok) return practised;
  const { piece, after } = practised.value;
  const music = askedIn(piece, after, { hand: part.hand, bars: null });
  const judged = judgePlaying(music, played.keys, played.judge);
  const is = says.inKey(after.key);
  const wholeIndex = (index: number): number => index + (part.bars?.from ?? 0);
  return ok({
    clean: judged.clean,
    notes: { written: judged.written, right: judged.right },
    right: is.rightWords(judged),
    faults: judged.faults.map((fault) => ({
      kind: fault.kind,
      words: is.playFaultWords(fault),
      bar: fault.bar,
      beat: fault.beat,
      hand: fault.hand,
      notes: fault.notes,
      weighs: !NOT_SCORED.includes(fault.kind),
    })),
    beside: judged.heard.map((fact) => is.heardFactWords(fact)),
    unclear: judged.unclear,
    next: judged.next && {
      words: is.nextThingWords(judged.next),
      hand: judged.next.hand === 'both' ? part.hand : judged.next.hand,
      bars: { from: wholeIndex(judged.next.fromIndex), to: wholeIndex(judged.next.toIndex) },
      bpm: judged.next.bpm,
    },
  });
}
