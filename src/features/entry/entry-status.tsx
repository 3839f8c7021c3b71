'use client';

import { memo } from 'react';
import type { EntryView } from '@/core/views';
import type { InputMethod } from '@/core/entry';
import { HandsGlyph } from '@/features/shared/hand-glyph';
import type { ScreenCommand } from '@/workers/entry-protocol';
import { lengthName } from './row-table';

/** The ways of entering, with ABC beside those of the core: it is written into a field. */
export type ScreenMethod = InputMethod | 'abc';

/** How many bars that do not add up are named; the others are marked on the paper. */
const SHOWN_TROUBLES = 3;

const WAY_NAMES: Readonly<Record<ScreenMethod, string>> = {
  fingers: 'Finger numbers',
  letters: 'Letters',
  keys: 'Piano keys',
  abc: 'ABC',
};

interface EntryStatusProps {
  readonly view: EntryView;
  readonly method: ScreenMethod;
  readonly isKept: boolean;
  readonly notice: string | null;
  readonly onMethod: (method: ScreenMethod) => void;
  readonly onPress: (command: ScreenCommand) => void;
}

/** How notes are entered, by which hand, where it sits, and what has been said of the next note. */
export const EntryStatus = memo(function EntryStatus({
  view,
  method: way,
  isKept,
  notice,
  onMethod: onWay,
  onPress,
}: EntryStatusProps) {
  const { caret, hands } = view;
  return (
    <div className="sticky top-14 z-20 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 bg-base-200 px-4 py-2 text-sm">
      <div role="group" aria-label="Enter by" className="join">
        {(['fingers', 'letters', 'keys', 'abc'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={way === one}
            data-way={one}
            className={`btn btn-sm join-item h-9 px-3 font-normal ${way === one ? 'btn-neutral' : ''}`}
            onClick={() => onWay(one)}
          >
            {WAY_NAMES[one]}
          </button>
        ))}
      </div>
      {view.staves > 1 ? (
        <div role="group" aria-label="Hand" className="join">
          {(['left', 'right'] as const).map((hand) => (
            <button
              key={hand}
              type="button"
              aria-pressed={caret.hand === hand}
              data-hand-choice={hand}
              className={`btn btn-sm join-item h-9 px-3 font-normal ${caret.hand === hand ? 'btn-neutral' : ''}`}
              onClick={() => (caret.hand === hand ? undefined : onPress({ kind: 'other-hand', at: 'same-beat' }))}
            >
              {hand === 'left' ? 'Left' : 'Right'}
            </button>
          ))}
        </div>
      ) : null}
      <p className="flex items-center gap-2" data-role="seats">
        <HandsGlyph left={view.staves > 1 ? hands.left.onBlack : []} right={hands.right.onBlack} size={26} />
        <span>
          {view.staves > 1 ? `Left on ${hands.left.name}${openWords(hands.left.openBy)}, right` : 'Hand'} on{' '}
          {hands.right.name}
          {openWords(hands.right.openBy)}
        </span>
      </p>
      <p className="font-semibold" data-role="place">
        Bar {caret.number}, beat {caret.beat}
        {caret.isFurtherVoice ? ', second voice' : ''}
        {view.mode === 'between' ? ', between notes' : ''}
      </p>
      <p className="text-primary" data-role="next">
        {nextWords(view).join(', ')}
      </p>
      <p className="ml-auto text-secondary" data-role="kept" data-kept={isKept}>
        {isKept ? 'Kept' : 'Keeping …'}
      </p>
      {view.miscounts.length > 0 ? (
        <p className="flex w-full flex-wrap items-center gap-1 text-error" data-role="troubles">
          <span className="font-semibold">
            {view.miscounts.length === 1 ? 'One bar does not add up:' : `${view.miscounts.length} bars do not add up:`}
          </span>
          {view.miscounts.slice(0, SHOWN_TROUBLES).map((trouble) => (
            <button
              key={`${trouble.bar}${trouble.hand}`}
              type="button"
              className="btn btn-ghost btn-xs h-8 font-normal"
              onClick={() => onPress({ kind: 'go-to-bar', bar: trouble.bar, hand: trouble.hand })}
            >
              {trouble.words}
            </button>
          ))}
          {view.miscounts.length > SHOWN_TROUBLES ? `and ${view.miscounts.length - SHOWN_TROUBLES} more` : ''}
        </p>
      ) : null}
      <p role="status" className={notice ? 'w-full font-semibold text-error' : 'sr-only'} data-role="notice">
        {notice ?? view.words}
      </p>
    </div>
  );
});

function openWords(openBy: number): string {
  return openBy === 0 ? '' : `, open by ${openBy}`;
}

/** What holds for the next note, and the length where it is not told by the row. */
function nextWords({ next, triplet, moving, method: way, length }: EntryView): readonly string[] {
  const signs: Readonly<Record<number, string>> = { 1: 'sharp', [-1]: 'flat', 0: 'natural' };
  return [
    ...(way === 'fingers' ? [] : [lengthName(length)]),
    ...(next.alter === null ? [] : [signs[next.alter] as string]),
    ...(next.letters === 0 ? [] : [`${Math.abs(next.letters)} ${next.letters > 0 ? 'higher' : 'lower'}`]),
    ...(next.octaves === 0 ? [] : [`octave ${next.octaves > 0 ? 'higher' : 'lower'}`]),
    ...(next.joins === 'chord' ? ['sounds with the last'] : []),
    ...(next.joins === 'tie' ? ['tied to the last'] : []),
    ...(triplet === 'on' ? ['triplet'] : []),
    ...(moving?.kind === 'asked' ? ['move: a letter, or a finger'] : []),
    ...(moving?.kind === 'finger' ? [`${moving.finger} where … is`] : []),
  ];
}
