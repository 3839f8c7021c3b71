import { strToU8 } from 'fflate';
import { err, ok, type Fault, type FileFormat, type Result } from '../base';
import { readAbc, splitAbc, type PlainReading } from './abc/read-abc';
import { composeMusicXml, type PlainPiece } from '../plain-piece';
import { decodeText } from './decode';
import type { Grid } from './midi/grid';
import { readMidi } from './midi/read-midi';
import { unpackMxl } from './mxl';
import { readOwnFile } from './own-file';
import { readDocument, readMusicXml, type Reading } from './read-musicxml';
import { recogniseFormat } from './recognise';

/** The largest file that is read. */
export const MAX_FILE_MB = 10;

/** Reads a piece from the bytes of its file. The format is told from the bytes unless it is given. Of a file with
 * several tunes the first is read; `grid` is what the rhythm of a MIDI file is set to, found where it is null. Errors: the `read.*` codes. */
export function readPiece(
  bytes: Uint8Array,
  given: FileFormat | null,
  grid: Grid | null = null,
): Result<Reading, Fault> {
  if (bytes.length === 0) return err({ code: 'read.empty' });
  if (bytes.length > MAX_FILE_MB * 1024 * 1024) return err({ code: 'read.too-large', limitMb: MAX_FILE_MB });
  const format = given ?? recogniseFormat(bytes);
  switch (format) {
    case null:
      return err({ code: 'read.unknown-format' });
    case 'musicxml':
      return readTextAs(bytes, readMusicXml);
    case 'mxl': {
      const score = unpackMxl(bytes);
      return score.ok ? readTextAs(score.value, readMusicXml) : score;
    }
    case 'abc':
      return readTextAs(bytes, readFirstTune);
    case 'midi':
      return composed(readMidi(bytes, grid));
    case 'newthumb':
      return readTextAs(bytes, readPieceFile);
  }
}

/** The pieces of a file, each as bytes of its own: the tunes of an ABC file; of any other file the file itself. */
export function splitPieces(bytes: Uint8Array): readonly Uint8Array[] {
  if (recogniseFormat(bytes) !== 'abc') return [bytes];
  const text = decodeText(bytes);
  return text.ok ? splitAbc(text.value).map((tune) => strToU8(tune)) : [bytes];
}

function readTextAs(bytes: Uint8Array, read: (text: string) => Result<Reading, Fault>): Result<Reading, Fault> {
  const text = decodeText(bytes);
  return text.ok ? read(text.value) : text;
}

function readFirstTune(text: string): Result<Reading, Fault> {
  const tunes = splitAbc(text);
  const reading = composed(readAbc(tunes[0] ?? text));
  if (!reading.ok || tunes.length < 2) return reading;
  return ok({ ...reading.value, remarks: [{ code: 'more-tunes', count: tunes.length }, ...reading.value.remarks] });
}

function readPieceFile(text: string): Result<Reading, Fault> {
  const file = readOwnFile(text);
  if (!file.ok) return file;
  const reading = readMusicXml(file.value.musicXml);
  return reading.ok ? ok({ ...reading.value, carried: file.value.carried }) : reading;
}

/** A plain piece becomes a score by way of MusicXML, so that there is one way from files to scores. */
function composed(plain: Result<PlainReading, Fault>): Result<Reading, Fault> {
  if (!plain.ok) return plain;
  const reading = readPlainPiece(plain.value.piece);
  return reading.ok ? ok({ ...reading.value, remarks: [...plain.value.remarks, ...reading.value.remarks] }) : reading;
}

/** Reads a plain piece. Errors: those of MusicXML, where it holds what cannot be written. */
export function readPlainPiece(piece: PlainPiece): Result<Reading, Fault> {
  const reading = readDocument(composeMusicXml(piece));
  return reading.ok ? ok({ ...reading.value, signs: 'to-draw' }) : reading;
}
