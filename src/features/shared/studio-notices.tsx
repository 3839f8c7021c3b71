'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import {
  change,
  keepInFile,
  onRefusal,
  ownSince,
  storeFaultWords,
  studio,
  useKeptFile,
  useLastSaved,
  useSettings,
  useStoreState,
  useWaiting,
  type Settings,
} from '@/data';
import { useMessages } from './messages';
import { Notice } from './notice';
import { NewerNotice } from './offline/newer-notice';
import { saveStudio } from './save-studio';
import { onSilence } from './sound/sounder';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What the teacher must know of the store, above every screen: that something could not be written, that the store is gone, that it is long since the
 * last studio file, that a newer version is there. */
export function StudioNotices() {
  useRefusals();
  useKeptFileUpToDate();
  useSilence();
  return (
    <>
      <StoreNotice />
      <WaitingNotice />
      <ReminderNotice />
      <NewerNotice />
    </>
  );
}

/** Every command that is refused is told, whichever screen asked. */
function useRefusals(): void {
  const w = useWords();
  const { say } = useMessages();
  useEffect(
    () =>
      onRefusal((fault) => {
        const { message, hint } = storeFaultWords(w, fault);
        say({ kind: 'trouble', text: message, hint });
      }),
    [w, say],
  );
}

/** That nothing sounds is told once: who plays on in silence knows it by then. */
function useSilence(): void {
  const w = useWords();
  const { say } = useMessages();
  const isTold = useRef(false);
  useEffect(
    () =>
      onSilence(() => {
        if (isTold.current) return;
        isTold.current = true;
        say({ kind: 'trouble', text: w.shared.noSoundJustNow, hint: w.shared.shownInTimeAllTheSame });
      }),
    [w, say],
  );
}

const storeWords = (w: Words) =>
  ({
    blocked: {
      text: w.shared.anotherTabHasStudioOpen,
      hint: w.shared.closeOrReloadThatTab,
    },
    old: {
      text: w.shared.anotherTabOpenedStudioIn,
      hint: w.shared.reloadThisPageEverythingIs,
    },
    gone: {
      text: w.shared.browserHasClosedOrDeleted,
      hint: w.shared.saveStudioFileNowWhere,
    },
  }) as const;

function StoreNotice() {
  const w = useWords();
  const state = useStoreState();
  if (state === 'open' || state === 'newer' || state === 'unreachable' || state === 'removed') return null;
  const { text, hint } = storeWords(w)[state];
  return (
    <Notice role="alert" name="store">
      <span>
        <strong className="font-semibold">{text}</strong> {hint}
      </span>
      <button type="button" className="btn btn-sm h-9" onClick={() => location.reload()}>
        {w.shared.reload}
      </button>
    </Notice>
  );
}

/** How often what waits for room is tried again. Unit: ms. */
const TRIED_EVERY_MS = 20_000;

function WaitingNotice() {
  const w = useWords();
  const { count, refused } = useWaiting();
  const { say } = useMessages();
  const told = useRef(0);
  useEffect(() => {
    for (const { label, fault } of refused.slice(told.current))
      say({
        kind: 'trouble',
        text: w.shared.couldNotBeWrittenAny(label, storeFaultWords(w, fault).message),
        hint: w.shared.lookAtItOnceMore,
      });
    told.current = refused.length;
  }, [w, refused, say]);
  useEffect(() => {
    if (count === 0) return undefined;
    const timer = setInterval(() => void studio().retry(), TRIED_EVERY_MS);
    // The browser asks before the page is left.
    const hold = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', hold);
    return () => {
      clearInterval(timer);
      window.removeEventListener('beforeunload', hold);
    };
  }, [count]);
  if (count === 0) return null;
  return (
    <Notice role="alert" name="waiting">
      <span className="min-w-0 flex-1">
        <strong className="font-semibold">{w.shared.thereIsNoRoomLeft(count)}</strong> {w.shared.theyAreWrittenAsSoon}
      </span>
      <SaveStudio />
      <button type="button" className="btn btn-sm h-9" onClick={() => void studio().retry()}>
        {w.shared.tryAgain}
      </button>
    </Notice>
  );
}

function SaveStudio() {
  const w = useWords();
  const { say } = useMessages();
  return (
    <button
      type="button"
      className="btn btn-sm h-9"
      onClick={() => void saveStudio().then((name) => say({ kind: 'done', text: w.shared.studioIsSavedAs(name) }))}
    >
      {w.shared.saveStudio}
    </button>
  );
}

const DAY_MS = 24 * 60 * 60 * 1000;
const REMINDED_AFTER_DAYS: Readonly<Record<Settings['fileReminder'], number>> = { week: 7, month: 30, never: Infinity };

/** A studio file is asked for once there is something of the teacher's own that no file has. */
function ReminderNotice() {
  const w = useWords();
  const settings = useSettings();
  const saved = useLastSaved();
  const kept = useKeptFile();
  const [since, setSince] = useState<number | null>(null);
  useEffect(() => void ownSince().then(setSince), [saved]);
  const [isLater, setLater] = useState(false);
  const [now] = useState(Date.now);
  const later = useCallback(() => setLater(true), []);
  if (!settings || saved === undefined || since === null || isLater || kept?.kind === 'kept') return null;
  const days = Math.floor((now - (saved ?? since)) / DAY_MS);
  if (days < REMINDED_AFTER_DAYS[settings.fileReminder]) return null;
  return (
    <Notice role="status" name="reminder">
      <span className="min-w-0 flex-1">{w.shared.fileOutlivesLostDeviceOr(saved, days)}</span>
      <SaveStudio />
      <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={later}>
        {w.shared.later}
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9 font-normal"
        onClick={() =>
          void change({ kind: 'settings.change', change: { fileReminder: 'never' } }, w.shared.noReminderOfStudioFiles)
        }
      >
        {w.shared.never}
      </button>
    </Notice>
  );
}

/** How long nothing must be done before the file outside is written anew. Unit: ms. */
const FILE_AFTER_MS = 2_000;

/** Writes the file that the teacher chose, some time after what this tab did last. */
function useKeptFileUpToDate(): void {
  const w = useWords();
  const { say } = useMessages();
  const kind = useKeptFile()?.kind;
  useEffect(() => {
    if (kind !== 'kept') return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const write = async (): Promise<void> => {
      try {
        if (await keepInFile.write()) await change({ kind: 'note.saved', atMs: Date.now() });
      } catch {
        say({
          kind: 'trouble',
          text: w.shared.studioFileOutsideOfBrowser,
          hint: w.shared.lookInSettingsWhetherIt,
        });
      }
    };
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => void write(), FILE_AFTER_MS);
    };
    soon();
    const stop = studio().onEdit(soon);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [w, kind, say]);
}
