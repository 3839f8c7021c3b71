import { strFromU8 } from 'fflate';
import type { FileFormat } from '../base';
import { startsWith } from './decode';

/** Tells the format of a file from its bytes; null where it is none of ours. */
export function recogniseFormat(bytes: Uint8Array): FileFormat | null {
  if (startsWith(bytes, [0x50, 0x4b, 0x03, 0x04])) return holdsScore(bytes) ? 'mxl' : null;
  if (startsWith(bytes, [0x4d, 0x54, 0x68, 0x64])) return 'midi';
  const head = strFromU8(bytes.subarray(0, 4096), true)
    .replaceAll('\0', '')
    .replace(/^(?:ï»¿|ÿþ|þÿ)/, '');
  if (/^\s*</.test(head)) return isXmlScore(head) ? 'musicxml' : null;
  if (/^\s*\{/.test(head)) return /"newThumb"/.test(head) ? 'newthumb' : null;
  return /^X:\s*\d+/m.test(head) && /^K:/m.test(strFromU8(bytes.subarray(0, 65536), true)) ? 'abc' : null;
}

/** A compressed score names its container or a score file among its first entries or in its list at the end. */
function holdsScore(bytes: Uint8Array): boolean {
  const ends = [bytes.subarray(0, 4096), bytes.subarray(Math.max(0, bytes.length - 65_536))];
  return ends.some((end) => /META-INF\/container\.xml|\.musicxml|\.xml/.test(strFromU8(end, true)));
}

/** XML that begins neither as a web page nor as a drawing is taken for a score: the reader then says what is wrong with it. */
function isXmlScore(head: string): boolean {
  const root = /<([A-Za-z_][\w.:-]*)/.exec(head)?.[1]?.toLowerCase();
  return root !== 'html' && root !== 'svg' && !/<!doctype\s+html/i.test(head);
}
