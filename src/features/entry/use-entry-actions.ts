import { useCallback } from 'react';
import type { EntryView } from '@/core/views';
import { useMessages } from '@/features/shared/shell/messages';
import { useUndo } from '@/features/shared/history/use-undo';
import type { Asked } from './ask-box';
import type { EntryAction } from './entry-keys';
import type { Asks } from './use-entering';
import { useWords } from '@/features/shared/words/use-words';

interface EntryActionsOf {
  readonly view: EntryView | null;
  readonly press: Asks['press'];
  readonly leave: () => void;
  readonly ask: (what: Asked) => void;
}

/** Does what a key of the screen stands for: most of it is a command of entering, some of it belongs to the screen. */
export function useEntryActions({ view, press, leave, ask }: EntryActionsOf): (action: EntryAction) => void {
  const w = useWords();
  const { say } = useMessages();
  const { undoOrRedo } = useUndo();
  const mode = view?.mode;
  const isFree = view !== null && isNothingBegun(view);
  return useCallback(
    (action) => {
      if (action.kind === 'ask') ask(action.what);
      else if (action.kind === 'frame')
        document.querySelector<HTMLSelectElement>(`[data-role=${action.what}]`)?.focus();
      else if (action.kind === 'leave') {
        if (isFree) leave();
        else press({ kind: 'select', what: 'none' });
      } else if (action.kind === 'undo' || action.kind === 'redo') void undoOrRedo(action.kind);
      else if (action.kind === 'mode') press({ kind: 'mode', mode: mode === 'between' ? 'over' : 'between' });
      else press(action);
      if (action.kind === 'copy' || action.kind === 'copy-bars')
        say({ kind: 'done', text: w.entry.copied, hint: w.entry.itCanBePutIn });
    },
    [w, press, leave, ask, mode, isFree, say, undoOrRedo],
  );
}

/** Whether nothing is selected and nothing said of the next note: what ends things then ends the screen. */
function isNothingBegun({ selected, moving, triplet, next }: EntryView): boolean {
  return (
    selected.length === 0 &&
    moving === null &&
    triplet === 'off' &&
    next.alter === null &&
    next.joins === null &&
    next.letters === 0 &&
    next.octaves === 0
  );
}
