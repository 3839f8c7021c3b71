'use client';

import { memo } from 'react';
import { ChevronDown, Download } from 'lucide-react';
import type { FileFormat } from '@/core/base';
import { FoldOut } from '@/features/shared/parts/fold-out';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from '../keys/key-names';

const otherFormats = (w: Words): readonly (readonly [FileFormat, string])[] => [
  ['midi', w.bench.midiToBeHeard],
  ['mxl', w.bench.musicxmlCompressed],
  ['abc', w.bench.abcAsText],
  ['newthumb', w.bench.newThumbPiece],
];

/** Saves the piece in the key that is shown: as MusicXML at once, in other formats from a list. */
export const SaveButtons = memo(function SaveButtons({ onSave }: { readonly onSave: (format: FileFormat) => void }) {
  const w = useWords();
  return (
    <div className="flex shrink-0">
      <button
        type="button"
        className="btn btn-primary btn-sm h-9 rounded-r-none px-2.5"
        title={withKey(w.bench.saveAsMusicXml, BENCH_KEYS.save)}
        aria-label={w.bench.saveMusicxml}
        onClick={() => onSave('musicxml')}
      >
        <Download size={16} aria-hidden /> {w.bench.save}
      </button>
      <FoldOut
        summary={<ChevronDown size={16} aria-hidden />}
        className="btn btn-primary btn-sm h-9 rounded-l-none border-l-base-100 px-1.5"
        role="save-as"
        label={w.bench.saveInAnotherFormat}
        width="w-56"
      >
        <SaveList formats={otherFormats(w)} onSave={onSave} />
      </FoldOut>
    </div>
  );
});

interface SaveListProps {
  readonly formats: readonly (readonly [FileFormat, string])[];
  readonly onSave: (format: FileFormat) => void;
}

/** The formats that a piece can be saved in. */
export function SaveList({ formats, onSave }: SaveListProps) {
  return (
    <ul className="p-1">
      {formats.map(([format, words]) => (
        <li key={format}>
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9 w-full justify-start font-normal"
            onClick={(event) => {
              onSave(format);
              event.currentTarget.closest('details')?.removeAttribute('open');
            }}
          >
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}

export const allFormats = (w: Words): SaveListProps['formats'] => [
  ['musicxml', w.bench.musicxmlForNotationPrograms],
  ...otherFormats(w),
];
