/* eslint max-params: ["error", 6] -- what is asked of a worker crosses as a list of values; a function that is called back has to be one of its own */
import { err, ok } from '@/core/base';
import { languageOf, type Language } from '@/core/explain';
import { asWritten, type OpenedPiece } from '@/core/piece';
import { keyText, parseKey } from '@/core/pitch';
import {
  readBars,
  stageId,
  countNews,
  stageRow,
  stagesOf,
  subjectOf,
  wayTo,
  type Difficulty,
  type Stage,
  type WayStep,
} from '@/core/stages';
import { arrangedStages, stagesView, type StagesKept } from '@/core/views';
import { ladderKeys } from '@/core/survey';
import { withTitle } from '@/core/edit';
import { writeMusicXml } from '@/core/write';
import { mapped, type OpenedPieces } from './opened-pieces';
import type { CoreService, StageRowView, WayStepView } from '@/contract/core-questions';
import type { Tickets } from '@/crossing/tickets';
import { answer } from '@/crossing/trouble';

type StageQuestions = Pick<CoreService, 'stages' | 'stageAsPiece' | 'namedBars' | 'stageTable'>;

/** What is asked about the stages of pieces. */
export function stageQuestions(
  pieces: Pick<OpenedPieces, 'moved'>,
  tickets: Tickets,
  otherQuestions: () => Promise<void>,
): StageQuestions {
  const { moved } = pieces;
  return {
    stages: (source, options, kept) => {
      const says = languageOf(options.wording);
      return answer(
        says,
        mapped(moved({ ...source, stage: null }, options), ({ piece, after }) => stagesView(says, piece, after, kept)),
      );
    },
    stageAsPiece: (source, options, title) =>
      answer(
        languageOf(options.wording),
        mapped(moved(source, options), ({ after }) => writeMusicXml(withTitle(after.score, title))),
      ),
    namedBars: (source, options, text) => {
      const says = languageOf(options.wording);
      const whole = moved({ ...source, stage: null }, options);
      if (!whole.ok) return answer(says, whole);
      const { piece, after } = whole.value;
      const bars = readBars(subjectOf(piece, after), text);
      if (bars === 'all') return ok(null);
      const allowed = allowedBars(piece);
      return bars ? ok(bars) : answer(says, err({ code: 'query.value', name: 'bars', value: text, allowed }));
    },
    stageTable: stageTable(pieces, tickets, otherQuestions),
  };
}

/** How each stage lies in all keys, one stage after the other, and the way to the whole. */
function stageTable(
  { moved }: Pick<OpenedPieces, 'moved'>,
  tickets: Tickets,
  otherQuestions: () => Promise<void>,
): CoreService['stageTable'] {
  return async (source, options, kept, { known }, ticket, onRow) => {
    const says = languageOf(options.wording);
    const whole = moved({ ...source, stage: null }, options);
    if (!whole.ok) return answer(says, whole);
    const { piece, after } = whole.value;
    const stages = arrangedStages(piece, asWritten(piece, options.player), kept);
    // A way may go by an easier left hand alone, though it stands on no rail.
    const shown = new Set(stages.map(({ name }) => stageId(name)));
    const beside = stagesOf(piece, asWritten(piece, options.player)).others.filter(
      ({ name }) => name.kind.endsWith('-alone') && !shown.has(stageId(name)),
    );
    const work = tickets.begin(ticket);
    const rows: { readonly stage: Stage; readonly row: StageRowView }[] = [];
    try {
      for (const stage of [...stages, ...beside]) {
        await otherQuestions();
        if (work.isStopped()) return answer(says, err({ code: 'job.stopped' }));
        const row = { ...stageRow(piece, stage, options.player), ...wordsOf(says, stage, kept) };
        rows.push({ stage, row });
        if (stages.includes(stage)) onRow(row);
      }
    } finally {
      work.end();
    }
    const own = piece.key.key;
    const way = wayTo({
      stages: rows.map(({ stage, row }) => ({ id: row.id, difficulties: stage.difficulties, keys: playableIn(row) })),
      known,
      level: options.player.level,
      wanted: keyText(after.key),
      home: keyText(own),
    });
    return ok({
      own: keyText(own),
      keys: ladderKeys(piece, own.mode).map(keyText),
      way: way && way.map((step) => stepView(says, step, rows.find(({ row }) => row.id === step.stage)?.row)),
    });
  };
}

function allowedBars({ part }: OpenedPiece): string {
  const numbers = part.measures.map(({ number }) => number);
  return `${numbers[0] ?? ''} to ${numbers.at(-1) ?? ''}, as 3-4, 7`;
}

/** What a stage is called, and why it is there: in the teacher's words where it is their own. */
function wordsOf(says: Language, stage: Stage, { own }: StagesKept): Pick<StageRowView, 'title' | 'why'> {
  const { name } = stage;
  const mine = name.kind === 'own' ? own.find(({ id }) => id === name.id) : undefined;
  return { title: mine?.title ?? says.stageTitle(stage), why: mine?.words || says.stageWhy(stage.why) };
}

/** The keys in which a stage asks nothing that the hand cannot do. */
function playableIn({ keys }: StageRowView): readonly string[] {
  return keys.filter(({ limits }) => limits === 0).map(({ key }) => key);
}

function stepView(says: Language, step: WayStep, row: StageRowView | undefined): WayStepView {
  const key = parseKey(step.key, 'major');
  const keyWords = key ? says.key(key) : step.key;
  const news = step.news.map((one: Difficulty | 'key') => says.difficultyWords(one, keyWords));
  return {
    ...step,
    title: row?.title ?? step.stage,
    keyWords,
    newWords: says.listed(news),
    isMore: countNews(step.news) > 1,
  };
}
