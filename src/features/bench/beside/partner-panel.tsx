'use client';

import { useMemo, useState } from 'react';
import { keyText } from '@/core/pitch';
import { type PartnerKey, type PartnerOptions, PARTNER_NAMES, type Partner } from '@/core/survey';
import { RangeFields, useComfortableRange } from '@/features/shared/pupils/comfortable-range';
import { fitWords, instruments, readsWords } from '@/features/shared/pupils/partner-words';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { coreWorker } from '@/workers/client';
import type { PieceSource } from '@/contract/piece-asked';
import { go } from '../bench-address';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface PartnerPanelProps {
  readonly source: PieceSource;
  readonly subject: string;
  readonly shown: string;
}

const voices = (w: Words): readonly (readonly [PartnerOptions['voice'], string])[] => [
  ['right', w.notes.whatRightHandPlays],
  ['left', w.notes.whatLeftHandPlays],
  ['both', w.notes.allOfIt],
];

/** Which keys suit someone who sings or plays along, and what they read there. */
export function PartnerPanel({ source, subject, shown }: PartnerPanelProps) {
  const w = useWords();
  const [voice, setVoice] = useState<PartnerOptions['voice']>('right');
  const [partner, setPartner] = useState<Partner>('concert');
  const comfortable = useComfortableRange(null);
  const { range } = comfortable;
  const wanted = useSame<PartnerOptions | null>(range && { voice, partner, comfortable: range });
  const ask = useMemo(() => wanted && (() => coreWorker().partner(source, wanted)), [source, wanted]);
  const keys = useAnswer(subject, ask).value ?? [];
  const fitting = keys.filter(({ fit }) => fit.below === 0 && fit.above === 0);
  return (
    <section aria-label={w.notes.singerOrAnotherInstrument} className="flex flex-col gap-2 text-sm" data-role="partner">
      <label className="flex items-center justify-between gap-2">
        {w.notes.forLabel}
        <select
          className="select select-sm h-9 w-56"
          data-role="instrument"
          value={partner}
          onChange={(event) => setPartner(PARTNER_NAMES[event.target.selectedIndex] ?? 'concert')}
        >
          {PARTNER_NAMES.map((name) => (
            <option key={name} value={name}>
              {instruments(w)[name]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center justify-between gap-2">
        {w.notes.whoTakes}
        <select
          className="select select-sm h-9 w-56"
          data-role="voice"
          value={voice}
          onChange={(event) => setVoice(voices(w)[event.target.selectedIndex]?.[0] ?? 'right')}
        >
          {voices(w).map(([name, words]) => (
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
            ? w.notes.noKeyFitsThoseThat
            : w.notes.ofKeysFit(fitting.length, keys.length, comfortable.words)}
        </p>
      ) : null}
      <ul>
        {keys
          .toSorted((a, b) => missOf(a) - missOf(b))
          .map((one) => ({ ...one, name: keyText(one.key) }))
          .map((one) => (
            <li key={one.name}>
              <button
                type="button"
                aria-pressed={one.name === shown}
                className={`flex min-h-9 w-full cursor-pointer items-center gap-2 rounded-field px-2 text-left hover:bg-base-200 ${one.name === shown ? 'bg-base-200 font-semibold' : ''}`}
                onClick={() => go({ key: one.name, way: one.direction })}
              >
                <span className="w-24">{w.says.key(one.key)}</span>
                <span className="w-20 text-secondary">{`${w.says.pitch(one.low)}–${w.says.pitch(one.high)}`}</span>
                <span className="flex-1">{fitWords(w, one)}</span>
                {partner === 'concert' ? null : (
                  <span className="text-xs text-secondary">{w.notes.reads(readsWords(w, one))}</span>
                )}
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
