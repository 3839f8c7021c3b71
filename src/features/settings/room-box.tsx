'use client';

import { useCallback, useEffect, useState } from 'react';
import { askToPersist, roomLeft, useLastSaved, type Room } from '@/data';
import { useMessages } from '@/features/shared/messages';

const KB = 1_000;
const MB = 1_000_000;
const GB = 1_000_000_000;

function sizeWords(bytes: number): string {
  if (bytes >= GB) return `${(bytes / GB).toFixed(1)} GB`;
  return bytes >= MB ? `${(bytes / MB).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / KB))} kB`;
}

/** How much room the studio takes, how much is left, and whether the browser promises to keep it. */
export function RoomBox() {
  const { say } = useMessages();
  const saved = useLastSaved();
  const [room, setRoom] = useState<Room | null>(null);
  const measure = useCallback(() => void roomLeft().then(setRoom), []);
  useEffect(measure, [measure]);
  const ask = async (): Promise<void> => {
    const promised = await askToPersist();
    measure();
    say(
      promised === 'kept'
        ? { kind: 'done', text: 'The browser promises to keep the studio.' }
        : {
            kind: 'trouble',
            text: 'The browser does not promise to keep the studio.',
            hint: 'Many do once a page is used often or put among the bookmarks. Save the studio to a file now and then.',
          },
    );
  };
  return (
    <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm" data-role="room">
      <dt className="text-secondary">Last studio file</dt>
      <dd>
        {saved
          ? new Date(saved).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })
          : 'none from this browser yet'}
      </dd>
      {room ? (
        <>
          <dt className="text-secondary">Room</dt>
          <dd>
            {sizeWords(room.usedBytes)} taken, {sizeWords(room.leftBytes)} left
          </dd>
          <dt className="text-secondary">When room gets short</dt>
          <dd className="flex flex-wrap items-center gap-2">
            {room.promised === 'kept' ? 'the browser keeps the studio' : 'the browser may delete it'}
            {room.promised === 'not promised' ? (
              <button type="button" className="btn btn-sm h-8 font-normal" onClick={() => void ask()}>
                Ask it to keep the studio
              </button>
            ) : null}
          </dd>
        </>
      ) : null}
    </dl>
  );
}
