'use client';

import Link from 'next/link';
import { memo, useRef, useState } from 'react';
import { UserPen, UserPlus } from 'lucide-react';
import type { PupilRecord, Settings } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import { NewPupil } from '@/features/shared/pupils/new-pupil';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { useWords } from '@/features/shared/words/use-words';

interface PupilChoiceProps {
  readonly pupils: readonly PupilRecord[];
  readonly chosen: PupilRecord | null;
  readonly settings: Settings;
}

/** For whom the piece is moved. The plan follows at once. */
export const PupilChoice = memo(function PupilChoice({ pupils, chosen, settings }: PupilChoiceProps) {
  const w = useWords();
  const [isAdding, setAdding] = useState(false);
  const select = useRef<HTMLSelectElement>(null);
  const close = (added: PupilRecord | null): void => {
    setAdding(false);
    if (added) choosePupil(added.id);
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
        <Link
          className="btn btn-ghost btn-sm btn-square size-9"
          aria-label={w.pupils.pageOf(chosen.name)}
          title={w.pupils.pageOf(chosen.name)}
          href={addressOf('/pupil', { pupil: chosen.id })}
        >
          <UserPen size={18} aria-hidden />
        </Link>
      ) : null}
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9"
        aria-label={w.pupils.newPupil}
        title={w.pupils.newPupil}
        onClick={() => setAdding(true)}
      >
        <UserPlus size={18} aria-hidden />
      </button>
      {isAdding ? <NewPupil settings={settings} onClose={close} /> : null}
    </div>
  );
});
