import { strFromU8, unzipSync, type UnzipFileInfo } from 'fflate';
import { childElements, type XmlElement, parseXml } from '../xml';
import { err, ok, type Fault, type Result } from '../base';

/** The most that a compressed file may unpack to. */
const MAX_UNPACKED_BYTES = 50 * 1024 * 1024;

const CONTAINER = 'META-INF/container.xml';

/** The score inside a compressed MusicXML file. Names in the archive are only looked up in it, never used as paths.
 * Errors: `read.archive`. */
export function unpackMxl(bytes: Uint8Array): Result<Uint8Array, Fault> {
  try {
    const files = listed(bytes);
    const total = files.reduce((sum, { originalSize }) => sum + originalSize, 0);
    if (total > MAX_UNPACKED_BYTES) return err({ code: 'read.archive', detail: 'too-large' });
    const wanted = rootFile(
      bytes,
      files.map(({ name }) => name),
    );
    if (wanted === undefined) return err({ code: 'read.archive', detail: 'no-score' });
    const score = unzipSync(bytes, { filter: ({ name }) => name === wanted })[wanted];
    return score ? ok(score) : err({ code: 'read.archive', detail: 'no-score' });
  } catch {
    return err({ code: 'read.archive', detail: 'damaged' });
  }
}

/** What the archive says it holds; nothing is unpacked yet. */
function listed(bytes: Uint8Array): readonly UnzipFileInfo[] {
  const files: UnzipFileInfo[] = [];
  unzipSync(bytes, {
    filter: (file) => {
      files.push(file);
      return false;
    },
  });
  return files;
}

/** The score that the container names; without one, the first that looks like a score. */
function rootFile(bytes: Uint8Array, names: readonly string[]): string | undefined {
  const container = names.includes(CONTAINER)
    ? unzipSync(bytes, { filter: ({ name }) => name === CONTAINER })[CONTAINER]
    : undefined;
  const parsed = container && parseXml(strFromU8(container));
  const paths = parsed?.ok ? rootPaths(parsed.value.root) : [];
  return (
    paths.find((path) => names.includes(path)) ??
    names.find((name) => /\.(musicxml|xml)$/i.test(name) && !name.startsWith('META-INF/'))
  );
}

function rootPaths(root: XmlElement): readonly string[] {
  return childElements(root, 'rootfiles')
    .flatMap((list) => childElements(list, 'rootfile'))
    .filter(({ attributes }) => attributes['media-type'] === undefined || /musicxml/.test(attributes['media-type']))
    .flatMap(({ attributes }) => attributes['full-path'] ?? []);
}
