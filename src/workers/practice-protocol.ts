import type { StruckKey } from '@/core/asked';
import type { JudgeOptions } from '@/core/practice';
import type { Pupil } from '@/core/simulation';
import type { JudgedView, PractisedPart, PracticeView } from '@/core/views';
import type { Answer, BenchOptions, PieceSource } from './question-parts';

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
  /** How the simulated pupil plays it, from the first note on. */
  simulate(source: PieceSource, options: BenchOptions, part: PractisedPart, pupil: Pupil): Answer<readonly StruckKey[]>;
}
