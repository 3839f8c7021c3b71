/** What was dropped: files, and how many of a folder were passed over since they are no music that can be read. */
export interface Dropped {
  readonly files: readonly File[];
  readonly passedOver: number;
}

/** Endings of what can be brought in: music in its formats, and studio files. */
const MUSIC = /\.(musicxml|xml|mxl|abc|midi?|newthumb|json)$/i;

/** The files that were dropped, those in folders and in folders within them included. A file that was dropped by itself is always taken, so that it is told
 * why it cannot be read; of a folder only what has the ending of music. Must be called while the drop is handled: afterwards the browser has forgotten. */
export async function droppedFiles(transfer: DataTransfer | null): Promise<Dropped> {
  const items = [...(transfer?.items ?? [])].filter(({ kind }) => kind === 'file');
  const dropped = items.map((item) => ({ entry: item.webkitGetAsEntry(), file: item.getAsFile() }));
  const all: Dropped[] = [];
  for (const { entry, file } of dropped) {
    if (entry?.isDirectory) all.push(await inFolder(entry as FileSystemDirectoryEntry));
    else if (file) all.push({ files: [file], passedOver: 0 });
  }
  return together(all);
}

async function inFolder(folder: FileSystemDirectoryEntry): Promise<Dropped> {
  const all: Dropped[] = [];
  for (const entry of await entriesOf(folder)) {
    if (entry.isDirectory) all.push(await inFolder(entry as FileSystemDirectoryEntry));
    else if (MUSIC.test(entry.name)) all.push({ files: [await fileOf(entry as FileSystemFileEntry)], passedOver: 0 });
    // What a system keeps for itself is no file of the teacher's.
    else if (!entry.name.startsWith('.')) all.push({ files: [], passedOver: 1 });
  }
  return together(all);
}

function together(all: readonly Dropped[]): Dropped {
  return {
    files: all.flatMap(({ files }) => files),
    passedOver: all.reduce((sum, { passedOver }) => sum + passedOver, 0),
  };
}

/** Everything in a folder, by name. The browser tells it in parts, until there is none left. */
async function entriesOf(folder: FileSystemDirectoryEntry): Promise<readonly FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (part.length === 0) return all.toSorted((a, b) => a.name.localeCompare(b.name));
    all.push(...part);
  }
}

function fileOf(entry: FileSystemFileEntry): Promise<File> {
  return new Promise((resolve, reject) => entry.file(resolve, reject));
}
