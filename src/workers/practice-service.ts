/* eslint max-params: ["error", 5] -- what is asked of a worker crosses as a list of values */
import type { AskedMusic, StruckKey } from '@/core/asked';
import type { JudgeOptions } from '@/core/practice';
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
import type { HeardRun } from './ear-protocol';
import type { OpenedPieces } from './opened-pieces';
import type { PracticeQuestions } from './practice-protocol';
import {
  bpmSchema,
  heardRunSchema,
  judgeOptionsSchema,
  practisedPartSchema,
  simulatedPupilSchema,
  stepsKeptSchema,
  struckKeysSchema,
} from './practice-schemas';
import { ID_PREFIXES, type Answer, type BenchOptions, type PieceSource } from './protocol';
import { bytesSchema, columnsSchema, wordingSchema } from './protocol-schemas';
import { answer } from './trouble';

/** What is asked about practising pieces. */
export function practiceQuestions({ moved }: Pick<OpenedPieces, 'moved'>): PracticeQuestions {
  const withPiece = <T>(
    source: PieceSource,
    options: BenchOptions,
    work: (moved: PractisedPiece, options: MoveOptions) => Result<T, Fault>,
  ): Answer<T> => {
    const says = said(options.wording);
    const there = moved(source, options);
    if (!there.ok) return answer(says, there);
    const full = fullOptions(there.value.piece, options);
    return answer(says, full.ok ? work(there.value, full.value) : full);
  };
  return {
    practice: (source, options, part, columns) => {
      const checked = practisedPartSchema.validateSync(part, { strict: true });
      const room = columnsSchema.validateSync(columns, { strict: true });
      return withPiece(source, options, (piece, full) =>
        practiceView(
          said(options.wording),
          piece,
          { part: checked, options: full },
          { columns: room, prefix: ID_PREFIXES.after },
        ),
      );
    },
    judge: (source, options, part, keys, how) => {
      const checked = practisedPartSchema.validateSync(part, { strict: true });
      const played = playedOf(keys, how);
      return withPiece(source, options, (piece, full) =>
        judgedView(said(options.wording), piece, { part: checked, options: full }, played),
      );
    },
    credit: (source, options, part, heard, bpm) =>
      withPiece(source, options, (piece, full) => {
        const checked = practisedPartSchema.validateSync(part, { strict: true });
        return creditedPart(askedPart(piece, checked, full), heard, bpm);
      }),
    steps: (source, options, kept) => {
      const checked = stepsKeptSchema.validateSync(kept, { strict: true });
      return withPiece(source, options, (piece) => ok(stepsView(said(options.wording), piece, checked)));
    },
    parts: (source, options) => withPiece(source, options, (piece) => ok(partsView(piece))),
    askedMusic: (source, options, part) => {
      const checked = practisedPartSchema.validateSync(part, { strict: true });
      return withPiece(source, options, (piece, full) => askedPart(piece, checked, full));
    },
    playedFile: (keys) => ok(writePlayedFile(struckKeysSchema.validateSync(keys, { strict: true }))),
    keysOfPlayedFile: (file, wording) =>
      answer(said(wording), readPlayedFile(bytesSchema.validateSync(file, { strict: true }))),
    simulate: (source, options, part, pupil) => {
      const checked = practisedPartSchema.validateSync(part, { strict: true });
      const who = simulatedPupilSchema.validateSync(pupil, { strict: true });
      return withPiece(source, options, (whole, full) => {
        const asked = askedPart(whole, checked, full);
        return asked.ok ? ok(playAs(who, asked.value).keys) : asked;
      });
    },
  };
}

function playedOf(
  keys: readonly StruckKey[],
  how: JudgeOptions,
): { readonly keys: readonly StruckKey[]; readonly judge: JudgeOptions } {
  return {
    keys: struckKeysSchema.validateSync(keys, { strict: true }),
    judge: judgeOptionsSchema.validateSync(how, { strict: true }),
  };
}

function creditedPart(asked: Result<AskedMusic, Fault>, heard: HeardRun, bpm: number | null): Result<Credited, Fault> {
  const { strokes, ears, gaps } = heardRunSchema.validateSync(heard, { strict: true });
  const set = bpmSchema.validateSync(bpm, { strict: true });
  if (!asked.ok) return asked;
  const msPerQuarter = set === null ? null : 60_000 / set / (asked.value.bars[0]?.beat ?? 1);
  return ok(creditHeard(asked.value, strokes, { ears, msPerQuarter, gaps }));
}

function askedPart(whole: PractisedPiece, part: PractisedPart, options: MoveOptions): Result<AskedMusic, Fault> {
  const practised = practisedBars(whole, part, options);
  if (!practised.ok) return practised;
  const { piece, after } = practised.value;
  return ok(askedIn(piece, after, { hand: part.hand, bars: null }));
}

function said(wording: BenchOptions['wording']): Language {
  return languageOf(wordingSchema.validateSync(wording, { strict: true }));
}
