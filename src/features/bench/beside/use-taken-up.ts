'use client';

import { useCallback, useState } from 'react';
import type { BenchView, HandNoteView, KeyDown, Moment } from '@/core/views';
import { addressNow, type BenchAddress } from '../bench-address';
import type { SidePanel } from './side-panels';
import { struckAt, takenOf } from './taken-note';
import { momentIndex } from '../commands/use-bench-actions';

/** What the teacher is at: the moment and the note that were taken up, the hand note that was chosen, and the panel beside the paper that shows it. */
export interface TakenUp {
  readonly panel: SidePanel;
  readonly onPanel: (panel: SidePanel) => void;
  /** The place of the moment among those of the piece; null where none was taken up. */
  readonly at: number | null;
  readonly moment: Moment | null;
  readonly note: KeyDown | null;
  /** The note that is taken up when a key is pressed, whether or not the screen has caught up with the key of the piece. */
  readonly noteNow: () => KeyDown | null;
  readonly handNote: HandNoteView | null;
  readonly choose: (handNote: string | null) => void;
  readonly takeUp: (noteId: string) => void;
  readonly stepNote: (by: number) => void;
  readonly stepHandNote: (by: number) => void;
}

/** What taking something up works on. */
interface TakingUp {
  readonly view: BenchView | null;
  readonly address: BenchAddress;
  /** Whether the stage that is asked for is the one on the screen. */
  readonly stageIsSeen: () => boolean;
  readonly selectNote: (id: string) => void;
  /** Plays some bars once, if the teacher wants to hear what is chosen. */
  readonly playBars: (from: number, to: number) => void;
}

export function useTakenUp({ view, address, stageIsSeen, selectNote, playBars }: TakingUp): TakenUp {
  const [panel, onPanel] = useState<SidePanel>('notes');
  // A hand note belongs to the key in which it was chosen.
  const [chosen, setChosen] = useState<{ readonly key: string; readonly name: string } | null>(null);
  const [taken, setTaken] = useState<string | null>(null);
  const at = view ? momentIndex(view.momentsAfter, address.at) : null;
  const struck = struckAt(view, address.at);
  const note = takenOf(struck, taken);
  const chosenName = chosen !== null && chosen.key === view?.toText ? chosen.name : null;
  const choose = useCallback(
    (name: string | null): void => {
      setChosen(name === null || !view ? null : { key: view.toText, name });
      const first = view?.handNotes.find((one) => one.name === name)?.noteIds[0];
      if (first === undefined || !view) return;
      selectNote(first);
      setTaken(first);
      const bar = view.momentsAfter.find(({ keys: down }) => down.some(({ noteId }) => noteId === first))?.barIndex;
      if (bar !== undefined) playBars(Math.max(0, bar - 1), bar + 1);
    },
    [view, selectNote, playBars],
  );
  const takeUp = useCallback(
    (noteId: string): void => {
      selectNote(noteId);
      setTaken(noteId);
      onPanel('note');
    },
    [selectNote],
  );
  return {
    panel,
    onPanel,
    at,
    moment: view && at !== null ? (view.momentsAfter[at] ?? null) : null,
    note,
    // While another key is on its way the note is the same one: notes keep their names from key to key. While another
    // stage is on its way, what is struck there is not known yet.
    noteNow: () => (stageIsSeen() ? takenOf(struckAt(view, addressNow().at), taken) : null),
    handNote: view?.handNotes.find(({ name }) => name === chosenName) ?? null,
    choose,
    takeUp,
    stepNote: (by) => {
      const next = note && struck[(struck.indexOf(note) + by + struck.length) % struck.length];
      if (next) takeUp(next.noteId);
    },
    stepHandNote: (by) => {
      const standing = view?.handNotes.filter(({ aside }) => aside === null) ?? [];
      const index = standing.findIndex(({ name }) => name === chosenName);
      const next = standing[(index + by + standing.length) % standing.length];
      if (!next) return;
      onPanel('notes');
      choose(next.name);
    },
  };
}
