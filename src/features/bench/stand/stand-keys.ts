import type { ScreenKey } from '@/features/shared/use-keys';
import { KEY_LETTERS } from '../use-key-typing';

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

/** The keys of the music stand. Pedals for turning pages send those of the arrows and pages. */
export function standKeys(of: StandKeysOf): readonly ScreenKey[] {
  return [
    {
      key: '→  ↓  Page ↓',
      does: 'turn the page (or the pedal on the right)',
      anyOf: ['ArrowRight', 'ArrowDown', 'PageDown', ' ', 'Enter'],
      act: () => of.turn(1),
    },
    {
      key: '←  ↑  Page ↑',
      does: 'turn back (or the pedal on the left)',
      anyOf: ['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace'],
      act: () => of.turn(-1),
    },
    { key: 'Home', does: 'to the first page', act: of.turnToFirst },
    { key: '[', does: 'the key before this one in the strip', act: () => of.stepKey(-1) },
    { key: ']', does: 'the next key in the strip', act: () => of.stepKey(1) },
    { key: 'C  F#  Eb …', does: 'to the key of that name', act: of.typeKey, anyOf: KEY_LETTERS },
    { key: 'p', does: 'play from the page that is open, or stop: pages turn by themselves', act: of.togglePlay },
    { key: 'i', does: 'take up the pencil, or put it down', act: of.togglePencil },
    { key: 'h', does: 'nothing but music, or the bars again', act: of.toggleBars },
    { key: '+', does: 'larger', act: () => of.resize(1) },
    { key: '-', does: 'smaller', act: () => of.resize(-1) },
    { key: 'Escape', does: 'back to the Bench', act: of.onLeave },
  ];
}
