'use client';

import { keyOfSignature, keyPrint, keyText, type Key, type Mode } from '@/core/pitch';
import { overruleKey, studioDatabase, type PieceRecord } from '@/data';

interface OwnKeyProps {
  readonly piece: PieceRecord;
  /** The key the piece was found to be in, or was said to be in. */
  readonly current: string;
  readonly fifths: number;
  readonly onChanged: () => void;
}

const MODES: readonly Mode[] = ['major', 'minor'];

/** The piece's own key, which the teacher can overrule: one signature stands for two keys. */
export function OwnKey({ piece, current, fifths, onChanged }: OwnKeyProps) {
  const keys = MODES.flatMap((mode): readonly Key[] => {
    const key = keyOfSignature(fifths, mode);
    return key.ok ? [key.value] : [];
  });
  return (
    <label className="flex items-center gap-1.5 text-sm">
      Written in
      <select
        className="select select-sm h-9 w-32"
        value={current}
        onChange={(event) => {
          const chosen = event.target.value;
          void overruleKey(studioDatabase(), piece, chosen, `the piece is in ${chosen.replace('-', ' ')}`).then(onChanged);
        }}
      >
        {keys.map((key) => (
          <option key={keyText(key)} value={keyText(key)}>
            {keyPrint(key)}
          </option>
        ))}
      </select>
    </label>
  );
}
