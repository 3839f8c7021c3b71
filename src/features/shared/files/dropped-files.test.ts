import { describe, expect, it } from '@jest/globals';
import { droppedFiles } from './dropped-files';

interface Folder {
  readonly [name: string]: string | Folder;
}

/** An entry as a browser gives it: a folder is told two at a time. */
function entry(name: string, held: string | Folder): FileSystemEntry {
  if (typeof held === 'string')
    return {
      name,
      isDirectory: false,
      file: (done: (file: File) => void) => done(new File([held], name)),
    } as unknown as FileSystemEntry;
  const inside = Object.entries(held).map(([one, value]) => entry(one, value));
  return {
    name,
    isDirectory: true,
    createReader: () => {
      const left = [...inside];
      return { readEntries: (done: (part: FileSystemEntry[]) => void) => done(left.splice(0, 2)) };
    },
  } as unknown as FileSystemEntry;
}

function transferOf(dropped: Folder): DataTransfer {
  return {
    items: Object.entries(dropped).map(([name, held]) => ({
      kind: 'file',
      webkitGetAsEntry: () => entry(name, held),
      getAsFile: () => (typeof held === 'string' ? new File([held], name) : null),
    })),
  } as unknown as DataTransfer;
}

const names = async (dropped: Folder) => {
  const { files, passedOver } = await droppedFiles(transferOf(dropped));
  return [files.map(({ name }) => name), passedOver];
};

describe('what is dropped', () => {
  it('is taken whatever it is, so that it can be told why it is not read', async () => {
    expect(await names({ 'walk.musicxml': '', 'letter.pdf': '' })).toEqual([['walk.musicxml', 'letter.pdf'], 0]);
  });

  it('of a folder is all music, also in folders within it, and the rest is counted', async () => {
    const pieces = {
      'b.abc': '',
      'a.MXL': '',
      'cover.jpg': '',
      '.DS_Store': '',
      more: { 'c.mid': '', 'd.musicxml': '', 'notes.txt': '', deeper: { 'e.xml': '' } },
    };
    expect(await names({ pieces })).toEqual([['a.MXL', 'b.abc', 'c.mid', 'd.musicxml', 'e.xml'].toSorted(), 2]);
  });
});
