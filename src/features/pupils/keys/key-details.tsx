'use client';

import { useState } from 'react';
import { X } from 'lucide-react';
import { dayOf } from '@/core/calendar';
import { KEY_STATES, type KeyStanding, type KeyState, type NextKey } from '@/core/teaching';
import { change, type PupilRecord } from '@/data';
import { SAID_DAYS } from '@/features/shared/teaching/day-words';
import { keyWords } from '@/features/shared/teaching/key-words';
import { useWords } from '@/features/shared/words/use-words';

const MOST_WHY_LETTERS = 300;

interface KeyDetailsProps {
  readonly pupil: PupilRecord;
  readonly standing: KeyStanding | null;
  readonly next: NextKey | null;
  readonly onClose: () => void;
}

/** What is known of one key, and what the teacher says of it. */
export function KeyDetails({ pupil, standing, next, onClose }: KeyDetailsProps) {
  const w = useWords();
  const [why, setWhy] = useState(standing?.judged?.why ?? '');
  const [today] = useState(() => dayOf(Date.now()));
  if (!standing) return null;
  const { key, state, by, judged } = standing;
  const name = keyWords(w, key);
  const judge = (said: KeyState | null): void =>
    void change(
      {
        kind: 'pupil.judge',
        id: pupil.id,
        keys: [key],
        state: said,
        day: today,
        why: why.trim().slice(0, MOST_WHY_LETTERS),
      },
      said === null
        ? w.pupils.keyAsRecorded(name, pupil.name)
        : w.pupils.keyJudged(name, w.pupils.keyStates[said], pupil.name),
    );
  return (
    <section
      aria-label={name}
      className="flex flex-col gap-2 rounded-box border-2 border-primary bg-base-100 p-3"
      data-role="key-details"
    >
      <div className="flex items-center gap-2">
        <h2 className="flex-1 font-serif text-lg font-semibold">{w.pupils.keyIs(name, w.pupils.keyStates[state])}</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9 pointer-coarse:size-11"
          aria-label={w.pupils.closeDetails}
          onClick={onClose}
        >
          <X size={16} aria-hidden />
        </button>
      </div>
      <ul className="list-disc pl-5 text-sm" data-role="standing">
        {w.says.standingWords(standing, SAID_DAYS).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      {next ? (
        <ul className="list-disc pl-5 text-sm" data-role="next-why">
          {w.says.nextKeyWords(next).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : null}
      <label className="flex flex-col gap-1 text-sm">
        {w.pupils.why}
        <input
          className="input input-sm h-9 w-full pointer-coarse:h-11"
          data-role="why"
          maxLength={MOST_WHY_LETTERS}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
      </label>
      <div className="flex flex-wrap gap-1" role="group" aria-label={w.pupils.teacherSays}>
        {KEY_STATES.map((said) => (
          <button
            key={said}
            type="button"
            data-judge={said}
            aria-pressed={by === 'teacher' && state === said}
            className="btn btn-sm h-9 font-normal aria-pressed:btn-neutral pointer-coarse:h-11"
            onClick={() => judge(said)}
          >
            {w.pupils.keyStates[said]}
          </button>
        ))}
        {judged ? (
          <button
            type="button"
            data-judge="recorded"
            className="btn btn-ghost btn-sm h-9 font-normal pointer-coarse:h-11"
            onClick={() => judge(null)}
          >
            {w.pupils.asRecorded}
          </button>
        ) : null}
      </div>
    </section>
  );
}
