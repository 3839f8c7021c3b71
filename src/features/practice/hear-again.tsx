'use client';

import { useEffect, useRef, useState } from 'react';
import { Square, Volume2 } from 'lucide-react';
import type { StruckKey } from '@/core/asked';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { strikeKeys } from '@/features/shared/sound/strike-keys';
import { useWords } from '@/features/shared/words/use-words';

/** Before the first key of what is heard again. Unit: s. */
const LEAD_S = 0.1;

/** What was played, heard again. */
export function HearAgain({ keys }: { readonly keys: readonly StruckKey[] }) {
  const w = useWords();
  const [isHeard, setHeard] = useState(false);
  const quiet = useRef<() => void>(() => undefined);
  useEffect(() => () => quiet.current(), []);
  const hear = async (): Promise<void> => {
    const sounder = await pianoSounder();
    await sounder.ready();
    sounder.quiet();
    const first = keys[0]?.downMs ?? 0;
    const from = sounder.now() + LEAD_S - first / 1000;
    strikeKeys(sounder, keys, from);
    const lengthMs = Math.max(...keys.map(({ upMs }) => upMs)) - first;
    const over = setTimeout(() => setHeard(false), lengthMs + LEAD_S * 1000);
    quiet.current = () => {
      clearTimeout(over);
      sounder.quiet();
      setHeard(false);
    };
    setHeard(true);
  };
  return (
    <button
      type="button"
      className="btn h-10 font-normal pointer-coarse:h-11"
      data-role="hear-again"
      aria-pressed={isHeard}
      onClick={() => (isHeard ? quiet.current() : void hear())}
    >
      {isHeard ? <Square size={16} aria-hidden /> : <Volume2 size={16} aria-hidden />}
      {isHeard ? w.practice.stopHearing : w.practice.hearIt}
    </button>
  );
}
