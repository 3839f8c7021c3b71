'use client';

import { useEffect, useState } from 'react';
import { droppedFiles } from './dropped-files';
import { useMessages } from '../shell/messages';
import { useWords } from '@/features/shared/words/use-words';

/** Makes the whole window a place to drop files on, and shows so while files are dragged over it. */
export function DropPlace({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }) {
  const w = useWords();
  const { say } = useMessages();
  const [isDragging, setDragging] = useState(false);
  useEffect(() => {
    const over = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes('Files')) return;
      event.preventDefault();
      setDragging(true);
    };
    const leave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setDragging(false);
    };
    const drop = (event: DragEvent): void => {
      event.preventDefault();
      setDragging(false);
      void droppedFiles(event.dataTransfer).then(
        ({ files, passedOver }) => {
          if (passedOver > 0)
            say({
              kind: 'done',
              text: w.shared.ofFolderPassedOverNo(passedOver),
            });
          if (files.length > 0) onFiles(files);
        },
        () => say({ kind: 'trouble', text: w.shared.folderCouldNotBeRead, hint: w.shared.dropFilesThemselves }),
      );
    };
    window.addEventListener('dragover', over);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, [w, onFiles, say]);
  if (!isDragging) return null;
  return (
    <div
      className="pointer-events-none fixed inset-3 z-40 grid place-items-center rounded-box border-4 border-dashed border-primary bg-base-100/80"
      aria-hidden
    >
      <p className="font-serif text-2xl">{w.shared.letGoToPutPiece}</p>
    </div>
  );
}
