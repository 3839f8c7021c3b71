'use client';

import type { Day } from '@/core/calendar';
import { change, type PupilRecord } from '@/data';
import { dayWords } from '@/features/shared/teaching/day-words';
import { useTypedNote } from '@/features/shared/parts/use-typed-note';
import { useWords } from '@/features/shared/words/use-words';

interface LessonNoteProps {
  readonly pupil: PupilRecord;
  readonly day: Day;
  readonly kept: string;
}

/** The teacher’s note of a lesson. */
export function LessonNote({ pupil, day, kept }: LessonNoteProps) {
  const w = useWords();
  const { isKept, field } = useTypedNote(`lesson/${pupil.id}/${day}`, kept, async (note) => {
    const words = w.lesson.noteKept(pupil.name, dayWords(day));
    return (await change({ kind: 'lesson.note', pupil: pupil.id, day, note }, words, { isTyped: true })) === null;
  });
  return (
    <section aria-labelledby="lesson-note" className="flex flex-col gap-1">
      <h2 id="lesson-note" className="text-lg font-semibold">
        {w.lesson.note}
      </h2>
      <textarea
        className="rounded-field border border-base-300 bg-base-100 p-2 h-36 w-full text-base"
        aria-labelledby="lesson-note"
        data-role="lesson-note"
        {...field}
      />
      <p className="text-xs text-secondary" role="status" data-role="note-kept" data-kept={isKept}>
        {isKept ? w.lesson.keptSo : w.pupils.notKeptYet}
      </p>
    </section>
  );
}
