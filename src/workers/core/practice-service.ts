/* eslint max-params: ["error", 5] -- what is asked of a worker crosses as a list of values */
import type { AskedMusic } from '@/core/asked';
import { languageOf, type Language } from '@/core/explain';
import { ok, type Fault, type Result } from '@/core/base';
import { creditHeard, type Credited } from '@/core/hearing';
import { askedIn, type MoveOptions } from '@/core/piece';
import { readPlayedFile } from '@/core/read';
import { playAs } from '@/core/simulation';
import { writePlayedFile } from '@/core/write';
import {
  judgedView,
  practisedBars,
  partsView,
  practiceView,
  stepsView,
  type PractisedPart,
  type PractisedPiece,
} from '@/core/views';
import { fullOptions } from './asked-piece';
import type { HeardRun } from '@/contract/ear-questions';
import type { OpenedPieces } from './opened-pieces';
import type { PracticeQuestions } from '@/contract/practice-questions';
import { ID_PREFIXES } from '@/core/paper';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';
import { answer } from '@/crossing/trouble';

/** What is asked about practising pieces. */
export function practiceQuestions({ moved }: Pick<OpenedPieces, 'moved'>): PracticeQuestions {
  const withPiece = <T>(
    source: PieceSource,
    options: BenchOptions,
    work: (says: Language, moved: PractisedPiece, options: MoveOptions) => Result<T, Fault>,
  ): Answer<T> => {
    const says = languageOf(options.wording);
    const there = moved(source, options);
    if (!there.ok) return answer(says, there);
    const full = fullOptions(there.value.piece, options);
    return answer(says, full.ok ? work(says, there.value, full.value) : full);
  };
  return {
    practice: (source, options, part, columns) =>
      withPiece(source, options, (says, piece, full) =>
        practiceView(says, piece, { part, options: full }, { columns, prefix: ID_PREFIXES.after }),
      ),
    judge: (source, options, part, keys, judge) =>
      withPiece(source, options, (says, piece, full) =>
        judgedView(says, piece, { part, options: full }, { keys, judge }),
      ),
    credit: (source, options, part, heard, bpm) =>
      withPiece(source, options, (_, piece, full) => creditedPart(askedPart(piece, part, full), heard, bpm)),
    steps: (source, options, kept) => withPiece(source, options, (says, piece) => ok(stepsView(says, piece, kept))),
    parts: (source, options) => withPiece(source, options, (_, piece) => ok(partsView(piece))),
    askedMusic: (source, options, part) => withPiece(source, options, (_, piece, full) => askedPart(piece, part, full)),
    playedFile: (keys) => ok(writePlayedFile(keys)),
    keysOfPlayedFile: (file, wording) => answer(languageOf(wording), readPlayedFile(file)),
    simulate: (source, options, part, pupil) =>
      withPiece(source, options, (_, piece, full) => {
        const asked = askedPart(piece, part, full);
        return asked.ok ? ok(playAs(pupil, asked.value).keys) : asked;
      }),
  };
}

function creditedPart(asked: Result<AskedMusic, Fault>, heard: HeardRun, bpm: number | null): Result<Credited, Fault> {
  const { strokes, ears, gaps } = heard;
  if (!asked.ok) return asked;
  const msPerQuarter = bpm === null ? null : 60_000 / bpm / (asked.value.bars[0]?.beat ?? 1);
  return ok(creditHeard(asked.value, strokes, { ears, msPerQuarter, gaps }));
}

function askedPart(whole: PractisedPiece, part: PractisedPart, options: MoveOptions): Result<AskedMusic, Fault> {
  const practised = practisedBars(whole, part, options);
  if (!practised.ok) return practised;
  const { piece, after } = practised.value;
  return ok(askedIn(piece, after, { hand: part.hand, bars: null }));
}
