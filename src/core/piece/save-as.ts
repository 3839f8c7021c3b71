import type { FileFormat } from '../base';
import { fileStem } from '../paper';
import {
  NO_MARKS,
  packMxl,
  withWrittenMarks,
  writeAbc,
  writeMidiFile,
  writeMusicXml,
  writeOwnFile,
  type WrittenMarks,
} from '../write';
import type { OpenedPiece, Version } from './open-piece';

/** A file ready to be saved or sent. */
export interface SavedFile {
  readonly name: string;
  readonly mediaType: string;
  readonly content: string | Uint8Array;
}

/** Endings and media types of the formats. Source: the scripting interface. */
const FORMATS: Readonly<Record<FileFormat, { readonly ending: string; readonly mediaType: string }>> = {
  musicxml: { ending: 'musicxml', mediaType: 'application/vnd.recordare.musicxml+xml' },
  mxl: { ending: 'mxl', mediaType: 'application/vnd.recordare.musicxml' },
  abc: { ending: 'abc', mediaType: 'text/vnd.abc' },
  midi: { ending: 'mid', mediaType: 'audio/midi' },
  newthumb: { ending: 'newthumb', mediaType: 'application/vnd.new-thumb+json' },
};

/** What goes into a file beside the music, and the id of the stage of a piece that it is. */
export interface SavedWith {
  readonly marks?: WrittenMarks;
  readonly stage?: string | null;
}

/** Writes a piece in one key as a file. Marks for the pupil go into MusicXML, for programs that know nothing of them; a piece file of ours has them beside
 * the music. */
export function saveAs(
  piece: OpenedPiece,
  version: Version,
  format: FileFormat,
  { marks = NO_MARKS, stage = null }: SavedWith = {},
): SavedFile {
  const isForOthers = format === 'musicxml' || format === 'mxl';
  const written = isForOthers ? { ...version, score: withWrittenMarks(version.score, marks) } : version;
  const { ending, mediaType } = FORMATS[format];
  return {
    name: `${fileStem(version.score.title, version.key, stage)}.${ending}`,
    mediaType,
    content: contentOf(piece, written, format),
  };
}

function contentOf({ carried }: OpenedPiece, { score, key }: Version, format: FileFormat): string | Uint8Array {
  switch (format) {
    case 'musicxml':
      return writeMusicXml(score);
    case 'mxl':
      return packMxl(writeMusicXml(score));
    case 'abc':
      return writeAbc(score, key);
    case 'midi':
      return writeMidiFile(score, key);
    case 'newthumb':
      return writeOwnFile(writeMusicXml(score), carried);
  }
}
