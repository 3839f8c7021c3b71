'use client';

import type { BenchView, PageView } from '@/core/job';
import type { EngravingPage } from '@/core/write';
import { coreWorker, engraveWorker } from './client';
import type { Answer, BenchWish, EngraveLayout, PieceSource } from './protocol';

/** How many answers are kept of each kind: a few keys to either side of the one that is shown. */
const KEPT_ANSWERS = 12;

/** Asks the core for a piece in a key. The same question is worked out once, whether asked ahead or again. */
export const askBench = remembering(
  (source: PieceSource, wish: BenchWish, view: PageView, columns: number): Promise<Answer<BenchView>> => coreWorker().bench(source, wish, view, columns),
);

/** Has a page engraved, likewise once. */
export const askEngraving = remembering((page: EngravingPage, layout: EngraveLayout): Promise<Answer<readonly string[]>> => engraveWorker().engrave(page, layout));

/** Makes asking remember its last answers. */
export function remembering<Question extends readonly unknown[], T>(ask: (...question: Question) => Promise<T>): (...question: Question) => Promise<T> {
  const answers = new Map<string, Promise<T>>();
  return (...question) => {
    const name = JSON.stringify(question);
    const answer = answers.get(name) ?? ask(...question);
    // What failed is not remembered: asked again, it is tried again.
    answer.catch(() => answers.delete(name));
    // Asked again, an answer becomes the youngest; the oldest goes.
    answers.delete(name);
    answers.set(name, answer);
    const oldest = answers.keys().next().value;
    if (answers.size > KEPT_ANSWERS && oldest !== undefined) answers.delete(oldest);
    return answer;
  };
}
