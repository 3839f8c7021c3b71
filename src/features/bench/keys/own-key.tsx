'use client';

import { keyOfSignature, keyText, type Key, type Mode } from '@/core/pitch';
import { change, type PieceRecord } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

interface OwnKeyProps {
  readonly piece: PieceRecord;
  /** The key the piece was found to be in, or was said to be in. */
  readonly current: string;
  readonly fifths: number;
  readonly onChanged: () => void;
}

const MODES: readonly Mode[] = ['major', 'minor', 'dorian', 'mixolydian', 'phrygian', 'lydian', 'locrian'];

/** The piece's own key, which the teacher can overrule: one signature stands for two keys, and for a church
 * mode now and then. */
export function OwnKey({ piece, current, fifths, onChanged }: OwnKeyProps) {
  const w = useWords();
  const keys = MODES.flatMap((mode): readonly Key[] => {
    const key = keyOfSignature(fifths, mode);
    return key.ok ? [key.value] : [];
  });
  const overrule = (chosen: Key): void => {
    void change(
      { kind: 'piece.own-key', id: piece.id, ownKey: keyText(chosen) },
      w.bench.pieceIsIn(w.says.key(chosen)),
    ).then(onChanged);
  };
  return (
    <select
      aria-label={w.bench.pieceIsWrittenIn}
      data-role="own-key"
      className="select select-ghost select-sm h-9 w-24 pr-5 pl-1.5 font-semibold text-base-content"
      value={current}
      onChange={(event) => {
        const chosen = keys[event.target.selectedIndex];
        if (chosen) overrule(chosen);
      }}
    >
      {keys.map((key) => (
        <option key={keyText(key)} value={keyText(key)}>
          {w.says.key(key)}
        </option>
      ))}
    </select>
  );
}
