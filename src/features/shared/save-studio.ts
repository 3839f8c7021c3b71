'use client';

import { change, fileText } from '@/data';
import { saveFile } from './save-file';

/** Saves everything in the studio as one file, and notes that it was. Gives the file's name. */
export async function saveStudio(): Promise<string> {
  const name = studioFileName(new Date());
  saveFile(name, 'application/json', await fileText());
  await change({ kind: 'note.saved', atMs: Date.now() });
  return name;
}

export function studioFileName(day: Date): string {
  return `studio-${day.toISOString().slice(0, 10)}.newthumb-studio.json`;
}
