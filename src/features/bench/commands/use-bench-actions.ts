'use client';

import { useCallback } from 'react';
import type { Mark } from '@/core/annotate';
import type { BenchView, Moment } from '@/core/views';
import type { FileFormat } from '@/core/base';
import { useMessages } from '@/features/shared/shell/messages';
import { saveFile } from '@/features/shared/files/save-file';
import { coreWorker } from '@/workers/client';
import type { BenchAnswers } from '../use-bench';
import { addressNow, go, note } from '../bench-address';
import { useWords } from '@/features/shared/words/use-words';

/** What a teacher can do on the Bench, by press or by key. */
export interface BenchActions {
  readonly goToKey: (key: string) => void;
  readonly stepKey: (by: number) => void;
  readonly walk: (by: number) => void;
  readonly selectNote: (id: string) => void;
  readonly save: (format: FileFormat) => void;
}

/** The actions keep their identity while what they work on is the same, so that what shows them need not be drawn again. */
export function useBenchActions(
  { inStage, beside, options, view: { value: view }, prepare }: BenchAnswers,
  keys: readonly string[],
  marks: readonly Mark[],
): BenchActions {
  const w = useWords();
  const { say } = useMessages();
  const goToKey = useCallback(
    (key: string): void => {
      void prepare(key);
      go({ key });
    },
    [prepare],
  );
  const stepKey = useCallback(
    (by: number): void => {
      const current = keys.indexOf(addressNow().key ?? view?.toText ?? '');
      const next = keys[(current + by + keys.length) % keys.length];
      if (next !== undefined) goToKey(next);
    },
    [keys, view, goToKey],
  );
  const walk = useCallback(
    (by: number): void => {
      const moments = view?.momentsAfter ?? [];
      const from = momentIndex(moments, addressNow().at) ?? -1;
      const place = placeOf(moments[Math.min(moments.length - 1, Math.max(0, from + by))]);
      if (place !== null) note({ at: place });
    },
    [view],
  );
  const selectNote = useCallback(
    (id: string): void => {
      const struck = view?.momentsAfter.find(({ keys: down }) => down.some((key) => key.noteId === id && key.isStruck));
      const place = placeOf(struck);
      if (place !== null) note({ at: place });
    },
    [view],
  );
  const save = useCallback(
    (format: FileFormat): void => {
      void coreWorker()
        .save(inStage, options, format, beside, marks)
        .then((saved) => {
          if (!saved.ok) return say({ kind: 'trouble', text: saved.trouble.message, hint: saved.trouble.hint });
          saveFile(saved.value.name, saved.value.mediaType, saved.value.content);
          say({ kind: 'done', text: w.bench.savedAs(saved.value.name) });
        });
    },
    [w, inStage, beside, options, marks, say],
  );
  return { goToKey, stepKey, walk, selectNote, save };
}

/** The place of a moment as the address has it. */
function placeOf(moment: Moment | undefined): string | null {
  return moment ? `${moment.bar}:${moment.beat}` : null;
}

/** The moment at a place of the address; null where there is none. */
export function momentIndex(moments: BenchView['momentsAfter'], at: string | null): number | null {
  const index = moments.findIndex((moment) => placeOf(moment) === at);
  return index < 0 ? null : index;
}
