'use client';

import { Check } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import { parseKey } from '@/core/pitch';
import type { Ladder, LadderKey, UnwritableKey } from '@/core/views';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { SeverityMark } from '@/features/shared/music/severity-mark';
import { useWords } from '@/features/shared/words/use-words';

interface KeyStripProps {
  readonly ladder: Ladder;
  readonly chosen: string;
  readonly onChoose: (key: string) => void;
}

/** The name by which a key of the ladder goes in the address: `Bb-major`. */
export function keyName(key: Pick<LadderKey, 'tonic' | 'mode'>): string {
  return `${key.tonic}-${key.mode}`;
}

/** All keys of the piece's mode in one row, each as the two hands that would play in it. One press moves the piece there. The row scrolls under the
 * finger, and the chosen key is always in sight. */
export const KeyStrip = memo(function KeyStrip({ ladder, chosen, onChoose }: KeyStripProps) {
  const w = useWords();
  const own = keyName(ladder.from);
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const button = row.current?.querySelector(`[data-key="${chosen}"]`);
    return row.current && button ? bringIntoRow(row.current, button) : undefined;
  }, [chosen, ladder]);
  return (
    <div
      ref={row}
      role="group"
      aria-label={w.bench.moveToAnotherKey}
      className="flex shrink-0 gap-1 overflow-x-auto overscroll-x-contain px-4 pb-1.5 [scrollbar-width:thin] max-sm:px-2 print:hidden"
      data-role="key-strip"
    >
      {ladder.keys.map((key) => (
        <KeyButton
          key={keyName(key)}
          facts={key}
          isChosen={keyName(key) === chosen}
          isOwn={keyName(key) === own}
          onChoose={onChoose}
        />
      ))}
      {ladder.unwritable.map((key) => (
        <UnwritableButton key={keyName(key)} facts={key} />
      ))}
    </div>
  );
});

/** Scrolls a row, and nothing else, until a button in it is seen whole with a part of its neighbours. Where they are is told once the page is laid out:
 * to measure it here would lay the whole page out in the middle of a key press. Gives what calls it off. */
function bringIntoRow(row: Element, button: Element): () => void {
  const watcher = new IntersectionObserver(
    ([seen]) => {
      watcher.disconnect();
      if (!seen?.rootBounds) return;
      const { boundingClientRect: own, rootBounds: room } = seen;
      const margin = own.width / 2;
      if (own.left - margin < room.left) row.scrollLeft += own.left - margin - room.left;
      else if (own.right + margin > room.right) row.scrollLeft += own.right + margin - room.right;
    },
    { root: row },
  );
  watcher.observe(button);
  return () => watcher.disconnect();
}

const SHAPE =
  'flex h-12 min-w-[4.6rem] shrink-0 grow basis-auto flex-col items-center justify-center rounded-field border-2 px-1.5';

/** A key in which the piece cannot be written: it stands in the strip with its reason, and cannot be pressed. */
function UnwritableButton({ facts }: { readonly facts: UnwritableKey }) {
  const w = useWords();
  const name = keyName(facts);
  const key = parseKey(name, 'major');
  return (
    <button
      type="button"
      disabled
      data-unwritable={name}
      title={facts.words}
      className={`${SHAPE} border-dashed border-base-300 text-secondary`}
    >
      <span className="font-serif leading-tight font-semibold">{key ? w.says.key(key).split(' ')[0] : name}</span>
      <span className="text-xs whitespace-nowrap">{w.bench.notWritten}</span>
    </button>
  );
}

interface KeyButtonProps {
  readonly facts: LadderKey;
  readonly isChosen: boolean;
  readonly isOwn: boolean;
  readonly onChoose: (key: string) => void;
}

/** Drawn again only when it is chosen or left: a press on one key must not wait for the fourteen others. */
const KeyButton = memo(function KeyButton({ facts, isChosen, isOwn, onChoose }: KeyButtonProps) {
  const w = useWords();
  const name = keyName(facts);
  const key = parseKey(name, 'major');
  const words = key ? w.says.key(key) : name;
  const colours = isChosen
    ? 'border-primary bg-primary text-primary-content'
    : 'border-base-300 bg-base-100 hover:border-primary';
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      data-key={name}
      title={facts.leaveOut ?? `${words}${isOwn ? w.bench.asWritten : ''}`}
      onClick={() => onChoose(name)}
      className={`${SHAPE} cursor-pointer gap-0.5 ${colours}`}
    >
      <span className="flex items-center gap-1.5 text-xs leading-none whitespace-nowrap">
        <span className="font-serif text-base leading-none font-semibold">{words.split(' ')[0]}</span>
        {isOwn ? w.bench.written : null}
        <Counts facts={facts} isChosen={isChosen} />
      </span>
      <HandsGlyph right={facts.blackFingers.right} left={facts.blackFingers.left} size={20} />
    </button>
  );
});

/** How many hand notes there are in a key, by weight. */
function Counts({ facts, isChosen }: { readonly facts: LadderKey; readonly isChosen: boolean }) {
  const w = useWords();
  const shown = (['must', 'should', 'watch'] as const).filter((severity) => facts.flags[severity] > 0);
  if (facts.leaveOut) return <span>{w.bench.leaveOut}</span>;
  if (shown.length === 0) {
    return (
      <span title={w.bench.nothingThatHandsMustKnow}>
        <Check size={12} aria-hidden />
        <span className="sr-only">{w.bench.noHandNotes}</span>
      </span>
    );
  }
  return (
    <span className={`flex gap-1 ${isChosen ? '[&_svg]:text-primary-content' : ''}`}>
      {shown.map((severity) => (
        <span key={severity} className="flex items-center gap-0.5">
          <SeverityMark severity={severity} size={9} />
          {facts.flags[severity]}
        </span>
      ))}
    </span>
  );
}
