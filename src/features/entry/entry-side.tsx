import { useCallback, useState } from 'react';
import type { EntryView } from '@/core/views';
import type { ChosenKey, EntryAction, EntryKey } from './entry-keys';
import { KeysPanel } from './keys-panel';
import { StepsPanel } from './steps-panel';
import type { Asks } from './use-entering';
import { useWords } from '@/features/shared/words/use-words';

interface EntrySideProps {
  readonly view: EntryView;
  readonly keys: readonly EntryKey[];
  readonly chosen: readonly ChosenKey[];
  /** The key that is being given to another action; null where none is. */
  readonly askedKey: string | null;
  readonly isNarrow: boolean;
  readonly onAsk: (name: string | null) => void;
  readonly onAction: (action: EntryAction) => void;
  readonly onPress: Asks['press'];
}

/** What stands beside the paper while a piece is entered: its keys, or the steps that were done. */
export function EntrySide({ view, keys, chosen, askedKey, isNarrow, onAsk, onAction, onPress }: EntrySideProps) {
  const w = useWords();
  const [panel, setPanel] = useState<'keys' | 'steps'>('keys');
  const undoOrRedo = useCallback(
    (to: 'undo' | 'redo', times: number) => Array.from({ length: times }, () => onPress({ kind: to })),
    [onPress],
  );
  return (
    <aside
      className={`rounded-box border border-base-300 bg-base-100 ${isNarrow ? 'lg:col-start-2' : ''}`}
      aria-label={w.entry.keysAndSteps}
    >
      <div role="group" aria-label={w.entry.whatIsShownHere} className="flex gap-1 border-b border-base-300 px-2 py-1">
        {(['keys', 'steps'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={panel === one}
            data-panel={one}
            className={`btn btn-sm h-8 font-normal ${panel === one ? 'btn-neutral' : 'btn-ghost'}`}
            onClick={() => setPanel(one)}
          >
            {one === 'keys' ? w.shared.keys : w.entry.steps(view.done.length)}
          </button>
        ))}
      </div>
      <div className="max-h-[calc(100vh-25rem)] overflow-y-auto p-3" tabIndex={0}>
        {panel === 'keys' ? (
          <KeysPanel
            view={view}
            keys={keys}
            chosen={chosen}
            onAction={onAction}
            onPress={onPress}
            asked={askedKey}
            onAsk={onAsk}
          />
        ) : (
          <StepsPanel done={view.done} undone={view.undone} onUndoOrRedo={undoOrRedo} />
        )}
      </div>
    </aside>
  );
}
