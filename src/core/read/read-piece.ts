import { err, type Fault, type FileFormat, type Result } from '../result';
import { decodeText } from './decode';
import { readMusicXml, type Reading } from './read-musicxml';
import { recogniseFormat } from './recognise';

/** The largest file that is read. */
export const MAX_FILE_MB = 10;

/** Reads a piece from the bytes of its file. The format is told from the bytes unless it is given.
 * Errors: the `read.*` codes; `read.format-not-yet` for a format that is known but not read by this version. */
export function readPiece(bytes: Uint8Array, given: FileFormat | null): Result<Reading, Fault> {
  if (bytes.length === 0) return err({ code: 'read.empty' });
  if (bytes.length > MAX_FILE_MB * 1024 * 1024) return err({ code: 'read.too-large', limitMb: MAX_FILE_MB });
  const format = given ?? recogniseFormat(bytes);
  if (format === null) return err({ code: 'read.unknown-format' });
  if (format !== 'musicxml') return err({ code: 'read.format-not-yet', format });
  const text = decodeText(bytes);
  return text.ok ? readMusicXml(text.value) : text;
}
