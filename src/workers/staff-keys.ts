import type { StaffKeyChange } from '@/core/write';

/** Gives every staff its own signature at the key changes inside a piece. The engraver's import of MusicXML takes the
 * first part's for all; its own format (MEI), which it hands out and takes back, can say it staff by staff. */
export function withStaffKeys(mei: string, changes: readonly StaffKeyChange[]): string {
  // From the end, so that the places of earlier bars stay as they are.
  return changes.toSorted((a, b) => b.bar - a.bar).reduce(withChange, mei);
}

function withChange(mei: string, { bar, fifths }: StaffKeyChange): string {
  const bars = [...mei.matchAll(/<measure\b/g)].map(({ index }) => index);
  const end = bars[bar];
  if (end === undefined) return mei;
  const start = mei.lastIndexOf('<scoreDef', end);
  if (start < (bars[bar - 1] ?? 0)) return mei;
  const staves = fifths.map((value, i) => `<staffDef n="${i + 1}"><keySig sig="${signText(value)}"/></staffDef>`).join('');
  const changed = mei.slice(start, end).replace(/<keySig\b[^>]*\/>/, `<staffGrp>${staves}</staffGrp>`);
  return mei.slice(0, start) + changed + mei.slice(end);
}

/** A signature as MEI writes it: `2s` for two sharps, `3f` for three flats. Source: MEI 5, `data.KEYSIGNATURE`, from memory. */
function signText(fifths: number): string {
  if (fifths === 0) return '0';
  return `${Math.abs(fifths)}${fifths > 0 ? 's' : 'f'}`;
}
