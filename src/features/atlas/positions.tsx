'use client';

import { useMemo } from 'react';
import { fingerOn, fiveFingers, turning, type FiveFingers } from '@/core/reference';
import { isBlackKey } from '@/core/keyboard';
import { keyText, midiNumber, nameText, parseKey, sameKey, type Key } from '@/core/pitch';
import type { Moment } from '@/core/views';
import type { PupilRecord } from '@/data';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { keyboardRange, KeyboardMap } from '@/features/shared/keys/keyboard-map';
import { useBeginPiece } from '@/features/shared/pieces/use-begin-piece';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import { ATLAS_ORDERS, show, type AtlasAddress, type AtlasOrder } from './atlas-address';
import { HearButton } from './hear-button';
import { keysInOrder } from './key-orders';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface PositionsProps {
  readonly address: AtlasAddress;
  readonly pupil: PupilRecord | null;
}

const orderNames = (w: Words): Readonly<Record<AtlasOrder, string>> => ({
  ease: w.shared.byEase,
  chromatic: w.atlas.halfStepByHalfStep,
  fifths: w.shared.byFifths,
  shape: w.shared.byTriadShape,
});

/** All positions beside each other, and one of them in full: on the keys, on the staff, and against another. */
export function Positions({ address, pupil }: PositionsProps) {
  const w = useWords();
  const { key, from, order } = address;
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[1fr_30rem]">
      <section aria-label={w.atlas.allPositions}>
        <div className="mb-2 flex flex-wrap items-center gap-4 text-sm">
          <label className="flex items-center gap-1.5">
            {w.atlas.inOrder}
            <select
              className="select select-sm h-9 w-48"
              data-role="atlas-order"
              value={order}
              onChange={(event) => show({ order: event.target.value })}
            >
              {ATLAS_ORDERS.map((one) => (
                <option key={one} value={one}>
                  {orderNames(w)[one]}
                </option>
              ))}
            </select>
          </label>
          <label className="flex items-center gap-1.5">
            {w.atlas.comparedWith}
            <select
              className="select select-sm h-9 w-40"
              data-role="compared"
              value={keyText(from)}
              onChange={(event) => show({ from: event.target.value })}
            >
              {(['major', 'minor'] as const)
                .flatMap((mode) => keysInOrder(mode, 'chromatic'))
                .map((one) => (
                  <option key={keyText(one)} value={keyText(one)}>
                    {w.says.key(one)}
                  </option>
                ))}
            </select>
          </label>
        </div>
        {(['major', 'minor'] as const).map((mode) => (
          <div key={mode} className="mb-3">
            <h2 className="mb-1 font-serif font-semibold">{mode === 'major' ? w.atlas.major : w.atlas.minor}</h2>
            <ul className="grid grid-cols-2 gap-1.5 sm:grid-cols-3 xl:grid-cols-5">
              {keysInOrder(mode, order).map((one) => (
                <PositionButton
                  key={keyText(one)}
                  shown={one}
                  from={from}
                  isChosen={sameKey(one, key)}
                  isKnown={pupil?.keysKnown.includes(keyText(one)) ?? false}
                />
              ))}
            </ul>
          </div>
        ))}
      </section>
      <PositionDetail shown={key} from={from} />
    </div>
  );
}

function PositionButton({
  shown,
  from,
  isChosen,
  isKnown,
}: {
  readonly shown: Key;
  readonly from: Key;
  readonly isChosen: boolean;
  readonly isKnown: boolean;
}) {
  const w = useWords();
  const position = fiveFingers(shown);
  const turns = turning(fiveFingers(from), position, 'right');
  const feelsTheSame = turns.toBlack.length === 0 && turns.toWhite.length === 0;
  const isSame = sameKey(from, shown);
  return (
    <li>
      <button
        type="button"
        data-position={keyText(shown)}
        aria-pressed={isChosen}
        className="flex h-full min-h-16 w-full cursor-pointer items-center gap-2 rounded-box border border-base-300 bg-base-100 px-2 py-1 text-left hover:border-primary aria-pressed:border-2 aria-pressed:border-primary"
        onClick={() => show({ key: keyText(shown) })}
      >
        <HandsGlyph right={position.black.right} left={position.black.left} size={30} />
        <span className="min-w-0 text-sm leading-tight wrap-anywhere">
          <span className="block font-serif font-semibold">
            {w.says.place(shown.tonic)}
            <span className="sr-only"> {w.says.modeName(shown.mode)}</span>
            {isKnown ? <span className="ml-1 text-xs font-normal text-secondary">{w.atlas.known}</span> : null}
          </span>
          <span className="block text-xs text-secondary">
            {isSame ? w.atlas.comparedWith : feelsTheSame ? w.shared.same : w.says.turningWords(turns)}
          </span>
        </span>
      </button>
    </li>
  );
}

