import { memo, useMemo } from 'react';
import type { EntryView } from '@/core/views';
import type { InputMethod } from '@/core/entry';
import { KeyboardMap, keyboardRange } from '@/features/shared/keys/keyboard-map';
import { useWords } from '@/features/shared/words/use-words';

interface EntryDockProps {
  readonly view: EntryView;
  readonly method: InputMethod;
  readonly onKey: (midi: number) => void;
}

const HAND = { right: 'right', left: 'left' } as const;

/** The keyboard at the foot: what sounds, and the keys under both hands. A touch sits the hand down there, or enters the key. */
export const EntryDock = memo(function EntryDock({ view, method: way, onKey }: EntryDockProps) {
  const w = useWords();
  const { moment, caret } = view;
  const range = useMemo(() => keyboardRange([moment]), [moment]);
  return (
    <section
      aria-label={w.shared.keyboard}
      className="sticky bottom-0 z-20 flex items-center gap-4 border-t border-base-300 bg-base-100 px-4 py-1.5"
    >
      <p className="w-44 shrink-0 text-sm max-md:hidden">
        {way === 'keys' ? w.entry.touchKeyToEnterIt : w.entry.touchKeyHandSitsDown(HAND[caret.hand])}
      </p>
      <div className="min-w-0 flex-1">
        <KeyboardMap moment={moment} range={range} onKey={onKey} />
      </div>
    </section>
  );
});
