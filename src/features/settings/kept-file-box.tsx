'use client';

import { FileCheck2 } from 'lucide-react';
import { change, keepInFile, useKeptFile, useLastSaved } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';

const NAME = 'studio.newthumb-studio.json';

/** A file outside of the browser that is written anew after every change, where the browser can do that. */
export function KeptFileBox() {
  const w = useWords();
  const kept = useKeptFile();
  const saved = useLastSaved();
  const { say } = useMessages();
  const choose = (): void => {
    keepInFile
      .choose(NAME, w.settings.studioFilesOfNewThumb)
      .then((isChosen) =>
        isChosen
          ? say({
              kind: 'done',
              text: w.settings.fromNowOnStudioIs,
              hint: w.settings.itIsWrittenMomentAfter,
            })
          : undefined,
      )
      .catch(() =>
        say({
          kind: 'trouble',
          text: w.settings.browserDoesNotLetThis,
          hint: w.settings.chooseAnotherPlaceOrSave,
        }),
      );
  };
  const leave = (): void => void keepInFile.leave();
  return (
    <div
      className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-2 text-sm"
      data-role="kept-file"
      data-kind={kept?.kind}
    >
      {kept?.kind === 'kept' ? (
        <>
          <span className="flex items-center gap-1.5">
            <FileCheck2 size={16} aria-hidden /> {w.settings.keptUpToDateIn}{' '}
            <strong className="font-semibold">{kept.name}</strong>
            {saved
              ? w.settings.lastWritten(new Date(saved).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }))
              : ''}
          </span>
          <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={leave}>
            {w.shared.stop}
          </button>
        </>
      ) : null}
      {kept?.kind === 'to be allowed' ? (
        <>
          <span>{w.settings.browserWantsToBeAsked(kept.name)}</span>
          <button
            type="button"
            className="btn btn-sm h-9"
            onClick={() =>
              void keepInFile
                .allow()
                .then((isAllowed) => (isAllowed ? change({ kind: 'note.saved', atMs: saved ?? 0 }) : undefined))
            }
          >
            {w.settings.goOnKeepingIt}
          </button>
          <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={leave}>
            {w.shared.stop}
          </button>
        </>
      ) : null}
      {kept?.kind === 'none' ? (
        <>
          <button type="button" className="btn btn-sm h-9" onClick={choose}>
            <FileCheck2 size={16} aria-hidden /> {w.settings.keepFileUpToDate}
          </button>
          <span className="text-secondary">{w.settings.studioIsThenWrittenTo}</span>
        </>
      ) : null}
      {kept?.kind === 'cannot' ? <span className="text-secondary">{w.settings.thisBrowserCannotKeepFile}</span> : null}
    </div>
  );
}
