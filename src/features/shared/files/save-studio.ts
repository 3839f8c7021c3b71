'use client';

import { useCallback } from 'react';
import { change, fileText } from '@/data';
import { useMessages } from '../shell/messages';
import { saveFile } from './save-file';
import { useWords } from '../words/use-words';

/** Saves everything in the studio as one file, and notes that it was. Gives the file's name. Rejects where the studio cannot be read: then there is no file. */
export async function saveStudio(): Promise<string> {
  const name = studioFileName(new Date());
  saveFile(name, 'application/json', await fileText());
  await change({ kind: 'note.saved', atMs: Date.now() });
  return name;
}

/** The same with what is told of it. Says whether it was saved. */
export function useSaveStudio(): () => Promise<boolean> {
  const w = useWords();
  const { say } = useMessages();
  return useCallback(
    () =>
      saveStudio().then(
        (name) => {
          say({ kind: 'done', text: w.shared.studioIsSavedAs(name) });
          return true;
        },
        () => {
          say({ kind: 'trouble', text: w.shared.studioIsNotSaved, hint: w.shared.studioCannotBeReadJust });
          return false;
        },
      ),
    [w, say],
  );
}

export function studioFileName(day: Date): string {
  return `studio-${day.toISOString().slice(0, 10)}.newthumb-studio.json`;
}
