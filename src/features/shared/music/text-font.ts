'use client';

const ID = 'engraving-text-font';

/** Puts the font of the signs among engraved text (a note in a metronome mark) into the document, once. scripts/engraver.mjs takes it out of the
 * engraver, so that no page has to wait for it. */
export function layOutTextFont(): void {
  if (document.getElementById(ID)) return;
  const sheet = document.createElement('link');
  sheet.id = ID;
  sheet.rel = 'stylesheet';
  sheet.href = `${process.env['NEXT_PUBLIC_ENGRAVER']}/text-font.css`;
  document.head.append(sheet);
}
