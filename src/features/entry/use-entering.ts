'use client';

import { useEffect, useEffectEvent, useState, useSyncExternalStore } from 'react';
import type { PositionView } from '@/core/views';
import { entryStore, pieceLock, storeFaultWords, type PieceRecord } from '@/data';
import { beginLiveEntry } from '@/features/shared/files/live-entry';
import { useMessages, type Message } from '@/features/shared/shell/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { coreWorker, entryWorker } from '@/workers/client';
import { ID_PREFIXES } from '@/core/paper';
import type { Trouble } from '@/contract/answer';
import { createEntering } from './entering/entering';
import type { Entering, EnteringState, EnteringTold } from './entering/entering-parts';

/** How long a note is heard when it is entered, and how loud. Unit: s; part of full. */
const HEARD_S = 0.5;
const HEARD_LOUD = 0.6;

/** How long nothing must be pressed before the hand tracks are worked out anew. Unit: ms. */
const TRACKS_AFTER_MS = 900;

const NO_TRACKS: readonly PositionView[] = [];

/** A piece that is being entered, as its screen shows it, and what the screen asks for. */
export interface ShownEntering extends Omit<EnteringState, 'trouble' | 'musicXml'>, Asks {
  readonly tracks: readonly PositionView[];
  readonly trouble: Trouble | null;
}

/** What the screen asks for. */
export type Asks = Pick<Entering, 'press' | 'abc' | 'abcDone' | 'played' | 'settled'>;

/** Enters a piece as long as its screen is shown. `columns` is how many notes fit a line; null until that is known. */
export function useEntering(piece: PieceRecord, columns: number | null): ShownEntering {
  const w = useWords();
  const entering = useController(piece.id);
  const { trouble, view, musicXml, ...rest } = useSyncExternalStore(entering.listen, entering.state, entering.state);
  const tracks = useTracks(musicXml ?? piece.musicXml, piece.part);
  useEffect(() => {
    if (columns !== null) entering.setPage({ columns, prefix: ID_PREFIXES.after, wording: w.wording });
  }, [entering, columns, w]);
  const { press, abc, abcDone, played, settled } = entering;
  return {
    ...rest,
    view,
    tracks,
    trouble: troubleWords(w, trouble),
    ...{ press, abc, abcDone, played, settled },
  };
}

/** The controller of a piece, as long as its screen is there. It goes on behind the screen until all is kept. */
function useController(id: string): Entering {
  const { say } = useMessages();
  const w = useWords();
  const [entering] = useState(() => createFor(id));
  const onTold = useEffectEvent((told: EnteringTold) => say(toldWords(w, told)));
  useEffect(() => {
    const end = entering.begin((told) => onTold(told));
    const endLive = beginLiveEntry({
      piece: id,
      settled: entering.settled,
      undoOrRedo: async (kind) => {
        entering.press({ kind });
        await entering.settled();
      },
    });
    const look = (): void => (document.visibilityState === 'visible' ? entering.seen() : entering.hidden());
    document.addEventListener('visibilitychange', look);
    window.addEventListener('pagehide', entering.hidden);
    return () => {
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('pagehide', entering.hidden);
      endLive();
      void end();
    };
  }, [entering, id]);
  return entering;
}

function createFor(id: string): Entering {
  return createEntering(id, {
    worker: entryWorker(),
    store: entryStore(id),
    lock: (told) => pieceLock(id, told),
    stamp,
    hear,
    isSeen: () => document.visibilityState === 'visible',
  });
}

/** The time of a key press, never the same twice: states of the music are told apart by it. Unit: ms since 1970. */
function stamp(): number {
  lastStamp = Math.max(lastStamp + 1, Date.now());
  return lastStamp;
}

let lastStamp = 0;

function toldWords(w: Words, told: EnteringTold): Message {
  switch (told.kind) {
    case 'changed-elsewhere':
      return { kind: 'done', text: w.entry.thisPieceWasChangedElsewhere, hint: w.entry.itIsShownAsIt };
    case 'held-elsewhere':
      return { kind: 'trouble', text: w.entry.otherTabCannotBeWritten, hint: w.entry.makeRoomThere };
    case 'trouble':
      return { kind: 'trouble', text: told.trouble.message, hint: told.trouble.hint };
    case 'not-kept': {
      if (told.fault === null)
        return { kind: 'trouble', text: w.entry.lastWasNotEntered, hint: w.entry.pieceIsShownAsKept };
      const { message, hint } = storeFaultWords(w, told.fault);
      return { kind: 'trouble', text: w.entry.whatWasEnteredLastCould(message), hint };
    }
  }
}

function troubleWords(w: Words, trouble: EnteringState['trouble']): Trouble | null {
  if (trouble === 'gone')
    return { code: 'entry.gone', message: w.entry.thisPieceIsNotOn, hint: w.entry.undoBringsItBackWhere, line: null };
  if (trouble === 'not-opened')
    return {
      code: 'entry.open',
      message: w.entry.thisPieceCouldNotBe,
      hint: w.entry.reloadPagePieceIsKept,
      line: null,
    };
  return trouble;
}

/** The hand tracks of what was entered, worked out once nothing was pressed for a moment, and not by the worker that waits for the next key. */
function useTracks(musicXml: string, part: string | null): readonly PositionView[] {
  const [tracks, setTracks] = useState(NO_TRACKS);
  const { wording } = useWords();
  useEffect(() => {
    let isWanted = true;
    const work = async (): Promise<void> => {
      const answer = await coreWorker().positions({ musicXml, ownKey: null, part }, wording);
      // A piece without notes has no hands.
      if (isWanted) setTracks(answer.ok ? answer.value : NO_TRACKS);
    };
    const later = setTimeout(() => void work(), TRACKS_AFTER_MS);
    return () => {
      isWanted = false;
      clearTimeout(later);
    };
  }, [musicXml, part, wording]);
  return tracks;
}

function hear(midis: readonly number[]): void {
  if (midis.length === 0) return;
  void pianoSounder().then(async (sounder) => {
    await sounder.ready();
    const now = sounder.now();
    midis.forEach((midi) => sounder.strike(midi, now, HEARD_S, HEARD_LOUD));
  });
}
