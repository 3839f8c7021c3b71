'use client';

import { useEffect, useEffectEvent } from 'react';

/** One key of a screen: what is pressed (`[`, `ArrowLeft`, `Control+z`), what it does, and the action. */
export interface ScreenKey {
  readonly key: string;
  readonly does: string;
  /** Told which key it was. */
  readonly act: (key: string) => void;
  /** Where several keys do the same; `key` is then what the list of keys shows. */
  readonly anyOf?: readonly string[];
}

/** Listens to the keys of a screen, but not while something is typed into a field or a dialogue is open. */
export function useKeys(keys: readonly ScreenKey[]): void {
  // What is pressed counts for the screen as it is seen: from the moment on which it is drawn.
  const listen = useEffectEvent((event: KeyboardEvent): void => {
    if (isTaken(event) || document.querySelector('dialog[open]')) return;
    const name = pressed(event);
    const found = keys.find(({ key, anyOf }) => (anyOf ? anyOf.includes(name) : key === name));
    if (!found) return;
    event.preventDefault();
    found.act(name);
  });
  useEffect(() => {
    const hear = (event: KeyboardEvent): void => listen(event);
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
}

function pressed(event: KeyboardEvent): string {
  const isCommand = event.ctrlKey || event.metaKey;
  // AltGr, by which many keyboards type square brackets, counts as Control and Alt together.
  if (!isCommand || event.altKey) return event.key;
  return `Control+${event.shiftKey ? 'Shift+' : ''}${event.key.toLowerCase()}`;
}

/** Buttons that are inputs take arrows and Space; what is pressed with Control is not for them. */
const BUTTONS: readonly string[] = ['radio', 'checkbox', 'range'];

/** Whether a key is for the field that has the focus, or for an entry of a list that is being carried. */
function isTaken({ target, ctrlKey, metaKey }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  // A field of a box that was just closed has the focus until the page is drawn anew: nobody types into it.
  if (target.closest('dialog:not([open])')) return false;
  if (target.matches('[aria-roledescription][aria-pressed=true]')) return true;
  if (target instanceof HTMLInputElement && BUTTONS.includes(target.type) && (ctrlKey || metaKey)) return false;
  return target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName);
}
