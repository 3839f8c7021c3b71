'use client';

import { memo } from 'react';
import { keyPrint, parseKey } from '@/core/pitch';
import type { Ladder, LadderKey, UnwritableKey } from '@/core/views';
import { HandsGlyph } from '@/features/shared/hand-glyph';
import { SeverityMark } from '@/features/shared/severity-mark';

interface KeyStripProps {
  readonly ladder: Ladder;
  readonly chosen: string;
  readonly onChoose: (key: string) => void;
}

/** The name by which a key of the ladder goes in the address: `Bb-major`. */
export function keyName(key: Pick<LadderKey, 'tonic' | 'mode'>): string {
  return `${key.tonic}-${key.mode}`;
}

/** All keys of the piece's mode, each as the two hands that would play in it. One press moves the piece there. */
export const KeyStrip = memo(function KeyStrip({ ladder, chosen, onChoose }: KeyStripProps) {
  const own = keyName(ladder.from);
  return (
    <div
      role="group"
      aria-label="Move to another key"
      className="flex gap-1 overflow-x-auto px-4 py-2 sm:flex-wrap xl:flex-nowrap"
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

/** A key in which the piece cannot be written: it stands in the strip with its reason, and cannot be pressed. */
function UnwritableButton({ facts }: { readonly facts: UnwritableKey }) {
  const name = keyName(facts);
  const key = parseKey(name, 'major');
  return (
    <button
      type="button"
      disabled
      data-unwritable={name}
      title={facts.words}
      className="flex min-w-[4.6rem] flex-1 flex-col items-center justify-center rounded-field border-2 border-dashed border-base-300 px-0.5 text-secondary"
    >
      <span className="font-serif leading-tight font-semibold">{key ? keyPrint(key).split(' ')[0] : name}</span>
      <span className="text-xs">not written</span>
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
  const name = keyName(facts);
  const key = parseKey(name, 'major');
  const words = key ? keyPrint(key) : name;
  const shape = isChosen
    ? 'border-primary bg-primary text-primary-content'
    : 'border-base-300 bg-base-100 hover:border-primary';
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      data-key={name}
      title={facts.leaveOut ?? `${words}${isOwn ? ' (as written)' : ''}`}
      onClick={() => onChoose(name)}
      className={`flex min-w-[4.6rem] flex-1 cursor-pointer flex-col items-center gap-0.5 rounded-field border-2 px-0.5 pt-1 pb-0.5 ${shape}`}
    >
      <span className="font-serif leading-tight font-semibold">
        {words.split(' ')[0]}
        {isOwn ? <span className="ml-1 font-sans text-xs font-normal">written</span> : null}
      </span>
      <HandsGlyph right={facts.blackFingers.right} left={facts.blackFingers.left} size={26} />
      <Counts facts={facts} isChosen={isChosen} />
    </button>
  );
});

function Counts({ facts, isChosen }: { readonly facts: LadderKey; readonly isChosen: boolean }) {
  const shown = (['must', 'should', 'watch'] as const).filter((severity) => facts.flags[severity] > 0);
  if (facts.leaveOut) return <span className="text-xs">leave out</span>;
  if (shown.length === 0) return <span className="text-xs">free</span>;
  return (
    <span className={`flex gap-1 text-xs ${isChosen ? '[&_svg]:text-primary-content' : ''}`}>
      {shown.map((severity) => (
        <span key={severity} className="flex items-center gap-0.5">
          <SeverityMark severity={severity} size={10} />
          {facts.flags[severity]}
        </span>
      ))}
    </span>
  );
}
