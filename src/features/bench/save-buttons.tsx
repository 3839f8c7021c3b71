'use client';

import { memo } from 'react';
import { ChevronDown, Download } from 'lucide-react';
import type { FileFormat } from '@/core/base';
import { FoldOut } from '@/features/shared/fold-out';

const OTHER_FORMATS: readonly (readonly [FileFormat, string])[] = [
  ['midi', 'MIDI, to be heard'],
  ['mxl', 'MusicXML, compressed'],
  ['abc', 'ABC, as text'],
  ['newthumb', 'New Thumb piece'],
];

/** Saves the piece in the key that is shown: as MusicXML at once, in other formats from a list. */
export const SaveButtons = memo(function SaveButtons({ onSave }: { readonly onSave: (format: FileFormat) => void }) {
  return (
    <div className="flex shrink-0">
      <button
        type="button"
        className="btn btn-primary btn-sm h-9 rounded-r-none px-2.5"
        title="Save as MusicXML"
        aria-label="Save MusicXML"
        onClick={() => onSave('musicxml')}
      >
        <Download size={16} aria-hidden /> Save
      </button>
      <FoldOut
        summary={<ChevronDown size={16} aria-hidden />}
        className="btn btn-primary btn-sm h-9 rounded-l-none border-l-base-100 px-1.5"
        role="save-as"
        label="Save in another format"
        width="w-56"
      >
        <SaveList formats={OTHER_FORMATS} onSave={onSave} />
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

export const ALL_FORMATS: SaveListProps['formats'] = [
  ['musicxml', 'MusicXML, for notation programs'],
  ...OTHER_FORMATS,
];
