'use client';

import { useEffect, useRef, useState } from 'react';
import { readOpening } from '@/core/edit';
import { keyPrint, parseKey } from '@/core/pitch';
import { useBeginPiece } from '@/features/shared/use-begin-piece';

interface NewPieceProps {
  readonly onClose: () => void;
}

/** Begins a new piece: Enter takes what is usual; what differs is written in a few letters. */
export function NewPiece({ onClose }: NewPieceProps) {
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
      aria-label="New piece"
      className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2 rounded-box border-2 border-primary bg-base-100 px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <label className="flex flex-col text-sm">
        Key, time, beats of a pick-up
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
        Title
        <input
          className="input h-9 w-64"
          value={title}
          maxLength={200}
          placeholder="may come later"
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-primary h-9">
        Begin
      </button>
      <button type="button" className="btn btn-ghost h-9" onClick={onClose}>
        Not now
      </button>
      <p
        role="status"
        className={`w-full text-sm ${trouble ? 'font-semibold text-error' : 'text-secondary'}`}
        data-role="opening-words"
      >
        {trouble ?? openingWords(opening)}
      </p>
    </form>
  );
}

/** What the few letters mean, as it will be. */
function openingWords(opening: string): string {
  const read = readOpening(opening);
  if (!read)
    return 'Write the key and the time like “G 3/4”, “Bb”, “Am 6/8”; the beats of a pick-up behind: “G 3/4 1”.';
  const { tonic, mode, meter, pickupBeats } = read;
  const key = parseKey(`${tonic}-${mode}`, 'major');
  const pickup =
    pickupBeats === 0 ? 'no pick-up' : `a pick-up of ${pickupBeats} ${pickupBeats === 1 ? 'beat' : 'beats'}`;
  return `${key ? keyPrint(key) : `${tonic} ${mode}`}, ${meter.beats}/${meter.beatType}, ${pickup}, two hands. Enter begins; notes are entered by finger numbers, or as you like.`;
}
