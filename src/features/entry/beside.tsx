'use client';

import Image from 'next/image';
import { useCallback, useEffect, useState } from 'react';
import { ImagePlus, PanelLeft, X } from 'lucide-react';
import { change, keepPhoto, usePhotoOf, type Desk } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';

interface BesideToolsProps {
  readonly desk: Desk;
  readonly photo: string | null;
  readonly onPhoto: (photo: Blob | null) => void;
}

/** The photo beside the paper, kept with its piece on this device: an address of the browser's own, and what puts another one there. */
export function usePhoto(piece: string): readonly [string | null, (photo: Blob | null) => void] {
  const w = useWords();
  const kept = usePhotoOf(piece);
  const [address, setAddress] = useState<string | null>(null);
  const { say } = useMessages();
  useEffect(() => {
    const own = kept ? URL.createObjectURL(kept) : null;
    // eslint-disable-next-line react-hooks/set-state-in-effect -- an address is made and given back by the browser
    setAddress(own);
    return () => (own ? URL.revokeObjectURL(own) : undefined);
  }, [kept]);
  const keep = useCallback(
    (photo: Blob | null): void =>
      void keepPhoto(piece, photo).then((isKept) =>
        isKept
          ? undefined
          : say({
              kind: 'trouble',
              text: w.entry.photoCouldNotBeKept,
              hint: w.entry.makeRoomOrTakeSmaller,
            }),
      ),
    [w, piece, say],
  );
  return [address, keep];
}

/** Room beside the paper: for a photo of the page that is entered, or for the page itself beside the screen. */
export function BesideTools({ desk, photo, onPhoto }: BesideToolsProps) {
  const w = useWords();
  const isNarrow = desk.entering === 'narrow';
  const choose = (file: File | undefined): void => {
    if (!file) return;
    onPhoto(file);
    void change({ kind: 'note.desk', change: { entering: 'narrow' } });
  };
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        aria-pressed={isNarrow}
        data-role="narrow"
        className={`btn btn-sm h-9 font-normal ${isNarrow ? 'btn-neutral' : ''}`}
        onClick={() => void change({ kind: 'note.desk', change: { entering: isNarrow ? 'wide' : 'narrow' } })}
      >
        <PanelLeft size={16} aria-hidden /> {w.entry.narrow}
      </button>
      <label className="btn btn-sm h-9 font-normal">
        <ImagePlus size={16} aria-hidden /> {w.entry.photoBeside}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          data-role="photo"
          onChange={(event) => choose(event.target.files?.[0])}
        />
      </label>
      {photo ? (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9"
          aria-label={w.entry.putPhotoAway}
          onClick={() => onPhoto(null)}
        >
          <X size={16} aria-hidden />
        </button>
      ) : null}
    </div>
  );
}

/** The shape of the room that is kept for a photo until it is there: a page upright. Unit: px. */
const PHOTO_SHAPE = { width: 840, height: 1188 };

/** The photo, as large as the room for it; scrolled where it is larger. */
export function Photo({ photo }: { readonly photo: string | null }) {
  const w = useWords();
  if (photo === null) {
    return (
      <p className="sticky top-32 rounded-box border border-dashed border-base-300 p-4 text-sm text-secondary">
        {w.entry.roomForPageYouEnter}
      </p>
    );
  }
  return (
    <div className="sticky top-32 max-h-[calc(100vh-19rem)] overflow-auto rounded-box border border-base-300">
      <Image
        src={photo}
        alt={w.entry.pageThatIsEntered}
        width={PHOTO_SHAPE.width}
        height={PHOTO_SHAPE.height}
        unoptimized
        className="h-auto w-full"
      />
    </div>
  );
}
