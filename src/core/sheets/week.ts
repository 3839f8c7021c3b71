import type { Language } from '../explain';
import { inLanguage } from './handout';
import type { Sheet, SheetBlock } from './sheet';

/** A card of a pupil's week as its sheet tells it, in words. */
export interface WeekCardTold {
  readonly title: string;
  readonly note: string;
  readonly steps: readonly { readonly title: string; readonly told: string; readonly times: number }[];
}

/** What a pupil is to do in a week. */
export interface WeekTold {
  readonly pupil: string;
  readonly week: string;
  readonly cards: readonly WeekCardTold[];
}

/** A pupil's week: each card with its steps, and room for what was practised. */
export function weekSheet(says: Language, { pupil, week, cards }: WeekTold, foot: string): Sheet {
  const blocks = cards.flatMap(({ title, note, steps }): readonly SheetBlock[] => [
    { kind: 'heading', text: title },
    ...linesOf(note).map((text) => ({ kind: 'text', text, look: 'usual' }) as const),
    ...(steps.length === 0 ? [] : [{ kind: 'steps', steps } as const]),
  ]);
  return {
    title: `${pupil}: ${week}`,
    ...inLanguage(says),
    foot,
    blocks: [{ kind: 'title', text: pupil, under: week }, ...blocks, ...logBlocks(says, LOG_ROWS.week)],
  };
}

/** Rows of a practice log: a day each on a week's sheet, as many as a page has room for on one of its own. */
const LOG_ROWS = { week: 7, own: 24 } as const;

/** A log of what was practised, to be written in. */
export function logSheet(says: Language, foot: string): Sheet {
  const [, ...table] = logBlocks(says, LOG_ROWS.own);
  return {
    title: says.sheet.practiceLog,
    ...inLanguage(says),
    foot,
    blocks: [
      { kind: 'title', text: says.sheet.practiceLog, under: '' },
      { kind: 'fields', labels: [says.sheet.name, says.sheet.date] },
      ...table,
    ],
  };
}

function logBlocks(says: Language, count: number): readonly SheetBlock[] {
  const cells = says.sheet.logHead.map(() => '');
  const rows = Array.from({ length: count }, () => ({ hands: null, cells }));
  return [
    { kind: 'heading', text: says.sheet.practiceLog },
    { kind: 'table', head: says.sheet.logHead, rows },
  ];
}

function linesOf(text: string): readonly string[] {
  return text.split('\n').filter((line) => line.trim() !== '');
}
