'use client';

import { memo, useRef, useState } from 'react';
import { UserPen, UserPlus } from 'lucide-react';
import type { PupilRecord, Settings } from '@/data';
import { choosePupil } from '@/features/shared/choose-pupil';
import { PupilSelect } from '@/features/shared/pupil-select';
import { PupilForm } from './pupil-form';
import { useWords } from '@/features/shared/words/use-words';

interface PupilChoiceProps {
  readonly pupils: readonly PupilRecord[];
  readonly chosen: PupilRecord | null;
  readonly settings: Settings;
}

/** For whom the piece is moved. The plan follows at once. */
export const PupilChoice = memo(function PupilChoice({ pupils, chosen, settings }: PupilChoiceProps) {
  const w = useWords();
  const [edited, setEdited] = useState<PupilRecord | 'new' | null>(null);
  const select = useRef<HTMLSelectElement>(null);
  const close = (kept: PupilRecord | null): void => {
    setEdited(null);
    if (kept) choosePupil(kept.id);
    select.current?.focus();
  };
  return (
    <div className="flex shrink-0 items-center text-sm">
      <PupilSelect
        ref={select}
        pupils={pupils}
        chosen={chosen}
        settings={settings}
        onChoose={choosePupil}
        room="tight"
      />
      {chosen ? (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9"
          aria-label={w.pupils.change(chosen.name)}
          title={w.pupils.change(chosen.name)}
          onClick={() => setEdited(chosen)}
        >
          <UserPen size={18} aria-hidden />
        </button>
      ) : null}
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9"
        aria-label={w.pupils.newPupil}
        title={w.pupils.newPupil}
        onClick={() => setEdited('new')}
      >
        <UserPlus size={18} aria-hidden />
      </button>
      {edited !== null ? (
        <PupilForm
          key={edited === 'new' ? 'new' : edited.id}
          pupil={edited === 'new' ? null : edited}
          settings={settings}
          onClose={close}
        />
      ) : null}
    </div>
  );
});
