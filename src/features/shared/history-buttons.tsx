'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { History, Redo2, Undo2 } from 'lucide-react';
import { studio, useHistoryList, useNextUndoRedo, usePieces, type HistoryHead } from '@/data';
import { pieceTitle } from './piece-title';
import { useKeys } from './use-keys';
import { useUndo } from './use-undo';

/** Undo, redo, and everything that was done. */
export function HistoryButtons() {
  const { undo, redo } = useNextUndoRedo();
  const { undoOrRedo: turn } = useUndo();
  const [isOpen, setOpen] = useState(false);
  const keys = useMemo(
    () => [
      { key: 'Control+z', does: 'take the last edit back', act: () => void turn('undo') },
      { key: 'Control+Shift+z', does: 'do it again', act: () => void turn('redo') },
      { key: 'Control+h', does: 'show everything that was done', act: () => setOpen(true) },
    ],
    [turn],
  );
  useKeys(keys);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9 max-sm:px-2"
        disabled={undo === null}
        title={undo ? `Take back: ${undo.label}${elsewhere(undo.isOwn)}` : 'Nothing to take back'}
        onClick={() => void turn('undo')}
      >
        <Undo2 size={18} aria-hidden /> <span className="max-sm:sr-only">Undo</span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9"
        disabled={redo === null}
        aria-label={redo ? `Do again: ${redo.label}${elsewhere(redo.isOwn)}` : 'Nothing to do again'}
        onClick={() => void turn('redo')}
      >
        <Redo2 size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square size-9 max-sm:hidden"
        aria-label="Everything that was done"
        title="Everything that was done (Ctrl+H)"
        data-role="history"
        onClick={() => setOpen(true)}
      >
        <History size={18} aria-hidden />
      </button>
      {isOpen ? <HistoryDialog onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function elsewhere(isOwn: boolean): string {
  return isOwn ? '' : ' (done in another tab, or before this one was opened)';
}

/** Everything that was done, the last on top, in all tabs and on all screens: what was entered stands among everything else. A press goes back to
 * that place. */
function HistoryDialog({ onClose }: { readonly onClose: () => void }) {
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
    <dialog ref={dialog} className="modal" aria-label="Everything that was done" onClose={onClose}>
      <div className="modal-box flex max-h-[80vh] max-w-2xl flex-col gap-3">
        <h2 className="text-lg font-semibold">Everything that was done</h2>
        <p className="text-sm text-secondary">
          The last on top, from all open tabs. A press takes back everything above it, and nothing else; what was taken
          back can be done again.
        </p>
        {heads?.length === 0 ? <p>Nothing was done yet.</p> : null}
        <ol className="flex flex-col overflow-y-auto text-sm" data-role="history-list">
          {(heads ?? []).map((head) => (
            <li key={head.number} aria-current={head.number === last ? 'step' : undefined}>
              <button
                type="button"
                disabled={head.state === 'undone' || head.number === last}
                className={`flex min-h-9 w-full items-baseline gap-3 rounded px-2 text-left enabled:cursor-pointer enabled:hover:bg-base-200 ${head.state === 'undone' ? 'text-secondary line-through' : ''} ${head.number === last ? 'font-semibold' : ''}`}
                title={head.state === 'done' && head.number !== last ? 'Take back everything above this' : undefined}
                onClick={() => go(head.number, 'stays')}
              >
                <time className="w-24 shrink-0 text-xs text-secondary" dateTime={new Date(head.atMs).toISOString()}>
                  {timeOf(head, now)}
                </time>
                <span className="min-w-0 flex-1 break-words">{head.label}</span>
                {head.piece !== undefined ? (
                  <span className="max-w-56 shrink-0 truncate text-xs text-secondary">
                    {titles.get(head.piece) ?? 'a piece that is gone'}
                  </span>
                ) : null}
                {head.tab !== studio().tab ? (
                  <span className="shrink-0 text-xs text-secondary">another tab</span>
                ) : null}
              </button>
            </li>
          ))}
        </ol>
        <div className="flex gap-2">
          {first && first.state === 'done' ? (
            <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => go(first.number, 'goes')}>
              Take all of this back
            </button>
          ) : null}
          <button type="button" className="btn btn-sm ml-auto h-9" autoFocus onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </dialog>
  );
}

/** The time of day, with the day where it is another one. */
function timeOf({ atMs }: HistoryHead, now: Date): string {
  const at = new Date(atMs);
  const time = at.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  return at.toDateString() === now.toDateString()
    ? time
    : `${at.toLocaleDateString([], { day: 'numeric', month: 'short' })} ${time}`;
}
