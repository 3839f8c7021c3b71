import { err, ok, type Fault, type FileFormat, type Result } from '../result';
import { fileStem, writeMidiFile, writeMusicXml } from '../write';
import type { Version } from './open-piece';

/** A file ready to be saved or sent. */
export interface SavedFile {
  readonly name: string;
  readonly mediaType: string;
  readonly content: string | Uint8Array;
}

/** Writes a piece in one key as a file. Errors: `query.format-not-yet`. */
export function saveAs(version: Version, format: FileFormat): Result<SavedFile, Fault> {
  const stem = fileStem(version.score.title, version.key);
  switch (format) {
    case 'musicxml':
      return ok({ name: `${stem}.musicxml`, mediaType: 'application/vnd.recordare.musicxml+xml', content: writeMusicXml(version.score) });
    case 'midi':
      return ok({ name: `${stem}.mid`, mediaType: 'audio/midi', content: writeMidiFile(version.score, version.key) });
    case 'mxl':
    case 'abc':
    case 'newthumb':
      return err({ code: 'query.format-not-yet', format });
  }
}
