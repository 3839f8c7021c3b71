'use client';

import { useEffect, useRef, useState } from 'react';
import { readOpening } from '@/core/edit';
import { typedAsLetters } from '@/core/explain';
import { parseKey } from '@/core/pitch';
import { useBeginPiece } from '@/features/shared/pieces/use-begin-piece';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface NewPieceProps {
  readonly onClose: () => void;
}

/** Begins a new piece: Enter takes what is usual; what differs is written in a few letters. */
export function NewPiece({ onClose }: NewPieceProps) {
  const w = useWords();
  const beginPiece = useBeginPiece();
  const [opening, setOpening] = useState('');
  const [title, setTitle] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isMaking, setMaking] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const begin = async (): Promise<void> => {
    if (isMaking) return;
    setMaking(true);
    const wrong = await beginPiece({ title, opening });
    setMaking(false);
    if (wrong) setTrouble(`${wrong.message} ${wrong.hint}`);
  };
  return (
    <form
      aria-label={w.shared.newPieceName}
      className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2 rounded-box border-2 border-primary bg-base-100 px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <label className="flex flex-col text-sm">
        {w.shelf.keyTimeBeatsOfPick}
        <input
          ref={field}
          className="input h-9 w-56"
          data-role="opening"
          placeholder="C 4/4"
          value={opening}
          maxLength={40}
          aria-invalid={trouble !== null}
          onChange={(event) => {
            setOpening(event.target.value);
            setTrouble(null);
          }}
        />
      </label>
      <label className="flex flex-col text-sm">
        {w.shared.title}
        <input
          className="input h-9 w-64"
          value={title}
          maxLength={200}
          placeholder={w.shelf.mayComeLater}
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-primary h-9">
        {w.shelf.begin}
      </button>
      <button type="button" className="btn btn-ghost h-9" onClick={onClose}>
        {w.shelf.notNow}
      </button>
      <p
        role="status"
        className={`w-full text-sm ${trouble ? 'font-semibold text-error' : 'text-secondary'}`}
        data-role="opening-words"
      >
        {trouble ?? openingWords(w, opening)}
      </p>
    </form>
  );
}

/** What the few letters mean, as it will be. */
function openingWords(w: Words, opening: string): string {
  const read = readOpening(typedAsLetters(opening, w.wording.names));
  if (!read) return w.shelf.writeKeyAndTimeLike;
  const { tonic, mode, meter, pickupBeats } = read;
  const key = parseKey(`${tonic}-${mode}`, 'major');
  const pickup = pickupBeats === 0 ? w.shelf.noPickUp : w.shelf.pickUpOf(pickupBeats);
  const named = [key ? w.says.key(key) : `${tonic} ${mode}`, `${meter.beats}/${meter.beatType}`, pickup].join(', ');
  return w.shelf.twoHandsEnterBeginsNotes(named);
}
