import type { ScreenKey } from '@/features/shared/keys/use-keys';
import { keyLetters } from '../keys/use-key-typing';
import { type Words } from '@/features/shared/words/use-words';

/** What the keys of the music stand work on. */
export interface StandKeysOf {
  readonly turn: (by: 1 | -1) => void;
  readonly turnToFirst: () => void;
  readonly stepKey: (by: 1 | -1) => void;
  readonly typeKey: (typed: string) => void;
  readonly togglePlay: () => void;
  readonly togglePencil: () => void;
  readonly toggleBars: () => void;
  readonly resize: (by: 1 | -1) => void;
  readonly onLeave: () => void;
}

/** Keys of the music stand that a button has too. */
export const STAND_KEYS = { pencil: 'i', bars: 'h', larger: '+', smaller: '-', leave: 'Escape' } as const;

/** The keys of the music stand. Pedals for turning pages send those of the arrows and pages. */
export function standKeys(w: Words, of: StandKeysOf): readonly ScreenKey[] {
  return [
    {
      key: '→  ↓  Page ↓',
      does: w.stand.turnPageOrPedalOn,
      anyOf: ['ArrowRight', 'ArrowDown', 'PageDown', ' ', 'Enter'],
      act: () => of.turn(1),
    },
    {
      key: '←  ↑  Page ↑',
      does: w.stand.turnBackOrPedalOn,
      anyOf: ['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace'],
      act: () => of.turn(-1),
    },
    { key: 'Home', does: w.stand.toFirstPage, act: of.turnToFirst },
    { key: '[', does: w.shared.keyBeforeThisOneIn, act: () => of.stepKey(-1) },
    { key: ']', does: w.shared.nextKeyInStrip, act: () => of.stepKey(1) },
    { key: 'C  F#  Eb …', does: w.shared.toKeyOfThatName, act: of.typeKey, anyOf: keyLetters(w.wording) },
    { key: 'p', does: w.stand.playFromPageThatIs, act: of.togglePlay },
    { key: STAND_KEYS.pencil, does: w.stand.takeUpPencilOrPut, act: of.togglePencil },
    { key: STAND_KEYS.bars, does: w.stand.nothingButMusicOrBars, act: of.toggleBars },
    { key: STAND_KEYS.larger, does: w.shared.larger, act: () => of.resize(1) },
    { key: STAND_KEYS.smaller, does: w.shared.smaller, act: () => of.resize(-1) },
    { key: STAND_KEYS.leave, does: w.stand.backToBenchKey, act: of.onLeave },
  ];
}
