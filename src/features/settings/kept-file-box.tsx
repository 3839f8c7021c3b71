'use client';

import { FileCheck2 } from 'lucide-react';
import { change, keepInFile, useKeptFile, useLastSaved } from '@/data';
import { useMessages } from '@/features/shared/messages';

const NAME = 'studio.newthumb-studio.json';

/** A file outside of the browser that is written anew after every change, where the browser can do that. */
export function KeptFileBox() {
  const kept = useKeptFile();
  const saved = useLastSaved();
  const { say } = useMessages();
  const choose = (): void => {
    keepInFile
      .choose(NAME)
      .then((isChosen) =>
        isChosen
          ? say({
              kind: 'done',
              text: 'From now on the studio is kept in this file too.',
              hint: 'It is written a moment after every change.',
            })
          : undefined,
      )
      .catch(() =>
        say({
          kind: 'trouble',
          text: 'The browser does not let this file be written.',
          hint: 'Choose another place, or save the studio by hand.',
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
            <FileCheck2 size={16} aria-hidden /> Kept up to date in{' '}
            <strong className="font-semibold">{kept.name}</strong>
            {saved
              ? `, last written ${new Date(saved).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}`
              : ''}
          </span>
          <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={leave}>
            Stop
          </button>
        </>
      ) : null}
      {kept?.kind === 'to be allowed' ? (
        <>
          <span>The browser wants to be asked again before it writes {kept.name}.</span>
          <button
            type="button"
            className="btn btn-sm h-9"
            onClick={() =>
              void keepInFile
                .allow()
                .then((isAllowed) => (isAllowed ? change({ kind: 'note.saved', atMs: saved ?? 0 }) : undefined))
            }
          >
            Go on keeping it
          </button>
          <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={leave}>
            Stop
          </button>
        </>
      ) : null}
      {kept?.kind === 'none' ? (
        <>
          <button type="button" className="btn btn-sm h-9" onClick={choose}>
            <FileCheck2 size={16} aria-hidden /> Keep a file up to date …
          </button>
          <span className="text-secondary">
            The studio is then written to a file of your choice after every change.
          </span>
        </>
      ) : null}
      {kept?.kind === 'cannot' ? (
        <span className="text-secondary">
          This browser cannot keep a file up to date by itself: save the studio by hand now and then.
        </span>
      ) : null}
    </div>
  );
}
