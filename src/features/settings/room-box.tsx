'use client';

import { useCallback, useEffect, useState } from 'react';
import {
  askToPersist,
  recordedBytes,
  roomLeft,
  tidyRecordings,
  useLastSaved,
  useOwnEarFigures,
  type Room,
} from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords, type Words } from '@/features/shared/words/use-words';

const KB = 1_000;
const MB = 1_000_000;
const GB = 1_000_000_000;

function sizeWords(w: Words, bytes: number): string {
  if (bytes >= GB) return w.settings.gb((bytes / GB).toFixed(1));
  return bytes >= MB ? w.settings.mb((bytes / MB).toFixed(1)) : w.settings.kb(Math.max(1, Math.round(bytes / KB)));
}

/** How much room the studio takes, how much is left, and whether the browser promises to keep it. */
export function RoomBox() {
  const w = useWords();
  const { say } = useMessages();
  const saved = useLastSaved();
  const [room, setRoom] = useState<Room | null>(null);
  const own = useOwnEarFigures();
  const [soundBytes, setSoundBytes] = useState(0);
  const measure = useCallback(() => {
    void roomLeft().then(setRoom);
    // Sounds whose run was deleted and can no longer be had back take no room any more.
    void tidyRecordings()
      .then(recordedBytes)
      .then(setSoundBytes, () => undefined);
  }, []);
  useEffect(measure, [measure]);
  const ask = async (): Promise<void> => {
    const promised = await askToPersist();
    measure();
    say(
      promised === 'kept'
        ? { kind: 'done', text: w.settings.browserPromisesToKeepStudio }
        : {
            kind: 'trouble',
            text: w.settings.browserDoesNotPromiseTo,
            hint: w.settings.manyDoOncePageIs,
          },
    );
  };
  return (
    <dl className="mt-4 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 text-sm" data-role="room">
      <dt className="text-secondary">{w.settings.lastStudioFile}</dt>
      <dd>
        {saved
          ? new Date(saved).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })
          : w.settings.noneFromThisBrowserYet}
      </dd>
      {room ? (
        <>
          <dt className="text-secondary">{w.settings.room}</dt>
          <dd>{w.settings.takenLeft(sizeWords(w, room.usedBytes), sizeWords(w, room.leftBytes))}</dd>
          {soundBytes > 0 ? (
            <>
              <dt className="text-secondary">{w.ear.soundsKept}</dt>
              <dd data-role="sounds-kept">{sizeWords(w, soundBytes)}</dd>
            </>
          ) : null}
          {own && own.runs > 0 ? (
            <>
              <dt className="text-secondary">{w.ear.ownTests}</dt>
              <dd data-role="own-ear-figures">
                {w.ear.ownRuns(own.runs, own.accused)} {w.ear.ownNotes(own.notes, own.right, own.unclear)}
              </dd>
            </>
          ) : null}
          <dt className="text-secondary">{w.settings.whenRoomGetsShort}</dt>
          <dd className="flex flex-wrap items-center gap-2">
            {room.promised === 'kept' ? w.settings.browserKeepsStudio : w.settings.browserMayDeleteIt}
            {room.promised === 'not promised' ? (
              <button
                type="button"
                className="btn btn-sm h-auto min-h-8 shrink py-1 font-normal whitespace-normal"
                onClick={() => void ask()}
              >
                {w.settings.askItToKeepStudio}
              </button>
            ) : null}
          </dd>
        </>
      ) : null}
    </dl>
  );
}
