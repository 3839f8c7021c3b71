'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, type ReactNode } from 'react';
import { hasStudio, useStoreState, type StoreState } from '@/data';
import { coreWorker, engraveWorker } from '@/workers/client';
import { openConsoleDoor } from './console-door';
import { DropPlace } from '../files/drop-place';
import { FileButton } from '../files/file-button';
import { HandsGlyph } from '../music/hand-glyph';
import { UsualKeys } from '../keys/key-help';
import { HistoryButtons } from '../history/history-buttons';
import { NewerStudioPage } from './newer-studio-page';
import { Places } from './places';
import { StudioNotices } from './studio-notices';
import { useKeptRelease } from '../offline/use-release';
import { layOutTextFont } from '../music/text-font';
import { Tour } from '../tour/tour';
import { TroublePage } from './trouble-page';
import { SETTLED_AFTER_MS } from '../parts/use-settled';
import { useLook } from './use-look';
import { useTakeFiles } from '../files/use-take-files';
import { useWelcome } from './use-welcome';
import { useWords } from '@/features/shared/words/use-words';

/** Where music is engraved. */
const ENGRAVED_PLACES: readonly string[] = [
  '/',
  '/bench',
  '/stand',
  '/practice',
  '/record',
  '/lesson',
  '/enter',
  '/atlas',
];

/** Screens that fill the window and scroll in their parts: nothing of them is ever behind something else. */
const FRAMED_PLACES: readonly string[] = ['/bench', '/stand'];

/** Where there is nothing but music. */
const BARE_PLACE = '/stand';

/** What is around every screen: the places, undo, and the window as one large place to drop files on. */
export function AppShell({ children }: { readonly children: ReactNode }) {
  const take = useTakeFiles();
  useLook();
  const store = useStoreState();
  const path = usePathname();
  const isEngraved = ENGRAVED_PLACES.includes(path);
  useEffect(() => {
    // Elsewhere the engraver would only take a core away from other work.
    if (!isEngraved) return;
    void coreWorker().ready();
    layOutTextFont();
    return startEngraver();
  }, [isEngraved]);
  useEffect(openConsoleDoor, []);
  useWelcome();
  useKeptRelease();
  const isFramed = FRAMED_PLACES.includes(path);
  return (
    <div className={isFramed ? 'flex h-dvh flex-col print:h-auto' : ''}>
      {path === BARE_PLACE ? null : <Header onFiles={take} />}
      <StudioNotices />
      <main className={isFramed ? 'min-h-0 flex-1 overflow-y-auto print:overflow-visible' : ''}>
        <UnlessStoreFails state={store}>{children}</UnlessStoreFails>
      </main>
      <UsualKeys />
      <DropPlace onFiles={take} />
      <Tour />
    </div>
  );
}

/** Without a store no screen can show anything: it is said why. */
function UnlessStoreFails({ state, children }: { readonly state: StoreState; readonly children: ReactNode }) {
  const w = useWords();
  if (state === 'newer') return <NewerStudioPage />;
  if (state === 'unreachable') return <TroublePage what={w.shared.studio} onAgain={() => location.reload()} />;
  return children;
}

/** Starts the engraver: at once where there are pieces; on a first visit, whose cards come engraved, once those are there. Gives what calls it off. */
function startEngraver(): () => void {
  let later: ReturnType<typeof setTimeout> | undefined;
  let isWanted = true;
  const start = (): void => void engraveWorker().ready();
  void hasStudio().then((isThere) => {
    if (!isWanted) return;
    if (isThere) start();
    else later = setTimeout(start, SETTLED_AFTER_MS);
  });
  return () => {
    isWanted = false;
    clearTimeout(later);
  };
}

/** The places of the application, and what can be done from each of them. */
function Header({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }) {
  const w = useWords();
  return (
    <header className="print:hidden sticky top-0 z-30 flex h-12 shrink-0 items-center gap-2 border-b border-base-300 bg-base-100 px-4 max-sm:gap-1 max-sm:px-2">
      <Link href="/" className="flex h-9 items-center gap-2 font-serif text-lg font-semibold whitespace-nowrap sm:mr-4">
        <HandsGlyph left={[]} right={[1]} size={24} />
        <span className="max-xl:sr-only">{w.shared.newThumb}</span>
      </Link>
      <Places />
      <div className="ml-auto flex items-center gap-1">
        <HistoryButtons />
        <FileButton onFiles={onFiles} />
      </div>
    </header>
  );
}
