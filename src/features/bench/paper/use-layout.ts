'use client';

import { useCallback, useState } from 'react';
import type { Desk, KeyboardSize } from '@/data';
import { useLowWindow, useScreen, type Screen } from '@/features/shared/parts/use-screen';
import { sizeAfter } from '../sound/keyboard-dock';
import { leave } from './paper-tools';

/** The panel beside the paper: folded away, or there. */
export interface BesidePanel {
  readonly isOpen: boolean;
  readonly onFold: (fold: 'open' | 'folded') => void;
}

/** How the Bench is laid out on this screen, and what the teacher has put away. */
export interface Layout {
  readonly screen: Screen;
  readonly beside: BesidePanel;
  readonly keyboard: KeyboardSize;
  readonly onKeyboard: (size: KeyboardSize) => void;
  readonly nextKeyboard: () => void;
}

/** Where there is room beside the paper the panel stays as it was left; a sheet from below is away until it is wanted. */
export function useLayout(desk: Desk): Layout {
  const screen = useScreen();
  const isLow = useLowWindow();
  const [sheet, setSheet] = useState<'open' | 'folded'>('folded');
  const onFold = useCallback(
    (fold: 'open' | 'folded'): void => {
      if (screen === 'wide') leave({ beside: fold });
      else setSheet(fold);
    },
    [screen],
  );
  const usual = isLow ? 'away' : screen === 'phone' ? 'strip' : 'full';
  const keyboard = desk.keyboard === 'by-screen' ? usual : desk.keyboard;
  const onKeyboard = useCallback((size: KeyboardSize): void => leave({ keyboard: size }), []);
  return {
    screen,
    beside: { isOpen: (screen === 'wide' ? desk.beside : sheet) === 'open', onFold },
    keyboard,
    onKeyboard,
    nextKeyboard: () => onKeyboard(sizeAfter(keyboard)),
  };
}
