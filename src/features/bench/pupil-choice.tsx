'use client';

import { memo, useRef, useState } from 'react';
import { UserPen, UserPlus } from 'lucide-react';
import { leaveDesk, studioDatabase, type PupilRecord, type Settings } from '@/data';
import { ANY_HAND, PupilSelect } from '@/features/shared/pupil-select';
import { PupilForm } from './pupil-form';
import { go } from './use-bench-address';

interface PupilChoiceProps {
  readonly pupils: readonly PupilRecord[];
  readonly chosen: PupilRecord | null;
  readonly settings: Settings;
}

/** For whom the piece is moved. The plan follows at once. */
export const PupilChoice = memo(function PupilChoice({ pupils, chosen, settings }: PupilChoiceProps) {
  const [edited, setEdited] = useState<PupilRecord | 'new' | null>(null);
  const select = useRef<HTMLSelectElement>(null);
  const choose = (id: string): void => {
    go({ pupil: id });
    void leaveDesk(studioDatabase(), { pupil: id === ANY_HAND ? null : id });
  };
  const close = (kept: PupilRecord | null): void => {
    setEdited(null);
    if (kept) choose(kept.id);
    select.current?.focus();
  };
  return (
    <div className="flex items-center gap-1 text-sm">
      <PupilSelect ref={select} pupils={pupils} chosen={chosen} settings={settings} onChoose={choose} />
      {chosen ? (
        <button type="button" className="btn btn-ghost btn-sm btn-square size-9" aria-label={`Change ${chosen.name}`} title={`Change ${chosen.name}`} onClick={() => setEdited(chosen)}>
          <UserPen size={18} aria-hidden />
        </button>
      ) : null}
      <button type="button" className="btn btn-ghost btn-sm btn-square size-9" aria-label="New pupil" title="New pupil" onClick={() => setEdited('new')}>
        <UserPlus size={18} aria-hidden />
      </button>
      {edited !== null ? <PupilForm key={edited === 'new' ? 'new' : edited.id} pupil={edited === 'new' ? null : edited} settings={settings} onClose={close} /> : null}
    </div>
  );
});
