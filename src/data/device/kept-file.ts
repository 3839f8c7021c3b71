import type { StudioDatabase } from '../database';

/** The file outside of the browser that is kept up to date with the studio. */
export type KeptFile =
  | { readonly kind: 'cannot' }
  | { readonly kind: 'none' }
  /** After a new start the browser may want to be asked again. */
  | { readonly kind: 'to be allowed'; readonly name: string }
  | { readonly kind: 'kept'; readonly name: string };

/** What browsers that can do this have beside the standard. */
interface FilePicking {
  readonly showSaveFilePicker?: (wanted: {
    readonly suggestedName: string;
    readonly types: readonly {
      readonly description: string;
      readonly accept: Readonly<Record<string, readonly string[]>>;
    }[];
  }) => Promise<FileSystemFileHandle>;
}

interface FilePermission {
  readonly queryPermission?: (wanted: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (wanted: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
}

function picking(): FilePicking {
  return window as unknown as FilePicking;
}

/** How things stand with the file. */
export async function keptFile(database: StudioDatabase): Promise<KeptFile> {
  if (!picking().showSaveFilePicker) return { kind: 'cannot' };
  const handle = (await database.handles.get('studio'))?.handle;
  if (!handle) return { kind: 'none' };
  return { kind: (await isAllowed(handle)) ? 'kept' : 'to be allowed', name: handle.name };
}

async function isAllowed(handle: FileSystemFileHandle): Promise<boolean> {
  const { queryPermission } = handle as unknown as FilePermission;
  return queryPermission ? (await queryPermission.call(handle, { mode: 'readwrite' })) === 'granted' : true;
}

/** Lets the teacher choose the file; `description` is what the browser calls such files. False where none was chosen. */
export async function chooseKeptFile(
  database: StudioDatabase,
  { suggestedName, description }: { readonly suggestedName: string; readonly description: string },
): Promise<boolean> {
  const pick = picking().showSaveFilePicker;
  if (!pick) return false;
  try {
    const handle = await pick({
      suggestedName,
      types: [{ description, accept: { 'application/json': ['.json'] } }],
    });
    await database.handles.put({ id: 'studio', handle });
    return true;
  } catch (error) {
    // The teacher put the dialogue away.
    if (error instanceof DOMException && error.name === 'AbortError') return false;
    throw error;
  }
}

/** Asks the browser again for the file that was chosen earlier. Has to be called by a press. */
export async function allowKeptFile(database: StudioDatabase): Promise<boolean> {
  const handle = (await database.handles.get('studio'))?.handle;
  const request = (handle as unknown as FilePermission | undefined)?.requestPermission;
  return request ? (await request.call(handle, { mode: 'readwrite' })) === 'granted' : handle !== undefined;
}

export async function leaveKeptFile(database: StudioDatabase): Promise<void> {
  await database.handles.delete('studio');
}

/** Writes the studio into the file, where there is one that may be written; one tab after the other. Says whether it was. The browser puts the new
 * file in the place of the old one only once it is whole. */
export async function writeKeptFile(database: StudioDatabase, textOf: () => Promise<string>): Promise<boolean> {
  const handle = (await database.handles.get('studio'))?.handle;
  if (!handle || !(await isAllowed(handle))) return false;
  const write = async (): Promise<void> => {
    const text = await textOf();
    const file = await handle.createWritable();
    await file.write(text);
    await file.close();
  };
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (locks) await locks.request('new-thumb-kept-file', write);
  else await write();
  return true;
}
