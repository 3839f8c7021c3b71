import { number, object, string, ValidationError } from 'yup';
import { err, ok, type Fault, type Result } from '../base';

/** New Thumb's own piece file: the music as MusicXML, and what the teacher decided beside it. */
export const OWN_FILE_VERSION = 1;

const ownFileSchema = object({
  newThumb: string().oneOf(['piece']).required(),
  version: number().integer().min(1).required(),
  musicXml: string().required(),
});

export interface OwnFile {
  readonly musicXml: string;
  /** Everything else that the file holds, carried through unchanged. */
  readonly carried: Readonly<Record<string, unknown>>;
}

/** Checks the text of a piece file. Errors: `read.own-file`. */
export function readOwnFile(text: string): Result<OwnFile, Fault> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ code: 'read.own-file', reason: 'cut-off' });
  }
  try {
    const file = ownFileSchema.validateSync(value, { strict: true });
    if (file.version > OWN_FILE_VERSION) return err({ code: 'read.own-file', reason: 'newer', version: file.version });
    const carried = Object.entries(file).filter(([name]) => !['newThumb', 'version', 'musicXml'].includes(name));
    return ok({ musicXml: file.musicXml, carried: Object.fromEntries(carried) });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const [said] = error.errors;
    return err(
      said === undefined
        ? { code: 'read.own-file', reason: 'incomplete' }
        : { code: 'read.own-file', reason: 'invalid', said },
    );
  }
}
