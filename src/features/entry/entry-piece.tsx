'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import type { Desk, PieceRecord, Settings } from '@/data';
import { useMessages } from '@/features/shared/messages';
import { useOwnHistory } from '@/features/shared/own-history';
import { columnsFor } from '@/features/shared/paper-size';
import { useWidth } from '@/features/shared/use-width';
import { AbcPanel } from './abc-panel';
import { AskBox, type Asked } from './ask-box';
import { BesideTools, Photo, usePhoto } from './beside';
import { EntryBar } from './entry-bar';
import { EntryDock } from './entry-dock';
import { keysWith, type EntryDeed } from './entry-keys';
import { EntryPaper } from './entry-paper';
import { EntryStatus, type ScreenWay } from './entry-status';
import { KeysPanel } from './keys-panel';
import { PianoTools } from './piano-tools';
import { StepsPanel } from './steps-panel';
import { useEntering } from './use-entering';
import { useEntryKeys } from './use-entry-keys';
import { usePiano } from './use-piano';

interface EntryPieceProps {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly desk: Desk;
}

const NO_KEYS: Settings['entryKeys'] = [];

/** Entering a piece, and changing it: paper, keys, hands, and all that was done. */
export function EntryPiece({ piece, settings, desk }: EntryPieceProps) {
  const router = useRouter();
  const { say } = useMessages();
  const paper = useRef<HTMLDivElement>(null);
  const width = useWidth(paper);
  const { view, tracks, trouble, isKept, notice, press, take, flush } = useEntering(piece, width === null ? null : columnsFor(width, desk.zoom));
  // What stands around the paper may come a little later than the note itself.
  const later = useDeferredValue(view);
  const [isAbc, setAbc] = useState(false);
  const [ask, setAsk] = useState<Asked | null>(null);
  const [askedKey, setAskedKey] = useState<string | null>(null);
  const [panel, setPanel] = useState<'keys' | 'steps'>('keys');
  const [photo, setPhoto] = usePhoto();
  const chosen = settings.entryKeys ?? NO_KEYS;
  const keys = useMemo(() => keysWith(chosen), [chosen]);
  const way: ScreenWay = isAbc ? 'abc' : (view?.way ?? 'fingers');
  const piano = usePiano(way === 'keys', press, take);

  const leave = useCallback(() => void flush().then(() => router.push(`/bench?piece=${encodeURIComponent(piece.id)}`)), [flush, router, piece.id]);
  const mode = view?.mode;
  const isFree = view !== null && view.selected.length === 0 && view.moving === null && view.triplet === 'off' && view.next.alter === null && view.next.joins === null && view.next.letters === 0 && view.next.octaves === 0;
  const onDeed = useCallback(
    (deed: EntryDeed): void => {
      if (deed.kind === 'ask') setAsk(deed.what);
      else if (deed.kind === 'frame') document.querySelector<HTMLSelectElement>(`[data-role=${deed.what}]`)?.focus();
      else if (deed.kind === 'leave') {
        if (isFree) leave();
        else press({ kind: 'select', what: 'none' });
      } else if (deed.kind === 'mode') press({ kind: 'mode', mode: mode === 'between' ? 'over' : 'between' });
      else press(deed);
      if (deed.kind === 'copy' || deed.kind === 'copy-bars') say({ kind: 'done', text: 'Copied.', hint: 'It can be put in here or in another piece.' });
    },
    [press, leave, mode, isFree, say],
  );
  useEntryKeys({ keys, view, hasPianoKeys: piano.device === 'screen', isResting: askedKey !== null || ask !== null, onDeed });
  const toNote = useCallback((noteId: string) => press({ kind: 'go-to', noteId }), [press]);
  const choose = (next: ScreenWay): void => {
    setAbc(next === 'abc');
    if (next !== 'abc') press({ kind: 'way', way: next });
  };
  const hand = view?.caret.hand ?? 'right';
  const { touch } = piano;
  const onKey = useCallback((midi: number) => (way === 'keys' ? touch(midi) : press({ kind: 'seat-key', midi, hand })), [way, touch, press, hand]);
  const lastDone = view?.done.at(-1) ?? null;
  const nextUndone = view?.undone.at(-1) ?? null;
  useOwnHistory(useMemo(() => ({ undo: lastDone, redo: nextUndone, onUndo: () => press({ kind: 'undo' }), onRedo: () => press({ kind: 'redo' }) }), [lastDone, nextUndone, press]));
  const turn = useCallback((to: 'undo' | 'redo', times: number) => Array.from({ length: times }, () => press({ kind: to })), [press]);
  const answer = (command: Parameters<typeof press>[0] | null): void => {
    if (command) press(command);
    setAsk(null);
  };

  if (trouble) {
    return (
      <div role="alert" className="m-4 rounded-box border-2 border-error bg-base-100 p-3">
        <p className="font-semibold">{trouble.message}</p>
        <p>{trouble.hint}</p>
      </div>
    );
  }
  const isNarrow = desk.entering === 'narrow';
  return (
    <div className="flex min-h-[calc(100vh-3.5rem)] flex-col" data-role="entry" data-ready={view !== null}>
      <h1 className="sr-only">Enter {view?.title || piece.fileName}</h1>
      {later ? <EntryBar view={later} onPress={press} /> : null}
      {view ? <EntryStatus view={view} way={way} isKept={isKept} notice={notice} onWay={choose} onPress={press} /> : null}
      {view && way === 'keys' ? <PianoTools view={view} piano={piano} /> : null}
      {view && isAbc ? <AbcPanel key={view.caret.hand} view={view} onPressed={take} /> : null}
      {view && ask ? (
        <AskBox
          key={ask}
          asked={ask}
          onAnswer={answer}
          onSyllable={(command) => {
            press(command);
            press({ kind: 'walk', by: 1, to: 'entry' });
          }}
        />
      ) : null}
      <div className={`grid flex-1 items-start gap-4 px-4 pt-1 pb-4 ${isNarrow ? 'lg:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]' : 'lg:grid-cols-[minmax(0,1fr)_21rem]'}`}>
        {isNarrow ? <Photo photo={photo} /> : null}
        <div className="min-w-0 rounded-box border border-base-300 bg-base-100">
          <div className="flex flex-wrap items-center gap-2 border-b border-base-300 px-3 py-1">
            <BesideTools desk={desk} photo={photo} onPhoto={setPhoto} />
            <button type="button" className="btn btn-sm ml-auto h-9" onClick={leave}>
              To the Bench
            </button>
          </div>
          <div ref={paper} className="min-h-48 px-2 py-1">
            {view && width ? <EntryPaper view={view} tracks={tracks} widthPx={width} zoom={desk.zoom} onNote={toNote} /> : <p className="p-4">Opening the piece …</p>}
          </div>
        </div>
        {later ? (
          <aside className={`rounded-box border border-base-300 bg-base-100 ${isNarrow ? 'lg:col-start-2' : ''}`} aria-label="Keys and steps">
            <div role="group" aria-label="What is shown here" className="flex gap-1 border-b border-base-300 px-2 py-1">
              {(['keys', 'steps'] as const).map((one) => (
                <button key={one} type="button" aria-pressed={panel === one} data-panel={one} className={`btn btn-sm h-8 font-normal ${panel === one ? 'btn-neutral' : 'btn-ghost'}`} onClick={() => setPanel(one)}>
                  {one === 'keys' ? 'Keys' : `Steps (${later.done.length})`}
                </button>
              ))}
            </div>
            <div className="max-h-[calc(100vh-25rem)] overflow-y-auto p-3" tabIndex={0}>
              {panel === 'keys' ? <KeysPanel view={later} keys={keys} chosen={chosen} onDeed={onDeed} onPress={press} asked={askedKey} onAsk={setAskedKey} /> : <StepsPanel done={later.done} undone={later.undone} onTurn={turn} />}
            </div>
          </aside>
        ) : null}
      </div>
      {later ? <EntryDock view={later} way={later.way} onKey={onKey} /> : null}
    </div>
  );
}
