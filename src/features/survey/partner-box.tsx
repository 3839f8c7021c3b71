'use client';

import { useEffect, useState } from 'react';
import { type Mode, keyText, sameKey } from '@/core/pitch';
import { type PartnerKey, type PartnerOptions, PARTNER_NAMES, type Partner } from '@/core/survey';
import type { PupilRecord } from '@/data';
import { RangeFields, useComfortableRange } from '@/features/shared/pupils/comfortable-range';
import { fitWords, instruments, readsWords } from '@/features/shared/pupils/partner-words';
import { coreWorker } from '@/workers/client';
import { useSame } from '@/features/shared/parts/use-same';
import type { PieceSource } from '@/contract/piece-asked';
import type { RankedKey } from './ranked';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface PartnerBoxProps {
  readonly source: PieceSource;
  readonly keys: readonly RankedKey[];
  /** Whose voice counts where its range is known. */
  readonly pupil: PupilRecord | null;
  /** Told by key how it suits the partner; null where none is wanted. */
  readonly onFound: (found: ReadonlyMap<string, PartnerKey> | null) => void;
}

/** Someone who sings or plays the tune along: which keys suit them. */
export function PartnerBox({ source, keys, pupil, onFound }: PartnerBoxProps) {
  const w = useWords();
  const [partner, setPartner] = useState<Partner | ''>('');
  const comfortable = useComfortableRange(pupil?.range ?? null);
  const modes = [...new Set(keys.map(({ mode }) => mode))].join();
  const wanted = useSame<PartnerOptions | null>(
    partner !== '' && comfortable.range ? { voice: 'right', partner, comfortable: comfortable.range } : null,
  );
  useEffect(() => {
    let isWanted = true;
    if (wanted === null) {
      onFound(null);
      return undefined;
    }
    const ask = async (): Promise<void> => {
      const answers = await Promise.all(
        modes
          .split(',')
          .filter(Boolean)
          .map((mode) => coreWorker().partner(source, wanted, mode as Mode)),
      );
      if (isWanted)
        onFound(
          new Map(answers.flatMap((answer) => (answer.ok ? answer.value : [])).map((key) => [keyText(key.key), key])),
        );
    };
    void ask();
    return () => {
      isWanted = false;
    };
  }, [source, wanted, modes, onFound]);
  return (
    <details className="relative">
      <summary className="btn btn-sm h-9 font-normal" data-role="partner">
        {partner === ''
          ? w.survey.withSomeone
          : w.survey.withPartner(
              [instruments(w)[partner], ...(comfortable.range ? [comfortable.words] : [])].join(', '),
            )}
      </summary>
      <div className="absolute left-0 z-20 mt-1 flex w-80 flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3 shadow-lg">
        <label className="flex items-center justify-between gap-2">
          {w.survey.tuneIsTakenBy}
          <select
            className="select select-sm h-9 w-44"
            data-role="instrument"
            value={partner}
            onChange={(event) => setPartner(event.target.value as Partner | '')}
          >
            <option value="">{w.survey.nobody}</option>
            {PARTNER_NAMES.map((name) => (
              <option key={name} value={name}>
                {instruments(w)[name]}
              </option>
            ))}
          </select>
        </label>
        <RangeFields range={comfortable} />
      </div>
    </details>
  );
}

/** How a key suits the partner, in a phrase. */
export function partnerWords(w: Words, key: PartnerKey): string {
  const range = `${w.says.pitch(key.low)}–${w.says.pitch(key.high)}`;
  const suits = `${range} ${fitWords(w, key)}`;
  return sameKey(key.reads, key.key) ? suits : w.survey.reads(suits, readsWords(w, key));
}
