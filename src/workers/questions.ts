'use client';

import { proxy } from 'comlink';
import type { BenchView, Ladder, StagesKept } from '@/core/views';
import type { Mode } from '@/core/pitch';
import type { KeyOrder } from '@/core/survey';
import type { EngravingPage } from '@/core/write';
import { coreWorker, earWorker, engraveWorker } from './client';
import type { HeardRun } from '@/contract/ear-questions';
import type {
  BenchPageOptions,
  Performances,
  StageRowView,
  StageTable,
  Surveyed,
  SurveyKey,
  SurveyUnwritable,
  SurveyMode,
} from '@/contract/core-questions';
import type { EngravedSystem, EngraveLayout } from '@/contract/engraving-questions';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';

/** How many answers are kept of each kind: a few keys to either side of the one that is shown. */
const KEPT_ANSWERS = 12;

/** Asks the core for a piece in a key. The same question is worked out once, whether asked ahead or again. */
export const askBench = remembering(
  (source: PieceSource, options: BenchOptions, page: BenchPageOptions): Promise<Answer<BenchView>> =>
    coreWorker().bench(source, options, page),
  (source, ...rest) => `${nameOf(source)}/${JSON.stringify(rest)}`,
);

/** A page that was engraved with the build, by its music and its layout. */
export interface EngravedAhead {
  readonly musicXml: string;
  readonly layout: EngraveLayout;
  readonly systems: readonly EngravedSystem[];
}

const ahead = new Map<string, readonly EngravedSystem[]>();

/** Takes pages that came engraved: they need not wait for the engraver to be started. */
export function takeEngravedAhead(pages: readonly EngravedAhead[]): void {
  for (const { musicXml, layout, systems } of pages) ahead.set(`${layoutName(layout)}\n${musicXml}`, systems);
}

/** Has a page engraved, likewise once. */
export const askEngraving = remembering(
  (page: EngravingPage, layout: EngraveLayout): Promise<Answer<readonly EngravedSystem[]>> => {
    const systems = ahead.get(`${layoutName(layout)}\n${page.musicXml}`);
    return systems ? Promise.resolve({ ok: true, value: systems }) : engraveWorker().engrave(page, layout);
  },
  (page, layout) => `${nameOf(page)}/${layoutName(layout)}`,
);

/** A name for a layout: one that leaves out what is usual is the same layout. Engraving ahead and engraving for the screen meet by it. */
export function layoutName({ widthPx, zoom, breaks, spread = 'wide' }: EngraveLayout): string {
  return [widthPx, zoom, breaks, spread].join('/');
}

/** How a piece sounds before and after, likewise once. */
export const askPerformances = remembering(
  (source: PieceSource, options: BenchOptions): Promise<Answer<Performances>> =>
    coreWorker().performances(source, options),
  (source, options) => `${nameOf(source)}/${JSON.stringify(options)}`,
);

/** A ladder that is on its way: its answer, and how to end the work. */
export interface LadderOnTheWay {
  readonly answer: Promise<Answer<Ladder>>;
  readonly stop: () => void;
}

let ladders = 0;

/** Asks for all keys of a piece; `onKey` is told how many are done. */
export function askLadder(
  source: PieceSource,
  options: BenchOptions,
  {
    order,
    mode,
    onKey,
  }: { readonly order: KeyOrder; readonly mode: Mode | null; readonly onKey: (done: number, of: number) => void },
): LadderOnTheWay {
  ladders += 1;
  const ticket = `ladder ${ladders}`;
  return {
    answer: coreWorker().ladder(source, options, order, mode, ticket, proxy(onKey)),
    stop: () => void coreWorker().stop(ticket),
  };
}

/** A survey that is on its way: its answer, and how to end the work. */
export interface SurveyOnTheWay {
  readonly answer: Promise<Answer<Surveyed>>;
  readonly stop: () => void;
}

/** Asks what the keys of some modes cost; `onKey` is told of each. */
export function askSurvey(
  source: PieceSource,
  options: BenchOptions,
  modes: readonly SurveyMode[],
  onKey: (key: SurveyKey | SurveyUnwritable) => void,
): SurveyOnTheWay {
  ladders += 1;
  const ticket = `survey ${ladders}`;
  return {
    answer: coreWorker().survey(source, options, modes, ticket, proxy(onKey)),
    stop: () => void coreWorker().stop(ticket),
  };
}

/** Has the run that was listened to heard once more; `onPart` is told how far that is, from 0 to 1. */
export function endListening(onPart: (share: number) => void): Promise<Answer<HeardRun>> {
  return earWorker().end(proxy(onPart));
}

/** A table of stages and keys that is on its way: its answer, and how to end the work. */
export interface StageTableOnTheWay {
  readonly answer: Promise<Answer<StageTable>>;
  readonly stop: () => void;
}

/** Asks how the stages of a piece lie in all keys; `onRow` is told of each stage. */
export function askStageTable(
  { source, options, kept, known }: StageTableAsked,
  onRow: (row: StageRowView) => void,
): StageTableOnTheWay {
  ladders += 1;
  const ticket = `stages ${ladders}`;
  return {
    answer: coreWorker().stageTable(source, options, kept, { known }, ticket, proxy(onRow)),
    stop: () => void coreWorker().stop(ticket),
  };
}

export interface StageTableAsked {
  readonly source: PieceSource;
  readonly options: BenchOptions;
  readonly kept: StagesKept;
  /** The keys that are known, as `D-major`. */
  readonly known: readonly string[];
}

const names = new WeakMap<object, number>();
let named = 0;

/** A name for a whole piece or page, the same for the same object: to compare their text would take longer than the screen has. */
function nameOf(thing: object): number {
  const known = names.get(thing) ?? (named += 1);
  names.set(thing, known);
  return known;
}

function isBroken(given: unknown): boolean {
  const code = (given as { readonly trouble?: { readonly code?: string } } | null)?.trouble?.code ?? '';
  return code.startsWith('worker.');
}

/** Makes asking remember its last answers. `nameQuestion` tells questions apart: by all they say, where nothing else is given. */
export function remembering<Question extends readonly unknown[], T>(
  ask: (...question: Question) => Promise<T>,
  nameQuestion: (...question: Question) => string = (...question) => JSON.stringify(question),
): (...question: Question) => Promise<T> {
  const answers = new Map<string, Promise<T>>();
  return (...question) => {
    const name = nameQuestion(...question);
    const answer = answers.get(name) ?? ask(...question);
    // What came to grief is not remembered: asked again, it is tried again.
    void answer.then((given) => isBroken(given) && answers.get(name) === answer && answers.delete(name));
    // Asked again, an answer becomes the youngest; the oldest goes.
    answers.delete(name);
    answers.set(name, answer);
    const oldest = answers.keys().next().value;
    if (answers.size > KEPT_ANSWERS && oldest !== undefined) answers.delete(oldest);
    return answer;
  };
}
