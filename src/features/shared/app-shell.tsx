'use client';

import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { FilePlus2, Redo2, Undo2 } from 'lucide-react';
import { redoEdit, seedOnFirstVisit, settleEntered, studioDatabase, undoEdit, useHistory, useSettings } from '@/data';
import { bringIn } from './bring-in';
import { loadDemoStudio } from './demo-studio';
import { layOutTextFont } from './text-font';
import { DropPlace } from './drop-place';
import { HandsGlyph } from './hand-glyph';
import { useMessages } from './messages';
import { useShownHistory } from './own-history';
import { useKeys } from './use-keys';

const PLACES = [
  { href: '/', name: 'Shelf' },
  { href: '/bench', name: 'Bench' },
  { href: '/survey', name: 'Survey' },
  { href: '/atlas', name: 'Atlas' },
  { href: '/settings', name: 'Settings' },
] as const;

/** Where music is engraved. */
const ENGRAVED_PLACES: readonly string[] = ['/', '/bench', '/enter', '/atlas'];

/** What is around every screen: the places, undo, and the window as one large place to drop files on. */
export function AppShell({ children }: { readonly children: ReactNode }) {
  const { say } = useMessages();
  const take = useTakeFiles();
  const [isSettled, setSettled] = useState(false);
  useLook();
  const path = usePathname();
  const isEngraved = ENGRAVED_PLACES.includes(path);
  useEffect(() => {
    // Elsewhere the engraver would only take a core away from other work.
    if (isEngraved) void layOutTextFont();
  }, [isEngraved]);
  useEffect(() => {
    const tell = (): void => say({ kind: 'trouble', text: 'The demo studio could not be loaded.', hint: 'Reload the page; your own pieces are not touched.' });
    void seedOnFirstVisit(studioDatabase(), loadDemoStudio).catch(tell);
    void settleEntered(studioDatabase()).then(() => setSettled(true));
  }, [say]);
  return (
    <>
      <header data-settled={isSettled} className="print:hidden sticky top-0 z-30 flex h-14 items-center gap-2 border-b border-base-300 bg-base-100 px-4 max-sm:gap-1 max-sm:px-2">
        <Link href="/" className="flex h-9 items-center gap-2 font-serif text-lg font-semibold whitespace-nowrap sm:mr-4">
          <HandsGlyph left={[]} right={[1]} size={24} />
          <span className="max-sm:sr-only">New Thumb</span>
        </Link>
        <Places />
        <div className="ml-auto flex items-center gap-1">
          <HistoryButtons />
          <FileButton onFiles={take} />
        </div>
      </header>
      <main>{children}</main>
      <DropPlace onFiles={take} />
    </>
  );
}

function Places() {
  const path = usePathname();
  return (
    <nav aria-label="Places" className="flex min-w-0 gap-1 max-sm:gap-0 max-sm:overflow-x-auto">
      {PLACES.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href || (path === '/enter' && href === '/bench') || (path === '/fit' && href === '/') ? 'page' : undefined}
          className="btn btn-ghost btn-sm h-9 font-normal max-sm:px-2 aria-[current]:bg-base-200 aria-[current]:font-bold aria-[current]:underline aria-[current]:underline-offset-4"
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

function HistoryButtons() {
  const { say } = useMessages();
  const studios = useHistory();
  const own = useShownHistory();
  const history = own ?? studios;
  const undo = useCallback(async () => {
    if (own) return own.onUndo();
    const label = await undoEdit(studioDatabase());
    if (label !== null) say({ kind: 'done', text: `Taken back: ${label}.` });
  }, [say, own]);
  const redo = useCallback(async () => {
    if (own) return own.onRedo();
    const label = await redoEdit(studioDatabase());
    if (label !== null) say({ kind: 'done', text: `Done again: ${label}.` });
  }, [say, own]);
  const keys = useMemo(
    () => [
      { key: 'Control+z', does: 'take the last edit back', act: () => void undo() },
      { key: 'Control+Shift+z', does: 'do it again', act: () => void redo() },
    ],
    [undo, redo],
  );
  useKeys(keys);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9 max-sm:px-2"
        disabled={history.undo === null}
        title={history.undo ? `Take back: ${history.undo}` : 'Nothing to take back'}
        onClick={() => void undo()}
      >
        <Undo2 size={18} aria-hidden /> <span className="max-sm:sr-only">Undo</span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9"
        disabled={history.redo === null}
        aria-label={history.redo ? `Do again: ${history.redo}` : 'Nothing to do again'}
        onClick={() => void redo()}
      >
        <Redo2 size={18} aria-hidden />
      </button>
    </>
  );
}

function FileButton({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="btn btn-sm h-9 max-sm:px-2" onClick={() => chooser.current?.click()}>
        <FilePlus2 size={18} aria-hidden /> <span className="max-sm:sr-only">Bring in a piece</span>
      </button>
      <input
        ref={chooser}
        type="file"
        multiple
        hidden
        aria-label="Files to bring in"
        data-role="bring-in"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          onFiles(files);
        }}
      />
    </>
  );
}

/** Brings files in and tells what became of them: one piece is opened on the Bench at once. */
function useTakeFiles(): (files: readonly File[]) => void {
  const router = useRouter();
  const { say } = useMessages();
  return useCallback(
    (files) => {
      const take = async (): Promise<void> => {
        const { pieces, troubles } = await bringIn(files);
        for (const { fileName, trouble } of troubles) say({ kind: 'trouble', text: `${fileName}: ${trouble.message}`, hint: trouble.hint });
        const only = pieces.length === 1 ? pieces[0] : undefined;
        if (only) router.push(`/bench?piece=${encodeURIComponent(only.id)}`);
        if (pieces.length > 1) {
          say({ kind: 'done', text: `${pieces.length} pieces are on the shelf.` });
          router.push('/');
        }
      };
      void take();
    },
    [say, router],
  );
}

/** Light or dark, as the teacher chose. */
function useLook(): void {
  const settings = useSettings();
  useEffect(() => {
    if (!settings) return;
    const root = document.documentElement;
    if (settings.look === 'system') delete root.dataset['theme'];
    else root.dataset['theme'] = settings.look;
  }, [settings]);
}
