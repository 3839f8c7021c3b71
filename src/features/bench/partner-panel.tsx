'use client';

import { useMemo, useState } from 'react';
import { type PartnerKey, type PartnerOptions, PARTNER_NAMES, type Partner } from '@/core/survey';
import { RangeFields, useComfortableRange } from '@/features/shared/comfortable-range';
import { fitWords, INSTRUMENTS, readsWords } from '@/features/shared/partner-words';
import { useAnswer } from '@/features/shared/use-answer';
import { useSame } from '@/features/shared/use-same';
import { coreWorker } from '@/workers/client';
import type { PieceSource } from '@/workers/protocol';
import { go } from './bench-address';

interface PartnerPanelProps {
  readonly source: PieceSource;
  readonly subject: string;
  readonly shown: string;
}

const VOICES: readonly (readonly [PartnerOptions['voice'], string])[] = [
  ['right', 'what the right hand plays'],
  ['left', 'what the left hand plays'],
  ['both', 'all of it'],
];

/** Which keys suit someone who sings or plays along, and what they read there. */
export function PartnerPanel({ source, subject, shown }: PartnerPanelProps) {
  const [voice, setVoice] = useState<PartnerOptions['voice']>('right');
  const [partner, setPartner] = useState<Partner>('concert');
  const comfortable = useComfortableRange();
  const { range } = comfortable;
  const wanted = useSame<PartnerOptions | null>(range && { voice, partner, comfortable: range });
  const ask = useMemo(() => wanted && (() => coreWorker().partner(source, wanted)), [source, wanted]);
  const keys = useAnswer(subject, ask).value ?? [];
  const fitting = keys.filter(({ fit }) => fit.below === 0 && fit.above === 0);
  return (
    <section aria-label="A singer or another instrument" className="flex flex-col gap-2 text-sm" data-role="partner">
      <label className="flex items-center justify-between gap-2">
        For
        <select
          className="select select-sm h-9 w-56"
          data-role="instrument"
          value={partner}
          onChange={(event) => setPartner(PARTNER_NAMES[event.target.selectedIndex] ?? 'concert')}
        >
          {PARTNER_NAMES.map((name) => (
            <option key={name} value={name}>
              {INSTRUMENTS[name]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center justify-between gap-2">
        who takes
        <select
          className="select select-sm h-9 w-56"
          data-role="voice"
          value={voice}
          onChange={(event) => setVoice(VOICES[event.target.selectedIndex]?.[0] ?? 'right')}
        >
          {VOICES.map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <RangeFields range={comfortable} />
      {range ? (
        <p data-role="fitting">
          {fitting.length === 0
            ? 'No key fits; those that come nearest are below.'
            : `${fitting.length} of ${keys.length} keys fit ${comfortable.words}.`}
        </p>
      ) : null}
      <ul>
        {keys
          .toSorted((a, b) => missOf(a) - missOf(b))
          .map((one) => (
            <li key={one.key}>
              <button
                type="button"
                aria-pressed={one.key === shown}
                className={`flex min-h-9 w-full cursor-pointer items-center gap-2 rounded-field px-2 text-left hover:bg-base-200 ${one.key === shown ? 'bg-base-200 font-semibold' : ''}`}
                onClick={() => go({ key: one.key, way: one.direction })}
              >
                <span className="w-24">{one.words}</span>
                <span className="w-20 text-secondary">
                  {one.low}–{one.high}
                </span>
                <span className="flex-1">{fitWords(one)}</span>
                {partner === 'concert' ? null : <span className="text-xs text-secondary">reads {readsWords(one)}</span>}
              </button>
            </li>
          ))}
      </ul>
    </section>
  );
}

function missOf({ fit }: PartnerKey): number {
  return fit.below + fit.above;
}
