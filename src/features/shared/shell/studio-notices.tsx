'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import {
  change,
  keepInFile,
  onRefusal,
  ownSince,
  putStudioBack,
  storeFaultWords,
  studio,
  useKeptFile,
  useLastSaved,
  useLostStudio,
  useSettings,
  useStoreState,
  useWaiting,
  type Settings,
} from '@/data';
import { useMessages } from './messages';
import { Notice } from '../parts/notice';
import { SHELF } from '../address/own-address';
import { NewerNotice } from '../offline/newer-notice';
import { useSaveStudio } from '../files/save-studio';
import { onSilence } from '../sound/sounder';
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
  }) as const;

function StoreNotice() {
  const w = useWords();
  const state = useStoreState();
  if (state === 'open' || state === 'newer' || state === 'unreachable' || state === 'removed') return null;
  if (state === 'gone') return <GoneNotice />;
  if (state === 'removed-elsewhere') return <RemovedNotice />;
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

/** Everything was removed in another tab: nothing of it is left here either. */
function RemovedNotice() {
  const w = useWords();
  return (
    <Notice role="alert" name="store">
      <span className="min-w-0 flex-1">
        <strong className="font-semibold">{w.shared.removedInAnotherTab}</strong> {w.shared.pageCanBeClosed}
      </span>
      <button type="button" className="btn btn-sm h-9" onClick={() => location.assign(SHELF)}>
        {w.about.beginAnew}
      </button>
    </Notice>
  );
}

/** The browser took the studio away under the page: what the page still has is the studio until the teacher says what becomes of it. */
function GoneNotice() {
  const w = useWords();
  const { say } = useMessages();
  const lost = useLostStudio();
  const { count } = useWaiting();
  const [isSaved, setSaved] = useState(false);
  const isInDanger = lost !== null && lost !== 'reading' && !isSaved;
  useEffect(() => {
    if (!isInDanger) return undefined;
    // The browser asks before the page is left.
    const hold = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', hold);
    return () => window.removeEventListener('beforeunload', hold);
  }, [isInDanger]);
  const putBack = async (): Promise<void> => {
    const isBack = await putStudioBack(w.shared.studioPutBack);
    if (!isBack)
      return say({ kind: 'trouble', text: w.shared.studioCouldNotBePutBack, hint: w.shared.saveItAndLookWhether });
    // Nothing holds the page any more once it is in the store.
    setSaved(true);
    setTimeout(() => location.reload());
  };
  return (
    <Notice role="alert" name="store">
      <span className="min-w-0 flex-1">
        <strong className="font-semibold">{w.shared.browserHasClosedOrDeleted}</strong>{' '}
        {lost === null
          ? w.shared.pageHasNothingOfIt
          : lost === 'reading'
            ? ''
            : w.shared.pageStillHas(lost.isWhole ? 'all' : 'some', lost.pieces, lost.pupils, count)}
      </span>
      {lost !== null && lost !== 'reading' ? (
        <>
          <SaveStudio words={w.shared.saveStudioFileNow} onSaved={() => setSaved(true)} />
          <button type="button" className="btn btn-sm h-9" data-role="put-back" onClick={() => void putBack()}>
            {w.shared.putStudioBack}
          </button>
        </>
      ) : null}
      <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={() => location.reload()}>
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
  const store = useStoreState();
  // Of a studio that is gone it is told there.
  if (count === 0 || store !== 'open') return null;
  return (
    <Notice role="alert" name="waiting">
      <span className="min-w-0 flex-1">
        <strong className="font-semibold">{w.shared.thereIsNoRoomLeft(count)}</strong> {w.shared.theyAreWrittenAsSoon}
      </span>
      <SaveStudio words={w.shared.saveStudio} />
      <button type="button" className="btn btn-sm h-9" onClick={() => void studio().retry()}>
        {w.shared.tryAgain}
      </button>
    </Notice>
  );
}

function SaveStudio({ words, onSaved }: { readonly words: string; readonly onSaved?: () => void }) {
  const save = useSaveStudio();
  return (
    <button
      type="button"
      className="btn btn-sm h-9"
      onClick={() => void save().then((isSaved) => (isSaved ? onSaved?.() : undefined))}
    >
      {words}
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
      <SaveStudio words={w.shared.saveStudio} />
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
