'use client';

import { useState } from 'react';
import { Notice } from '@/features/shared/parts/notice';
import { useWords } from '@/features/shared/words/use-words';
import { takeNewer } from './release';
import { useRelease } from './use-release';

/** A newer release is offered, never forced. */
export function NewerNotice() {
  const w = useWords();
  const { newer } = useRelease();
  const [isLater, setLater] = useState(false);
  if (newer === 'none' || isLater) return null;
  return (
    <Notice role="status" name="newer" tone="news">
      <span className="min-w-0 flex-1">
        <strong className="font-semibold">{newer === 'ready' ? w.offline.newerIsThere : w.offline.newerIsInUse}</strong>{' '}
        {w.offline.everythingIsKept}
      </span>
      <button type="button" className="btn btn-sm h-9" data-role="take-newer" onClick={() => void takeNewer()}>
        {w.offline.takeNewer}
      </button>
      <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={() => setLater(true)}>
        {w.shared.later}
      </button>
    </Notice>
  );
}
