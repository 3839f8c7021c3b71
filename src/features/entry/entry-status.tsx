'use client';

import { memo } from 'react';
import type { EntryView } from '@/core/views';
import type { InputMethod } from '@/core/entry';
import type { Kept } from './entering/keeper';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import type { ScreenCommand } from '@/contract/entry-questions';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** The ways of entering, with ABC beside those of the core: it is written into a field. */
export type ScreenMethod = InputMethod | 'abc';

/** How many bars that do not add up are named; the others are marked on the paper. */
const SHOWN_TROUBLES = 3;

const wayNames = (w: Words): Readonly<Record<ScreenMethod, string>> => ({
  fingers: w.shared.fingerNumbers,
  letters: w.entry.letters,
  keys: w.entry.pianoKeys,
  abc: w.entry.abc,
});

interface EntryStatusProps {
  readonly view: EntryView;
  readonly method: ScreenMethod;
  readonly kept: Kept;
  /** Whether another tab is entering this piece. */
  readonly isElsewhere: boolean;
  readonly notice: string | null;
  readonly onMethod: (method: ScreenMethod) => void;
  readonly onPress: (command: ScreenCommand) => void;
}

/** How notes are entered, by which hand, where it sits, and what has been said of the next note. */
export const EntryStatus = memo(function EntryStatus({
  view,
  method: way,
  kept,
  isElsewhere,
  notice,
  onMethod: onWay,
  onPress,
}: EntryStatusProps) {
  const w = useWords();
  const { caret, hands } = view;
  return (
    <div className="sticky top-14 z-20 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 bg-base-200 px-4 py-2 text-sm">
      <div role="group" aria-label={w.entry.enterBy} className="join">
        {(['fingers', 'letters', 'keys', 'abc'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={way === one}
            data-way={one}
            className={`btn btn-sm join-item h-9 px-3 font-normal ${way === one ? 'btn-neutral' : ''}`}
            onClick={() => onWay(one)}
          >
            {wayNames(w)[one]}
          </button>
        ))}
      </div>
      {view.staves > 1 ? (
        <div role="group" aria-label={w.entry.hand} className="join">
          {(['left', 'right'] as const).map((hand) => (
            <button
              key={hand}
              type="button"
              aria-pressed={caret.hand === hand}
              data-hand-choice={hand}
              className={`btn btn-sm join-item h-9 px-3 font-normal ${caret.hand === hand ? 'btn-neutral' : ''}`}
              onClick={() => (caret.hand === hand ? undefined : onPress({ kind: 'other-hand', at: 'same-beat' }))}
            >
              {hand === 'left' ? w.entry.left : w.entry.right}
            </button>
          ))}
        </div>
      ) : null}
      <p className="flex items-center gap-2" data-role="seats">
        <HandsGlyph left={view.staves > 1 ? hands.left.onBlack : []} right={hands.right.onBlack} size={26} />
        <span>
          {view.staves > 1
            ? w.entry.leftOnRightOn(seatOf(w, hands.left), seatOf(w, hands.right))
            : w.entry.handOn(seatOf(w, hands.right))}
        </span>
      </p>
      <p className="font-semibold" data-role="place">
        {[
          w.entry.barBeat(caret.number, caret.beat),
          ...(caret.isFurtherVoice ? [w.entry.secondVoice] : []),
          ...(view.mode === 'between' ? [w.entry.betweenNotes] : []),
        ].join(', ')}
      </p>
      <p className="text-primary" data-role="next">
        {nextWords(w, view).join(', ')}
      </p>
      <p className="ml-auto text-secondary" data-role="kept" data-kept={kept.kind === 'kept'}>
        {keptWords(w, kept)}
      </p>
      {isElsewhere ? (
        <p role="status" className="w-full" data-role="elsewhere">
          {w.entry.openInAnotherTab}
        </p>
      ) : null}
      {view.miscounts.length > 0 ? (
        <p className="flex w-full flex-wrap items-center gap-1 text-error" data-role="troubles">
          <span className="font-semibold">
            {view.miscounts.length === 1 ? w.entry.oneBarDoesNotAdd : w.entry.barsDoNotAddUp(view.miscounts.length)}
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
          {view.miscounts.length > SHOWN_TROUBLES ? w.entry.andMore(view.miscounts.length - SHOWN_TROUBLES) : ''}
        </p>
      ) : null}
      <p role="status" className={notice ? 'w-full font-semibold text-error' : 'sr-only'} data-role="notice">
        {notice ?? view.words}
      </p>
    </div>
  );
});

function keptWords(w: Words, { kind }: Kept): string {
  if (kind === 'kept') return w.entry.kept;
  return kind === 'waiting' ? w.entry.notKeptYet : w.entry.keeping;
}

/** Where a hand sits: `C3`, `C3, open by 1`. */
function seatOf(w: Words, { name, openBy }: EntryView['hands']['left']): string {
  return openBy === 0 ? name : w.entry.openBy(name, openBy);
}

/** What holds for the next note, and the length where it is not told by the row. */
function nextWords(w: Words, { next, triplet, moving, method: way, length }: EntryView): readonly string[] {
  const signs: Readonly<Record<number, string>> = {
    1: w.entry.sharpSign,
    [-1]: w.entry.flatSign,
    0: w.entry.naturalSign,
  };
  return [
    ...(way === 'fingers' ? [] : [w.says.lengthWords(length)]),
    ...(next.alter === null ? [] : [signs[next.alter] as string]),
    ...(next.letters === 0
      ? []
      : [next.letters > 0 ? w.entry.keysHigher(next.letters) : w.entry.keysLower(-next.letters)]),
    ...(next.octaves === 0 ? [] : [w.entry.octave(next.octaves)]),
    ...(next.joins === 'chord' ? [w.entry.soundsWithLast] : []),
    ...(next.joins === 'tie' ? [w.entry.tiedToLast] : []),
    ...(triplet === 'on' ? [w.entry.triplet] : []),
    ...(moving?.kind === 'asked' ? [w.entry.moveLetterOrFinger] : []),
    ...(moving?.kind === 'finger' ? [w.entry.whereIs(moving.finger)] : []),
  ];
}
