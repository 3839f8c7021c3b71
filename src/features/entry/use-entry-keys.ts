'use client';

import { useEffect, useEffectEvent, useRef } from 'react';
import type { EntryView } from '@/core/views';
import type { ScreenCommand } from '@/contract/entry-questions';
import { keyFor, pressedKey, type EntryAction, type EntryKey } from './entry-keys';

interface EntryKeysFor {
  readonly keys: readonly EntryKey[];
  readonly view: EntryView | null;
  /** Whether the computer's keys are piano keys just now: then plain letters are not for us. */
  readonly hasPianoKeys: boolean;
  /** Whether something else waits for a key. */
  readonly isResting: boolean;
  readonly onAction: (action: EntryAction) => void;
}

/** Listens to the keys for entering, ahead of everything else on the page: undo here is that of the piece. Not while something is typed into a field,
 * a dialogue is open, or a button has the focus and is pressed with Enter or Space. */
export function useEntryKeys({ keys, view, hasPianoKeys, isResting, onAction }: EntryKeysFor): void {
  // Known here before the worker has answered: keys may follow each other faster than that.
  const isMoving = useRef(false);
  const listen = useEffectEvent((event: KeyboardEvent): void => {
    if (!view || isResting || event.isComposing || isElsewhere(event)) return;
    const pressed = pressedKey(event);
    if (hasPianoKeys && view.method === 'keys' && /^[a-z;]$/.test(pressed)) return;
    const action = (isMoving.current ? movingTo(pressed) : null) ?? keyFor(keys, pressed, view.method)?.action;
    if (!action) return;
    isMoving.current = action.kind === 'move' && !isMoving.current;
    event.preventDefault();
    event.stopPropagation();
    onAction(action);
  });
  useEffect(() => {
    const hear = (event: KeyboardEvent): void => listen(event);
    window.addEventListener('keydown', hear, { capture: true });
    return () => window.removeEventListener('keydown', hear, { capture: true });
  }, []);
}

function isElsewhere({ target, key }: KeyboardEvent): boolean {
  if (document.querySelector('dialog[open]')) return true;
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) return true;
  return key === 'Enter' && ['BUTTON', 'A', 'SUMMARY'].includes(target.tagName);
}

/** While the hand is being moved, a letter says to which position. */
function movingTo(pressed: string): ScreenCommand | null {
  if (!/^[a-g]$/.test(pressed)) return null;
  return { kind: 'seat-letter', letter: pressed.toUpperCase() as 'C' };
}
