import { strFromU8 } from 'fflate';
import { err, ok, type Fault, type Result } from '../base';

/** Turns the bytes of a text file into text. Known by their first bytes or their XML declaration:
 * UTF-8 (with or without mark), UTF-16 in both orders, Latin-1. Errors: `read.encoding` for any other. */
export function decodeText(bytes: Uint8Array): Result<string, Fault> {
  if (startsWith(bytes, [0xef, 0xbb, 0xbf])) return ok(strFromU8(bytes.subarray(3)));
  if (startsWith(bytes, [0xff, 0xfe])) return ok(decodeUtf16(bytes.subarray(2), 'little'));
  if (startsWith(bytes, [0xfe, 0xff])) return ok(decodeUtf16(bytes.subarray(2), 'big'));
  if (startsWith(bytes, [0x3c, 0x00])) return ok(decodeUtf16(bytes, 'little'));
  if (startsWith(bytes, [0x00, 0x3c])) return ok(decodeUtf16(bytes, 'big'));
  const declared = declaredEncoding(bytes);
  if (declared === 'utf-8' || declared === 'us-ascii') return ok(strFromU8(bytes));
  if (declared === 'iso-8859-1' || declared === 'latin1') return ok(strFromU8(bytes, true));
  return err({ code: 'read.encoding', encoding: declared });
}

export function startsWith(bytes: Uint8Array, prefix: readonly number[]): boolean {
  return prefix.every((value, i) => bytes[i] === value);
}

function declaredEncoding(bytes: Uint8Array): string {
  const head = strFromU8(bytes.subarray(0, 200), true);
  return /^\s*<\?xml[^>]*encoding\s*=\s*["']([^"']+)["']/.exec(head)?.[1]?.toLowerCase() ?? 'utf-8';
}

function decodeUtf16(bytes: Uint8Array, order: 'little' | 'big'): string {
  const [high, low] = order === 'little' ? [1, 0] : [0, 1];
  const units = Array.from(
    { length: Math.floor(bytes.length / 2) },
    (_, i) => ((bytes[2 * i + high] as number) << 8) | (bytes[2 * i + low] as number),
  );
  const pieces: string[] = [];
  for (let at = 0; at < units.length; at += 4096) pieces.push(String.fromCharCode(...units.slice(at, at + 4096)));
  return pieces.join('');
}
