/** Real files, each spoiled by chance and with knowledge of its grammar: every one is read or refused in words; nothing is thrown, and nothing hangs. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { asWritten, openPiece, saveAs } from '@/core/piece';
import type { FileFormat } from '@/core/base';
import { readStudioFile } from '@/data';
import { studioFileText } from '@/data/file/studio-file';
import { handOverContents } from '@/data/file/hand-over';
import type { StudioDatabase } from '@/data/database';
import { bytesOf } from '../support/build-piece';
import { goodFiles, mutilated, numbers } from '../support/odd-files';
import { rounds } from '../support/rounds';
import { spoilAbc, spoilJson, spoilXml, type Spoil } from '../support/spoiled';
import { aRun, contents, does, emptyStudio, newPiece, newPupil } from '../support/studio';
import { SAYS, WORDS } from '../support/usual-words';

/** So many spoiled files of each kind. */
const TIMES = rounds(100, 7_500);

/** Every tenth that can be read is written as well. */
const WRITTEN_EVERY = 10;

function opens(bytes: Uint8Array, seed: number): void {
  const opened = openPiece(bytes, { format: null, key: null, part: null });
  if (!opened.ok) {
    const { message, hint } = SAYS.faultWords(opened.error);
    expect(message.length + hint.length).toBeGreaterThan(20);
    return;
  }
  if (seed % WRITTEN_EVERY === 0) saveAs(opened.value, asWritten(opened.value), 'musicxml');
}

/** What one file may take. Held in the long run only: in the check other tests take the machine's time. Units: ms, MB. */
const MOST = { ms: 1000, mb: 200 };

/** A failure names its seed, and no more: the file would fill the screen. */
function livesThrough(seed: number, work: () => void): void {
  const [startMs, startBytes] = [performance.now(), process.memoryUsage().heapUsed];
  try {
    work();
  } catch (cause) {
    throw new Error(`seed ${seed}`, { cause });
  }
  const tookMs = performance.now() - startMs;
  const tookMb = (process.memoryUsage().heapUsed - startBytes) / 1024 / 1024;
  if (rounds(0, 1) === 1 && (tookMs > MOST.ms || tookMb > MOST.mb))
    throw new Error(`seed ${seed} took ${Math.round(tookMs)} ms and ${Math.round(tookMb)} MB`);
}

describe.each<readonly [FileFormat, Spoil | null]>([
  ['abc', spoilAbc],
  ['musicxml', spoilXml],
  ['newthumb', spoilJson],
  ['midi', null],
  ['mxl', null],
])('%s', (format, spoil) => {
  it(`is read or refused, ${TIMES} times`, () => {
    const files = goodFiles(format);
    const texts = files.map((bytes) => new TextDecoder().decode(bytes));
    for (let seed = 0; seed < TIMES; seed += 1) {
      const random = numbers(seed * 31 + format.length);
      const which = seed % files.length;
      const bytes =
        spoil && seed % 5 !== 0
          ? bytesOf(spoil(texts[which] as string, random))
          : mutilated(files[which] as Uint8Array, random);
      livesThrough(seed, () => opens(bytes, seed));
    }
  });
});

describe('a studio', () => {
  let studio: StudioDatabase;
  beforeAll(async () => {
    studio = emptyStudio();
    await does(studio, { kind: 'piece.add', pieces: [newPiece('a', {}), newPiece('b', {})] }, 'two pieces');
    await does(studio, { kind: 'pupil.add', pupil: newPupil('ada', {}) }, 'a pupil');
    await does(studio, { kind: 'note.run', run: { ...aRun('r', 'a', 5), pupil: 'ada' } }, 'a run');
  });
  afterAll(() => studio.delete());

  it.each(['studio', 'hand-over'] as const)(`in a %s file is read or refused, ${TIMES} times`, async (kind) => {
    const all = await contents(studio);
    const handed = handOverContents(all, { pupil: 'ada', week: null, practice: 'with' });
    const text = studioFileText(kind === 'studio' ? all : handed, '2026-11-26T12:00:00.000Z');
    for (let seed = 0; seed < TIMES; seed += 1) {
      const random = numbers(seed * 37 + kind.length);
      const spoiled =
        seed % 3 === 0
          ? new TextDecoder().decode(mutilated(bytesOf(text), random))
          : spoilJson(seed % 3 === 1 ? text : spoilJson(text, random), random);
      livesThrough(seed, () => {
        const read = readStudioFile(WORDS.store, spoiled);
        if (!read.ok) expect(read.error.message.length + read.error.hint.length).toBeGreaterThan(20);
      });
    }
  });
});
