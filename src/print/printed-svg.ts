/** Groups of the engraver's pictures that are set in bold, as on the screen. */
const BOLD = /<g([^>]*) class="(fing|tempo|ending|reh)/g;

/** Words between two tags that hold signs which the font of words lacks, as the letters F♯ under a note. */
const WITH_SIGNS = />([^<>]*[\u2000-\u2fff][^<>]*)</g;
const SIGNS = /[\u2000-\u2fff]+/g;

/** A picture of the engraver as it is printed: black, its hairlines drawn, its words in the fonts of sheets. Both the page on paper and the page on the screen take it from here. */
export function printedSvg(svg: string): string {
  return svg
    .replace(/ font-family="Times, serif"/g, '')
    .replace(BOLD, '<g$1 font-weight="bold" class="$2')
    .replace('<svg', '<svg fill="#000" stroke="#000" font-family="sheet-sans"')
    .replace(/<text/g, '<text stroke="none"')
    .replace(
      WITH_SIGNS,
      (_, words: string) => `>${words.replace(SIGNS, '<tspan font-family="sheet-signs">$&</tspan>')}<`,
    )
    .replace(/font-family="Bravura"/g, 'font-family="sheet-music"')
    .replace(/[\ue000-\uf8ff]/g, (sign) => NOTES[sign.codePointAt(0) ?? 0] ?? sign)
    .replace(/currentColor/g, '#000');
}

/** Notes among words: the engraver's signs, and those that Unicode has for them. Source: SMuFL 1.4, metronome marks and individual notes; Unicode, musical symbols. */
const NOTES: Readonly<Record<number, string>> = {
  0xeca2: '\u{1d15d}',
  0xeca3: '\u{1d15e}',
  0xeca5: '\u{1d15f}',
  0xeca7: '\u{1d160}',
  0xeca9: '\u{1d161}',
  0xecb7: '.',
  0xe1d2: '\u{1d15d}',
  0xe1d3: '\u{1d15e}',
  0xe1d5: '\u{1d15f}',
  0xe1d7: '\u{1d160}',
  0xe1d9: '\u{1d161}',
  0xe1e7: '.',
};
