'use client';

import { editsAfter, pieceToEnter, studio } from '@/data';

/** The door to the studio for whoever opens the browser's console, and for tests that look at two real tabs: `newThumb.studio`. It is the same door
 * that the screens use; what is not allowed there is not allowed here. */
export function openConsoleDoor(): void {
  Object.assign(window, { newThumb: { studio: studio(), pieceToEnter, editsAfter } });
}
