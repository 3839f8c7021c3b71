'use client';

import { useState } from 'react';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';
import { makePdf } from '@/workers/print/print-job';

/** How far a file is: pages that are drawn, of so many; `of` is 0 while the music is engraved. */
export interface PrintProgress {
  readonly done: number;
  readonly of: number;
}

export interface PdfMaking {
  /** Null while nothing is being made. */
  readonly progress: PrintProgress | null;
  readonly stop: () => void;
  /** Makes a PDF; null where it was stopped or refused, which is then said. */
  readonly pdfOf: (sheets: readonly Sheet[]) => Promise<Uint8Array | null>;
}

/** Makes sheets into PDFs, shows how far it is, and can be stopped. */
export function usePdf(title: string, paper: PaperChoice): PdfMaking {
  const w = useWords();
  const { say } = useMessages();
  const [job, setJob] = useState<{ readonly stop: () => void; readonly progress: PrintProgress } | null>(null);
  const pdfOf = async (sheets: readonly Sheet[]): Promise<Uint8Array | null> => {
    const made = makePdf(sheets, { paper, title }, (done, of) => setJob({ stop: made.stop, progress: { done, of } }));
    const answer = await made.answer;
    setJob(null);
    if (answer === null) say({ kind: 'done', text: w.handout.stopped });
    else if (!answer.ok) say({ kind: 'trouble', text: answer.trouble.message, hint: answer.trouble.hint });
    return answer?.ok ? answer.value : null;
  };
  return { progress: job?.progress ?? null, stop: () => job?.stop(), pdfOf };
}
