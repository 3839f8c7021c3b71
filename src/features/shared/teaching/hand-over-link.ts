import LZString from 'lz-string';
import QRCode from 'qrcode';

/** Longer addresses are cut off by some programs that pass them on. Our own choice, below what browsers take. Unit: letters. */
export const LONGEST_LINK = 8000;

/** What a QR code holds at most, at the lowest error correction, as bytes. Source: ISO/IEC 18004, version 40-L, from memory. */
const MOST_QR_BYTES = 2953;

/** In an address behind the hash: it never leaves the machine that opens it. */
const MARK = 'handed=';

/** The address that holds a hand-over; null where it would be too long. */
export function linkOf(handOver: string, origin: string): string | null {
  const link = `${origin}/take-in#${MARK}${LZString.compressToEncodedURIComponent(handOver)}`;
  return link.length <= LONGEST_LINK ? link : null;
}

/** Whether an address says that it holds a hand-over, readable or not. */
export function isHandOverLink(hash: string): boolean {
  return hash.includes(MARK);
}

/** What was handed over in an address; null where there is nothing, or it cannot be read. */
export function handedIn(hash: string): string | null {
  const at = hash.indexOf(MARK);
  // What is longer was not written by us, and might unpack to more than there is room for.
  if (at < 0 || hash.length > LONGEST_LINK) return null;
  try {
    return LZString.decompressFromEncodedURIComponent(hash.slice(at + MARK.length)) || null;
  } catch {
    // Over some texts that it did not write the packer fails instead of giving nothing.
    return null;
  }
}

/** A QR code as a picture: how many squares each side has, and the dark ones as a path. */
export interface QrPicture {
  readonly size: number;
  readonly path: string;
}

/** Null where the link is too long for one. */
export function qrOf(link: string): QrPicture | null {
  if (link.length > MOST_QR_BYTES) return null;
  const { modules } = QRCode.create(link, { errorCorrectionLevel: 'L' });
  const { size } = modules;
  const dark: string[] = [];
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) if (modules.get(y, x)) dark.push(`M${x} ${y}h1v1h-1z`);
  return { size, path: dark.join('') };
}
