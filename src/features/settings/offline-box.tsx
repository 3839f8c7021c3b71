'use client';

import { useState } from 'react';
import { CircleAlert, CircleCheck, CloudOff, Download, LoaderCircle } from 'lucide-react';
import { askForNewer, type Kept } from '@/features/shared/offline/release';
import { useInstall } from '@/features/shared/offline/install';
import { useRelease } from '@/features/shared/offline/use-release';
import { useWords, type Words } from '@/features/shared/words/use-words';

const ICONS = {
  impossible: CloudOff,
  waiting: LoaderCircle,
  fetching: LoaderCircle,
  whole: CircleCheck,
  failed: CircleAlert,
} as const;

function keptWords(w: Words, kept: Kept): string {
  if (kept.kind === 'fetching') return w.offline.fetching(kept.done, kept.of);
  if (kept.kind === 'failed') return w.offline.failed[kept.why];
  return w.offline.kept[kept.kind];
}

/** Whether the application is in this browser for use without a network, which version it is, and how it is installed. */
export function OfflineBox() {
  const w = useWords();
  const { kept, newer } = useRelease();
  const install = useInstall();
  const [asked, setAsked] = useState<'no' | 'asking' | 'asked' | 'away'>('no');
  const Icon = ICONS[kept.kind];
  const ask = (): void => {
    setAsked('asking');
    void askForNewer().then(setAsked);
  };
  return (
    <section aria-labelledby="offline" data-role="offline" data-kept={kept.kind}>
      <h2 id="offline" className="scroll-mt-20 mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
        {w.offline.heading}
      </h2>
      <p className="flex gap-2" role="status">
        <Icon size={20} aria-hidden className={`mt-0.5 shrink-0 ${kept.kind === 'failed' ? 'text-error' : ''}`} />
        {keptWords(w, kept)}
      </p>
      <p className="mt-2 text-sm text-secondary">{w.offline.version(process.env['NEXT_PUBLIC_VERSION'] ?? '')}</p>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        {kept.kind === 'impossible' ? null : (
          <button
            type="button"
            className="btn btn-sm h-9 bg-base-100 font-normal"
            disabled={asked === 'asking' || kept.kind === 'waiting'}
            onClick={ask}
          >
            {w.offline.lookForNewer}
          </button>
        )}
        {install ? (
          <button
            type="button"
            className="btn btn-sm h-9 bg-base-100 font-normal"
            data-role="install"
            onClick={install}
          >
            <Download size={16} aria-hidden /> {w.offline.install}
          </button>
        ) : null}
        <span className="text-sm" role="status">
          {asked === 'away' ? w.offline.serverIsAway : null}
          {asked === 'asked' && newer === 'none' ? w.offline.nothingNewer : null}
        </span>
      </div>
      {install ? null : <p className="mt-2 text-sm text-secondary">{w.offline.installByMenu}</p>}
    </section>
  );
}
