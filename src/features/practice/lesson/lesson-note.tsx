'use client';

import { useEffect, useRef, useState } from 'react';
import type { Day } from '@/core/calendar';
import { change, type PupilRecord } from '@/data';
import { dayWords } from '@/features/shared/teaching/day-words';
import { useWords } from '@/features/shared/words/use-words';

/** How long after the last key what was typed is kept. Unit: ms. */
const PAUSE_MS = 900;

interface LessonNoteProps {
  readonly pupil: PupilRecord;
  readonly day: Day;
  readonly kept: string;
}

/** The teacher’s note of a lesson: kept at each pause. What is typed stays in this tab until it is kept, also over a reload. */
export function LessonNote({ pupil, day, kept }: LessonNoteProps) {
  const w = useWords();
  const place = `new-thumb-form/lesson/${pupil.id}/${day}`;
  const [typed, setTyped] = useState<string | null>(() => sessionStorage.getItem(place));
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** What was typed last and is not kept yet. */
  const pending = useRef<(() => void) | null>(null);
  const keep = async (note: string): Promise<void> => {
    clearTimeout(timer.current);
    pending.current = null;
    const words = w.lesson.noteKept(pupil.name, dayWords(day));
    if (await change({ kind: 'lesson.note', pupil: pupil.id, day, note }, words)) return;
    if (sessionStorage.getItem(place) === note) sessionStorage.removeItem(place);
    setTyped((now) => (now === note ? null : now));
  };
  const write = (note: string): void => {
    setTyped(note);
    sessionStorage.setItem(place, note);
    clearTimeout(timer.current);
    pending.current = () => void keep(note);
    timer.current = setTimeout(pending.current, PAUSE_MS);
  };
  // Whoever leaves the lesson in the middle of a pause has kept it too.
  useEffect(() => () => pending.current?.(), []);
  const isKept = typed === null || typed === kept;
  return (
    <section aria-labelledby="lesson-note" className="flex flex-col gap-1">
      <h2 id="lesson-note" className="text-lg font-semibold">
        {w.lesson.note}
      </h2>
      <textarea
        className="rounded-field border border-base-300 bg-base-100 p-2 h-36 w-full text-base"
        aria-labelledby="lesson-note"
        data-role="lesson-note"
        value={typed ?? kept}
        onChange={(event) => write(event.target.value)}
        onBlur={() => {
          if (!isKept && typed !== null) void keep(typed);
        }}
      />
      <p className="text-xs text-secondary" role="status" data-role="note-kept" data-kept={isKept}>
        {isKept ? w.lesson.keptSo : w.pupils.notKeptYet}
      </p>
    </section>
  );
}
