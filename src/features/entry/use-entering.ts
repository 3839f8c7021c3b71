'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { EntryPage, EntryView, PositionView, SystemPage } from '@/core/job';
import { stepsOf, studioDatabase, type PieceRecord } from '@/data';
import { useMessages } from '@/features/shared/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { coreWorker, entryWorker } from '@/workers/client';
import type { Pressed, ScreenCommand } from '@/workers/entry-protocol';
import { ID_PREFIXES, type Trouble } from '@/workers/protocol';
import { useKeeper } from './use-keeper';

/** How long a note is heard when it is entered, and how loud. Unit: s; part of full. */
const HEARD_S = 0.5;
const HEARD_LOUD = 0.6;

/** How long nothing must be pressed before the hand tracks are worked out anew. Unit: ms. */
const TRACKS_AFTER_MS = 450;

const NO_TRACKS: readonly PositionView[] = [];

export interface Entering {
  readonly view: EntryView | null;
  readonly tracks: readonly PositionView[];
  readonly trouble: Trouble | null;
  /** Whether everything that was entered is kept. */
  readonly isKept: boolean;
  readonly notice: string | null;
  readonly press: (command: ScreenCommand) => void;
  /** Resolves once everything that was entered is in the piece itself. */
  readonly flush: () => Promise<void>;
  /** Takes in what another call of the worker came to. */
  readonly take: (pressed: Pressed) => void;
}

/** A piece that is being entered: its view after every key press, kept at once. `columns` is how many notes fit a line; null until that is known. */
export function useEntering(piece: PieceRecord, columns: number | null): Entering {
  const { say } = useMessages();
  const [view, setView] = useState<EntryView | null>(null);
  const [musicXml, setMusicXml] = useState(piece.musicXml);
  const tracks = useTracks(musicXml, piece.part ?? null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [notice, setNotice] = useState<string | null>(null);
  const shown = useRef<EntryView | null>(null);
  const { id } = piece;
  const { isKept, keep, flush } = useKeeper(id);
  const begun = useRef(piece);

  const show = useCallback((next: EntryView) => {
    const same = { ...next, systems: keptSystems(shown.current?.systems ?? [], next.systems) };
    shown.current = same;
    flushSync(() => setView(same));
  }, []);

  // The piece is read once: from then on the worker has it, and what the database says of it comes from here.
  const isOpen = useRef(false);
  useEffect(() => {
    if (columns === null) return;
    let isWanted = true;
    const page: EntryPage = { columns, prefix: ID_PREFIXES.after };
    const open = async (): Promise<void> => {
      if (isOpen.current) {
        show(await entryWorker().setOut(page));
        return;
      }
      const { musicXml, part, edition } = begun.current;
      const kept = await stepsOf(studioDatabase(), id);
      const answer = await entryWorker().open({ musicXml, part: part ?? null, edition: edition ?? null }, kept.map(({ number, state, change }) => ({ number, state, change })), page);
      if (!isWanted) return;
      isOpen.current = answer.ok;
      if (answer.ok) show(answer.value);
      else setTrouble(answer.trouble);
    };
    open().catch(() => setTrouble(NOT_OPENED));
    return () => {
      isWanted = false;
    };
  }, [id, columns, show]);

  const take = useCallback(
    ({ view: next, sounds, notice: told, keep: toKeep }: Pressed) => {
      show(next);
      if (toKeep) {
        keep(toKeep);
        setMusicXml(toKeep.musicXml);
      }
      setNotice(told);
      hear(sounds);
    },
    [show, keep],
  );
  const press = useCallback(
    (command: ScreenCommand) => {
      if (!isOpen.current) return;
      entryWorker()
        .press(command, Date.now())
        .then(take)
        .catch(() => say({ kind: 'trouble', text: 'This key press came to nothing.', hint: 'Reload the page: everything before it is kept.' }));
    },
    [take, say],
  );
  return { view, tracks, trouble, isKept, notice, press, take, flush };
}

const NOT_OPENED: Trouble = { code: 'entry.open', message: 'This piece could not be opened for entering.', hint: 'Reload the page; the piece is kept as it is.', line: null };

/** Lines that say what they said before stay the same objects: they are not engraved anew. */
function keptSystems(before: readonly SystemPage[], now: readonly SystemPage[]): readonly SystemPage[] {
  return now.map((system, i) => {
    const same = before[i];
    return same && same.page.musicXml === system.page.musicXml ? { ...system, page: same.page } : system;
  });
}

/** The hand tracks of what was entered, worked out once nothing was pressed for a moment, and not by the worker that waits for the next key. */
function useTracks(musicXml: string, part: string | null): readonly PositionView[] {
  const [tracks, setTracks] = useState(NO_TRACKS);
  useEffect(() => {
    let isWanted = true;
    const work = async (): Promise<void> => {
      const answer = await coreWorker().positions({ musicXml, ownKey: null, part });
      // A piece without notes has no hands.
      if (isWanted) setTracks(answer.ok ? answer.value : NO_TRACKS);
    };
    const later = setTimeout(() => void work(), TRACKS_AFTER_MS);
    return () => {
      isWanted = false;
      clearTimeout(later);
    };
  }, [musicXml, part]);
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
