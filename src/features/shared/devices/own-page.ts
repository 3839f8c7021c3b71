'use client';

/** Of what a browser lets a page use, the name where what was chosen is kept over a new load. */
const PLACE = 'new-thumb-instrument';

/** How Chromium tells what the page was let use; others do not say. */
interface AskedDocument extends Document {
  readonly featurePolicy?: { readonly allowsFeature: (name: string) => boolean };
}

/** MIDI is let in only on the pages that are played into, and a browser decides that when a page is loaded. Whoever came by a link from another screen has
 * the page of that one still: it is loaded anew, and the keyboard is chosen there. Says whether that is happening. */
export function loadsForMidi(): boolean {
  const isLetIn = (document as AskedDocument).featurePolicy?.allowsFeature('midi') ?? true;
  if (isLetIn || sessionStorage.getItem(PLACE) !== null) return false;
  sessionStorage.setItem(PLACE, 'midi');
  location.reload();
  return true;
}

/** Whether the page was loaded anew for a MIDI keyboard. */
export function isLoadedForMidi(): boolean {
  return typeof sessionStorage !== 'undefined' && sessionStorage.getItem(PLACE) !== null;
}

/** The keyboard is chosen: the next page begins as usual. */
export function forgetLoad(): void {
  sessionStorage.removeItem(PLACE);
}
