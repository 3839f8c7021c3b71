'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { History, Redo2, Undo2 } from 'lucide-react';
import { studio, useHistoryList, useNextUndoRedo, usePieces, type HistoryHead } from '@/data';
import { weekOf } from '../teaching/weeks';
import { pieceTitle } from '../pieces/piece-title';
import { useKeys } from '../keys/use-keys';
import { useUndo } from './use-undo';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '../keys/key-caps';

/** Opens the list of what was done. */
const HISTORY_KEY = 'Control+h';

/** Undo, redo, and everything that was done. */
export function HistoryButtons() {
  const w = useWords();
  const { undo, redo } = useNextUndoRedo();
  const { undoOrRedo: turn } = useUndo();
  const [isOpen, setOpen] = useState(false);
  const keys = useMemo(
    () => [
      { key: 'Control+z', does: w.shared.takeLastEditBack, act: () => void turn('undo') },
      { key: 'Control+Shift+z', does: w.shared.doItAgain, act: () => void turn('redo') },
      { key: HISTORY_KEY, does: w.shared.showEverythingThatWasDone, act: () => setOpen(true) },
    ],
    [w, turn],
  );
  useKeys(keys);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9 max-sm:px-2"
        disabled={undo === null}
        title={undo ? w.shared.takeBack(undo.label, elsewhere(w, undo.isOwn)) : w.shared.nothingToTakeBack}
        onClick={() => void turn('undo')}
      >
        <Undo2 size={18} aria-hidden /> <span className="max-sm:sr-only">{w.shared.undo}</span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9"
        disabled={redo === null}
        aria-label={redo ? w.shared.doAgain(redo.label, elsewhere(w, redo.isOwn)) : w.shared.nothingToDoAgain}
        onClick={() => void turn('redo')}
      >
        <Redo2 size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9 max-sm:hidden"
        aria-label={w.shared.everythingThatWasDone}
        title={withKey(w.shared.everythingThatWasDone, HISTORY_KEY)}
        data-role="history"
        onClick={() => setOpen(true)}
      >
        <History size={18} aria-hidden />
      </button>
      {isOpen ? <HistoryDialog onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function elsewhere(w: Words, isOwn: boolean): string {
  return isOwn ? '' : w.shared.doneInAnotherTabOr;
}

/** Everything that was done, the last on top, in all tabs and on all screens: what was entered stands among everything else. A press goes back to
 * that place. */
function HistoryDialog({ onClose }: { readonly onClose: () => void }) {
  const w = useWords();
  const dialog = useRef<HTMLDialogElement>(null);
  const heads = useHistoryList();
  const pieces = usePieces();
  const titles = useMemo(() => new Map((pieces ?? []).map((piece) => [piece.id, pieceTitle(piece)])), [pieces]);
  const { goBack } = useUndo();
  useEffect(() => dialog.current?.showModal(), []);
  const [now] = useState(() => new Date());
  const last = heads?.find(({ state }) => state === 'done')?.number;
  const first = heads?.at(-1);
  const go = (number: number, itself: 'stays' | 'goes'): void => {
    onClose();
    void goBack(number, itself);
  };
  return (
    <dialog ref={dialog} className="modal" aria-label={w.shared.everythingThatWasDone} onClose={onClose}>
      <div className="modal-box flex max-h-[80vh] max-w-2xl flex-col gap-3">
        <h2 className="text-lg font-semibold">{w.shared.everythingThatWasDone}</h2>
        <p className="text-sm text-secondary">{w.shared.lastOnTopFromAll}</p>
        {heads?.length === 0 ? <p>{w.shared.nothingWasDoneYet}</p> : null}
        <ol className="flex flex-col overflow-y-auto text-sm" data-role="history-list">
          {(heads ?? []).map((head, i) => (
            <li key={head.number} aria-current={head.number === last ? 'step' : undefined}>
              <WeekHeading head={head} above={heads?.[i - 1]} now={now} />
              <button
                type="button"
                disabled={head.state === 'undone' || head.number === last}
                className={`flex min-h-9 w-full items-baseline gap-3 rounded px-2 text-left enabled:cursor-pointer enabled:hover:bg-base-200 ${head.state === 'undone' ? 'text-secondary line-through' : ''} ${head.number === last ? 'font-semibold' : ''}`}
                title={head.state === 'done' && head.number !== last ? w.shared.takeBackEverythingAboveThis : undefined}
                onClick={() => go(head.number, 'stays')}
              >
                <time className="w-24 shrink-0 text-xs text-secondary" dateTime={new Date(head.atMs).toISOString()}>
                  {timeOf(head, now)}
                </time>
                <span className="min-w-0 flex-1 break-words">{head.label}</span>
                {head.piece !== undefined ? (
                  <span className="max-w-56 shrink-0 truncate text-xs text-secondary">
                    {titles.get(head.piece) ?? w.shared.pieceThatIsGone}
                  </span>
                ) : null}
                {head.tab !== studio().tab ? (
                  <span className="shrink-0 text-xs text-secondary">{w.shared.anotherTab}</span>
                ) : null}
              </button>
            </li>
          ))}
        </ol>
        <div className="flex gap-2">
          {first && first.state === 'done' ? (
            <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => go(first.number, 'goes')}>
              {w.shared.takeAllOfThisBack}
            </button>
          ) : null}
          <button type="button" className="btn btn-sm ml-auto h-9" autoFocus onClick={onClose}>
            {w.shared.close}
          </button>
        </div>
      </div>
    </dialog>
  );
}

/** The week of an edit, where it is another one than that of the edit above it. */
function WeekHeading({
  head,
  above,
  now,
}: {
  readonly head: HistoryHead;
  readonly above: HistoryHead | undefined;
  readonly now: Date;
}) {
  const w = useWords();
  const week = weekOf(head.atMs, now, w.wording);
  if (above && weekOf(above.atMs, now, w.wording) === week) return null;
  return <h3 className="px-2 pt-2 font-serif text-sm font-semibold">{w.shared.weeks[week]}</h3>;
}

/** The time of day, with the day where it is another one. */
function timeOf({ atMs }: HistoryHead, now: Date): string {
  const at = new Date(atMs);
  const time = at.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  return at.toDateString() === now.toDateString()
    ? time
    : `${at.toLocaleDateString([], { day: 'numeric', month: 'short' })} ${time}`;
}
