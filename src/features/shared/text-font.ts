'use client';

import { engraveWorker } from '@/workers/client';

const ID = 'engraving-text-font';

/** Puts the font of the signs among engraved text (a note in a metronome mark) into the document, once. Asking for it
 * also starts the engraver before the first page is there. */
export async function layOutTextFont(): Promise<void> {
  const rule = await engraveWorker().textFont();
  if (!rule.ok || document.getElementById(ID)) return;
  const style = document.createElement('style');
  style.id = ID;
  style.textContent = rule.value;
  document.head.append(style);
}
