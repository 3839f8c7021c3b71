import type { Week } from '@/core/calendar';
import type { Sheet, WeekTold } from '@/core/sheets';
import type { Desk, PieceRecord, PlanEntry, PupilRecord, Settings } from '@/data';
import { pieceOptionsOf } from '@/features/shared/pieces/piece-options';
import { footOf, requestOf } from '@/features/shared/printing/request-of';
import { stageSourceOf } from '@/features/shared/pieces/stage-source';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { weekWords } from '@/features/shared/teaching/day-words';
import type { Words } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { Answer } from '@/contract/answer';

/** What the sheets of a week are made from. */
export interface ClassWeek {
  readonly pupils: readonly PupilRecord[];
  readonly plan: readonly PlanEntry[];
  readonly pieces: readonly PieceRecord[];
  readonly settings: Settings;
  readonly desk: Desk;
  readonly shown: Week;
}

/** A pupil's sheets: the week, and a handout of each piece on its cards. */
export interface PupilSheets {
  readonly pupil: PupilRecord;
  readonly sheets: readonly Sheet[];
}

/** The sheets of all pupils for whom something is set in a week; pupils without cards have none. Refused where a piece cannot be had in its key. */
export async function classSheets(w: Words, of: ClassWeek): Promise<Answer<readonly PupilSheets[]>> {
  const all: PupilSheets[] = [];
  for (const pupil of of.pupils) {
    const cards = of.plan.filter((card) => card.pupil === pupil.id && card.week === of.shown);
    if (cards.length === 0) continue;
    const sheets = await pupilSheets(w, of, pupil, cards);
    if (!sheets.ok) return sheets;
    all.push({ pupil, sheets: sheets.value });
  }
  return { ok: true, value: all };
}

async function pupilSheets(
  w: Words,
  of: ClassWeek,
  pupil: PupilRecord,
  cards: readonly PlanEntry[],
): Promise<Answer<readonly Sheet[]>> {
  const { settings, desk, pieces, shown } = of;
  const { wording } = w;
  const told: WeekTold['cards'][number][] = [];
  const handouts: Sheet[] = [];
  for (const card of cards) {
    const piece = pieces.find(({ id }) => id === card.piece) ?? null;
    const title = cardTitle(w, card, piece);
    // Of words alone the first line is the title.
    const note = card.piece === null ? card.note.split('\n').slice(1).join('\n') : card.note;
    const own = { title, note, steps: [] };
    if (piece === null) {
      told.push(own);
      continue;
    }
    const whole = pieceOptionsOf(piece, { settings, pupil, wording });
    const options = { ...whole.options, to: card.key };
    const request = requestOf(
      { ...desk.sheet, kind: 'handout' },
      { piece, pupil, key: card.key, desk, settings, wording },
    );
    const source = { ...whole.source, stage: stageSourceOf(piece, pupil, card.stage) };
    const handout = await coreWorker().pieceSheet(source, options, 'handout', request);
    if (!handout.ok) return handout;
    handouts.push(handout.value);
    const steps = await coreWorker().steps(whole.source, options, request.steps);
    if (!steps.ok) return steps;
    const wanted = steps.value.steps.filter(({ step }) => card.steps === null || card.steps.includes(step.id));
    told.push({
      ...own,
      steps: wanted.map(({ step, title: name, told: how }) => ({ title: name, told: how, times: step.times })),
    });
  }
  const week = { pupil: pupil.name, week: w.says.sheet.weekOf(weekWords(shown, settings.firstDay)), cards: told };
  const first = await coreWorker().weekSheet(week, footOf(settings), wording);
  return first.ok ? { ok: true, value: [first.value, ...handouts] } : first;
}
