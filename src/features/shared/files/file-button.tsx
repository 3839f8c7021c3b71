'use client';

import { useRef } from 'react';
import { FilePlus2 } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';

/** Chooses files to bring in. */
export function FileButton({ onFiles }: { readonly onFiles: (files: readonly File[]) => void }) {
  const w = useWords();
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="btn btn-sm h-9 max-sm:px-2" onClick={() => chooser.current?.click()}>
        <FilePlus2 size={18} aria-hidden /> <span className="max-lg:sr-only">{w.shared.bringInPiece}</span>
      </button>
      <input
        ref={chooser}
        type="file"
        multiple
        hidden
        aria-label={w.shared.filesToBringIn}
        data-role="bring-in"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          onFiles(files);
        }}
      />
    </>
  );
}
