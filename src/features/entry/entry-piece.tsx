'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import type { Hand } from '@/core/score';
import type { Desk, PieceRecord, Settings } from '@/data';
import { columnsFor } from '@/features/shared/music/paper-size';
import { useNotedUse } from '@/features/shared/shell/use-noted-use';
import { useWidth } from '@/features/shared/parts/use-size';
import { AbcPanel } from './abc-panel';
import { AskBox, type Asked } from './ask-box';
import { BesideTools, Photo, usePhoto } from './beside';
import { EntryBar } from './entry-bar';
import { EntryDock } from './entry-dock';
import { keysWith } from './entry-keys';
import { EntryPaper } from './entry-paper';
import { EntryStatus, type ScreenMethod } from './entry-status';
import { EntrySide } from './entry-side';
import { PianoTools } from './piano-tools';
import { useEntering, type Asks } from './use-entering';
import { useEntryActions } from './use-entry-actions';
import { useEntryKeys } from './use-entry-keys';
import { useComingBack } from './use-coming-back';
import { usePiano } from './use-piano';
import { useWords } from '@/features/shared/words/use-words';

interface EntryPieceProps {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly desk: Desk;
}

const NO_KEYS: Settings['entryKeys'] = [];

/** Entering a piece, and changing it: paper, keys, hands, and all that was done. */
export function EntryPiece({ piece, settings, desk }: EntryPieceProps) {
  const w = useWords();
  const router = useRouter();
  useNotedUse(piece.id);
  const paper = useRef<HTMLDivElement>(null);
  const width = useWidth(paper);
  const entering = useEntering(piece, width === null ? null : columnsFor(width, desk.zoom));
  const { view, tracks, trouble, kept, isElsewhere, opening, notice, press, settled } = entering;
  // What stands around the paper may come a little later than the note itself, but is there from the first: keys go to it.
  const later = useDeferredValue(view) ?? view;
  const [isAbc, setAbc] = useState(false);
  const [ask, setAsk] = useState<Asked | null>(null);
  const [askedKey, setAskedKey] = useState<string | null>(null);
  const [photo, setPhoto] = usePhoto(piece.id);
  const chosen = settings.entryKeys ?? NO_KEYS;
  const keys = useMemo(() => keysWith(w, chosen), [w, chosen]);
  const method: ScreenMethod = isAbc ? 'abc' : (view?.method ?? 'fingers');
  const piano = usePiano(method === 'keys', entering);
  useComingBack(view !== null, press);

  const leave = useCallback(
    () => void settled().then(() => router.push(`/bench?piece=${encodeURIComponent(piece.id)}`)),
    [settled, router, piece.id],
  );
  const onAction = useEntryActions({ view, press, leave, ask: setAsk });
  useEntryKeys({
    keys,
    view,
    hasPianoKeys: piano.device === 'screen',
    isResting: askedKey !== null || ask !== null,
    onAction,
  });
  const toNote = useCallback((noteId: string) => press({ kind: 'go-to', noteId }), [press]);
  const choose = (next: ScreenMethod): void => {
    setAbc(next === 'abc');
    if (next !== 'abc') press({ kind: 'way', method: next });
  };
  const onKey = useTouchedKey(method, piano.touch, press, view?.caret.hand ?? 'right');
  const andOn = (command: Parameters<typeof press>[0]): void => {
    press(command);
    press({ kind: 'walk', by: 1, to: 'entry' });
  };
  const answer = (command: Parameters<typeof press>[0] | null): void => {
    if (command) press(command);
    setAsk(null);
  };

  if (trouble) {
    return <NotOpened message={trouble.message} hint={trouble.hint} />;
  }
  const isNarrow = desk.entering === 'narrow';
  return (
    <div className="flex min-h-[calc(100vh-3.5rem)] flex-col" data-role="entry" data-ready={view !== null}>
      <h1 className="sr-only">{w.entry.enter(view?.title || piece.fileName)}</h1>
      {later ? <EntryBar view={later} onPress={press} /> : null}
      {view ? (
        <EntryStatus
          view={view}
          method={method}
          kept={kept}
          isElsewhere={isElsewhere}
          notice={notice}
          onMethod={choose}
          onPress={press}
        />
      ) : null}
      {view && method === 'keys' ? <PianoTools view={view} piano={piano} /> : null}
      {view && isAbc ? <AbcPanel key={`${view.caret.hand} ${opening}`} view={view} entering={entering} /> : null}
      {view && ask ? <AskBox key={ask} asked={ask} onAnswer={answer} onSyllable={andOn} /> : null}
      <div
        className={`grid flex-1 items-start gap-4 px-4 pt-1 pb-4 ${isNarrow ? 'lg:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]' : 'lg:grid-cols-[minmax(0,1fr)_23rem]'}`}
      >
        {isNarrow ? <Photo photo={photo} /> : null}
        <div className="min-w-0 rounded-box border border-base-300 bg-base-100">
          <PaperHead desk={desk} photo={photo} onPhoto={setPhoto} onLeave={leave} />
          <div ref={paper} className="min-h-48 px-2 py-1">
            {view && width ? (
              <EntryPaper view={view} tracks={tracks} widthPx={width} zoom={desk.zoom} onNote={toNote} />
            ) : (
              <p className="p-4">{w.entry.openingPiece}</p>
            )}
          </div>
        </div>
        {later ? (
          <EntrySide
            view={later}
            keys={keys}
            chosen={chosen}
            askedKey={askedKey}
            isNarrow={isNarrow}
            onAsk={setAskedKey}
            onAction={onAction}
            onPress={press}
          />
        ) : null}
      </div>
      {later ? <EntryDock view={later} method={later.method} onKey={onKey} /> : null}
    </div>
  );
}

/** What stands over the paper: what may be beside it, and the way to the Bench. */
function PaperHead({
  onLeave,
  ...beside
}: Parameters<typeof BesideTools>[0] & {
  readonly onLeave: () => void;
}) {
  const w = useWords();
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-base-300 px-3 py-1">
      <BesideTools {...beside} />
      <button type="button" className="btn btn-sm ml-auto h-9" onClick={onLeave}>
        {w.shared.toBench}
      </button>
    </div>
  );
}

/** Why the piece could not be opened for entering. */
function NotOpened({ message, hint }: { readonly message: string; readonly hint: string }) {
  return (
    <div role="alert" className="m-4 rounded-box border-2 border-error bg-base-100 p-3">
      <p className="font-semibold">{message}</p>
      <p>{hint}</p>
    </div>
  );
}

/** A key that is touched on the screen is entered, or is where the hand goes. */
function useTouchedKey(
  method: ScreenMethod,
  touch: (midi: number) => void,
  press: Asks['press'],
  hand: Hand,
): (midi: number) => void {
  return useCallback(
    (midi) => (method === 'keys' ? touch(midi) : press({ kind: 'seat-key', midi, hand })),
    [method, touch, press, hand],
  );
}
