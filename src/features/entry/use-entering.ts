'use client';

import equal from 'fast-deep-equal';
import { useCallback, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { EntryView, PositionView, SystemPage } from '@/core/views';
import { pieceToEnter, type PieceRecord } from '@/data';
import { beginLiveEntry } from '@/features/shared/live-entry';
import { useMessages } from '@/features/shared/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { coreWorker, entryWorker } from '@/workers/client';
import type { EntryToKeep, Pressed, ScreenCommand, EntryPageAsked } from '@/workers/entry-protocol';
import { ID_PREFIXES, type Trouble } from '@/workers/protocol';
import { useKeeper } from './use-keeper';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** How long a note is heard when it is entered, and how loud. Unit: s; part of full. */
const HEARD_S = 0.5;
const HEARD_LOUD = 0.6;

/** How long nothing must be pressed before the hand tracks are worked out anew. Unit: ms. */
const TRACKS_AFTER_MS = 900;

const NO_TRACKS: readonly PositionView[] = [];

export interface Entering {
  readonly view: EntryView | null;
  readonly tracks: readonly PositionView[];
  readonly trouble: Trouble | null;
  /** Whether everything that was entered is kept. */
  readonly isKept: boolean;
  readonly notice: string | null;
  readonly press: (command: ScreenCommand) => void;
  /** Resolves once everything that was pressed is kept. */
  readonly flush: () => Promise<void>;
  /** Takes in what another call of the worker came to. */
  readonly take: (pressed: Pressed) => void;
}

/** A piece that is being entered: its view after every key press, kept at once. `columns` is how many notes fit a line; null until that is known. */
// eslint-disable-next-line max-lines-per-function -- small functions that share what is entered and not answered yet
export function useEntering(piece: PieceRecord, columns: number | null): Entering {
  const w = useWords();
  const { say } = useMessages();
  const [view, setView] = useState<EntryView | null>(null);
  const [musicXml, setMusicXml] = useState(piece.musicXml);
  const tracks = useTracks(musicXml, piece.part);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [notice, setNotice] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const shown = useRef<EntryView | null>(null);
  const { id } = piece;

  /** Whether somebody else changed the piece since the last key press. */
  const isElsewhere = useRef(false);
  const isOpen = useRef(false);
  /** What was pressed while the piece was being opened anew. */
  const early = useRef<ScreenCommand[]>([]);
  const onStale = useCallback((): void => {
    isElsewhere.current = true;
    isOpen.current = false;
    setAttempt((before) => before + 1);
  }, []);
  const { isKept, begin, keep, flush: kept } = useKeeper(id, onStale);
  const pressing = useRef<Promise<unknown>>(Promise.resolve());

  const show = useCallback(
    (next: EntryView, toKeep: EntryToKeep | null = null) => {
      const same = { ...next, systems: keptSystems(shown.current?.systems ?? [], next.systems) };
      shown.current = same;
      // In one go: a note that is shown is never shown as kept before it is.
      flushSync(() => {
        if (toKeep) keep(toKeep);
        setView(same);
      });
    },
    [keep],
  );
  const take = useCallback(
    ({ view: next, sounds, notice: told, keep: toKeep }: Pressed) => {
      show(next, toKeep);
      if (toKeep) setMusicXml(toKeep.musicXml);
      setNotice(told);
      hear(sounds);
    },
    [show],
  );
  const send = useCallback(
    (command: ScreenCommand): void => {
      const sent = async (): Promise<void> => {
        const answer = await entryWorker().press(command, stamp());
        if (answer.ok) return take(answer.value);
        if (answer.trouble.code !== 'entry.closed')
          return say({ kind: 'trouble', text: answer.trouble.message, hint: answer.trouble.hint });
        // The worker was started anew: the piece is opened again from what is kept, and the key counts there.
        early.current.push(command);
        if (!isOpen.current) return;
        isOpen.current = false;
        setAttempt((before) => before + 1);
      };
      const before = pressing.current;
      const mine = sent();
      pressing.current = Promise.all([before, mine]);
    },
    [take, say],
  );

  // The piece is read when it is opened: from then on the worker has it, and what the store says of it comes from here, or from elsewhere.
  useEffect(() => {
    if (columns === null) return;
    let isWanted = true;
    const page: EntryPageAsked = { columns, prefix: ID_PREFIXES.after, wording: w.wording };
    const open = async (): Promise<void> => {
      if (isOpen.current) {
        const set = await entryWorker().setOut(page);
        if (set.ok) return show(set.value);
      }
      await kept();
      const found = await pieceToEnter(id);
      if (!isWanted) return;
      if (!found) return setTrouble(gone(w));
      const answer = await entryWorker().open(
        { musicXml: found.piece.musicXml, part: found.piece.part },
        found.steps,
        page,
      );
      if (!isWanted) return;
      if (!answer.ok) return setTrouble(answer.trouble);
      begin(found);
      setMusicXml(found.piece.musicXml);
      show(shown.current ? await whereItWas(shown.current.caret, answer.value) : answer.value);
      isOpen.current = true;
      early.current.splice(0).forEach(send);
    };
    open().catch(() => setTrouble(notOpened(w)));
    return () => {
      isWanted = false;
    };
  }, [w, id, columns, attempt, show, begin, kept, send]);

  const press = useCallback(
    (command: ScreenCommand) => {
      if (isElsewhere.current) {
        isElsewhere.current = false;
        say({
          kind: 'done',
          text: w.entry.thisPieceWasChangedElsewhere,
          hint: w.entry.itIsShownAsIt,
        });
      }
      if (isOpen.current) send(command);
      else if (shown.current) early.current.push(command);
    },
    [w, send, say],
  );
  const flush = useCallback(async (): Promise<void> => {
    await pressing.current;
    await kept();
  }, [kept]);
  useEffect(
    () =>
      beginLiveEntry({
        piece: id,
        settled: flush,
        undoOrRedo: async (method) => {
          press({ kind: method });
          await flush();
        },
      }),
    [id, flush, press],
  );
  return { view, tracks, trouble, isKept, notice, press, take, flush };
}

/** Opened anew, the caret goes where it was: to its note where that is still there, else behind what its bar holds by now. */
async function whereItWas({ at, bar, hand }: EntryView['caret'], opened: EntryView): Promise<EntryView> {
  const toNote = at === null ? null : await entryWorker().press({ kind: 'go-to', noteId: at }, stamp());
  if (toNote?.ok && toNote.value.view.caret.at === at) return toNote.value.view;
  const toBar = await entryWorker().press({ kind: 'go-to-bar', bar, hand }, stamp());
  return toBar.ok ? toBar.value.view : opened;
}

/** The time of a key press, never the same twice: states of the music are told apart by it. Unit: ms since 1970. */
function stamp(): number {
  lastStamp = Math.max(lastStamp + 1, Date.now());
  return lastStamp;
}

let lastStamp = 0;

const gone = (w: Words): Trouble => ({
  code: 'entry.gone',
  message: w.entry.thisPieceIsNotOn,
  hint: w.entry.undoBringsItBackWhere,
  line: null,
});
const notOpened = (w: Words): Trouble => ({
  code: 'entry.open',
  message: w.entry.thisPieceCouldNotBe,
  hint: w.entry.reloadPagePieceIsKept,
  line: null,
});

/** Lines that say what they said before stay the same objects: they are not engraved anew. */
function keptSystems(before: readonly SystemPage[], now: readonly SystemPage[]): readonly SystemPage[] {
  return now.map((system, i) => {
    const same = before[i];
    if (!same || same.page.musicXml !== system.page.musicXml) return system;
    return equal(same.open, system.open) && same.to === system.to ? same : { ...system, page: same.page };
  });
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
