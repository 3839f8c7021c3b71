import { OWN_FILE_VERSION } from '../read';

/** New Thumb's own piece file: the music and everything that is kept beside it. What another version put in, and we do
 * not know, goes out as it came. */
export function writeOwnFile(musicXml: string, carried: Readonly<Record<string, unknown>>): string {
  return `${JSON.stringify({ newThumb: 'piece', version: OWN_FILE_VERSION, musicXml, ...carried }, null, 2)}\n`;
}
