import type { AskedMusic, StruckKey } from '@/core/asked';
import type { Wording } from '@/core/explain';
import type { Credited } from '@/core/hearing';
import type { JudgeOptions } from '@/core/practice';
import type { Pupil } from '@/core/simulation';
import type { JudgedView, PartsView, PractisedPart, PracticeView, StepsKept, StepsView } from '@/core/views';
import type { HeardRun } from './ear-questions';
import type { BenchOptions, PieceSource } from './piece-asked';
import type { Answer } from './answer';

/** What is asked about practising a piece in a key. */
export interface PracticeQuestions {
  /** The music of what is practised; `columns` is how many note columns a line of the page has room for. */
  practice(source: PieceSource, options: BenchOptions, part: PractisedPart, columns: number): Answer<PracticeView>;
  /** What was played of it, judged. */
  judge(
    source: PieceSource,
    options: BenchOptions,
    part: PractisedPart,
    keys: readonly StruckKey[],
    how: JudgeOptions,
  ): Answer<JudgedView>;
  /** What counts as struck of all that a microphone may have heard, with the page beside it. `bpm`: the tempo that was set, in the meter's beats, or null. */
  credit(
    source: PieceSource,
    options: BenchOptions,
    part: PractisedPart,
    heard: HeardRun,
    bpm: number | null,
  ): Answer<Credited>;
  /** The steps of the piece for the pupil: the teacher's, or those that are proposed. */
  steps(source: PieceSource, options: BenchOptions, kept: StepsKept): Answer<StepsView>;
  /** What weeks can be made of in the piece. */
  parts(source: PieceSource, options: BenchOptions): Answer<PartsView>;
  /** What is to be struck of it, for what is judged key by key as it is played. */
  askedMusic(source: PieceSource, options: BenchOptions, part: PractisedPart): Answer<AskedMusic>;
  /** What was played as a Standard MIDI File, and back. */
  playedFile(keys: readonly StruckKey[]): Answer<Uint8Array>;
  keysOfPlayedFile(file: Uint8Array, wording: Wording): Answer<readonly StruckKey[]>;
  /** How the simulated pupil plays it, from the first note on. */
  simulate(source: PieceSource, options: BenchOptions, part: PractisedPart, pupil: Pupil): Answer<readonly StruckKey[]>;
}