/** A key as it is typed for a new piece. */
function openingOf({ tonic, mode }: Key): string {
  return `${nameText(tonic)}${mode === 'minor' ? 'm' : ''} 4/4`;
}

function PositionDetail({ shown, from }: { readonly shown: Key; readonly from: Key }) {
  const w = useWords();
  const position = fiveFingers(shown);
  const other = fiveFingers(from);
  const moment = useMemo(() => momentOf(w, fiveFingers(shown)), [w, shown]);
  const name = keyText(shown);
  const ask = useMemo(
    () => () =>
      coreWorker().drill(
        { kind: 'five-fingers', keys: [name], rhythm: 'quarters', hands: 'both', wording: w.wording },
        STAFF_COLUMNS,
      ),
    [name, w],
  );
  const { value } = useAnswer(name, ask);
  const beginPiece = useBeginPiece();
  return (
    <section
      aria-label={w.atlas.position(w.says.key(shown))}
      className="rounded-box border border-base-300 bg-base-100 p-4 lg:sticky lg:top-16"
      data-role="position"
      data-key={name}
    >
      <div className="flex items-center gap-4">
        <HandsGlyph right={position.black.right} left={position.black.left} size={56} />
        <div>
          <h2 className="text-xl font-semibold">{w.says.key(shown)}</h2>
          <p className="text-sm">{position.pitches.map(w.says.place).join(' ')}</p>
          <p className="text-sm text-secondary">{w.says.blackWordsOf(position)}</p>
        </div>
        <span className="ml-auto">
          <HearButton
            label={w.atlas.fiveFingersOf(w.says.key(shown))}
            sounds={[...position.pitches, ...position.pitches.slice(0, -1).toReversed()].map((pitch) => [
              midiNumber(pitch),
            ])}
          />
        </span>
      </div>
      <div className="my-3">
        <KeyboardMap moment={moment} range={keyboardRange([moment])} />
      </div>
      {value ? (
        <EngravedPage page={value.page} layout={STAFF_LAYOUT} label={w.atlas.fiveFingersOfOnStaff(w.says.key(shown))} />
      ) : (
        <div className="h-28" />
      )}
      <dl className="mt-2 grid grid-cols-[8.5rem_1fr] gap-y-1 text-sm" data-role="turning">
        <dt className="text-secondary">{w.atlas.fromRight(w.says.key(from))}</dt>
        <dd>{w.says.turningWords(turning(other, position, 'right'))}</dd>
        <dt className="text-secondary">{w.atlas.leftHand}</dt>
        <dd>{w.says.turningWords(turning(other, position, 'left'))}</dd>
      </dl>
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => show({ part: 'cards', key: name })}>
          {w.atlas.keyCard}
        </button>
        <button
          type="button"
          className="btn btn-sm h-9 font-normal"
          onClick={() => show({ part: 'drills', keys: name })}
        >
          {w.atlas.makeDrill}
        </button>
        <button type="button" className="btn btn-sm h-9 font-normal" onClick={() => show({ from: name })}>
          {w.atlas.compareOthersWithIt}
        </button>
        <button
          type="button"
          className="btn btn-sm h-9 font-normal"
          data-role="enter-here"
          onClick={() => void beginPiece({ title: '', opening: openingOf(shown) })}
        >
          {w.atlas.enterPieceHere}
        </button>
      </div>
    </section>
  );
}

const STAFF_COLUMNS = 60;
const STAFF_LAYOUT = { widthPx: 440, zoom: 38, breaks: 'encoded' } as const;

/** Both hands at rest on their keys, the left an octave below. */
function momentOf(w: Words, { pitches }: FiveFingers): Moment {
  const hands = (['left', 'right'] as const).map((hand) => ({
    hand,
    midis: pitches.map((pitch) => midiNumber(pitch) - (hand === 'left' ? 12 : 0)),
  }));
  const keys = hands.flatMap(({ hand, midis }) =>
    midis.map((midi, place) => ({
      noteId: `${hand}${place}`,
      hand,
      midi,
      finger: fingerOn(hand, place),
      isBlack: isBlackKey(midi),
      isStruck: true,
      name: w.says.pitch(pitches[place] ?? { ...NO_PITCH }),
      otherName: null,
    })),
  );
  return { barIndex: 0, bar: '1', beat: 1, keys, keysUnderFingers: { right: null, left: null } };
}

const NO_PITCH = { ...(parseKey('C', 'major') as Key).tonic, octave: 4 };
