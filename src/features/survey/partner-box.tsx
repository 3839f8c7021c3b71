'use client';

import { useEffect, useState } from 'react';
import { midiNumber, parseKey, parsePitch, pitchPrint, type Mode } from '@/core/pitch';
import type { PartnerKey, PartnerWish } from '@/core/job';
import { PARTNER_NAMES, type Partner } from '@/core/survey';
import { coreWorker } from '@/workers/client';
import type { PieceSource } from '@/workers/protocol';
import type { RankedKey } from './ranked';

interface PartnerBoxProps {
  readonly source: PieceSource;
  readonly keys: readonly RankedKey[];
  /** Told by key how it suits the partner; null where none is wanted. */
  readonly onFound: (found: ReadonlyMap<string, PartnerKey> | null) => void;
}

const INSTRUMENTS: Readonly<Record<Partner, string>> = {
  concert: 'a singer, or an instrument in C',
  'b-flat': 'an instrument in B♭',
  'e-flat': 'an instrument in E♭',
  f: 'an instrument in F',
  a: 'an instrument in A',
};

/** Someone who sings or plays the tune along: which keys suit them. */
export function PartnerBox({ source, keys, onFound }: PartnerBoxProps) {
  const [partner, setPartner] = useState<Partner | ''>('');
  const [low, setLow] = useState('C4');
  const [high, setHigh] = useState('D5');
  const [from, to] = [parsePitch(low), parsePitch(high)];
  const trouble = !from ? `“${low}” is no note: write it as C4 or B♭3.` : !to ? `“${high}” is no note: write it as D5 or F♯5.` : midiNumber(from) > midiNumber(to) ? 'The lowest note is above the highest.' : null;
  const modes = [...new Set(keys.map(({ mode }) => mode))].join();
  const wanted = partner !== '' && from && to && trouble === null ? JSON.stringify({ voice: 'right', partner, comfortable: { low: midiNumber(from), high: midiNumber(to) } }) : null;
  useEffect(() => {
    let isWanted = true;
    if (wanted === null) {
      onFound(null);
      return undefined;
    }
    const ask = async (): Promise<void> => {
      const answers = await Promise.all(modes.split(',').filter(Boolean).map((mode) => coreWorker().partner(source, JSON.parse(wanted) as PartnerWish, mode as Mode)));
      if (isWanted) onFound(new Map(answers.flatMap((answer) => (answer.ok ? answer.value : [])).map((key) => [key.key, key])));
    };
    void ask();
    return () => {
      isWanted = false;
    };
  }, [source, wanted, modes, onFound]);
  return (
    <details className="relative">
      <summary className="btn btn-sm h-9 font-normal" data-role="partner">
        {partner === '' ? 'With someone …' : `With ${INSTRUMENTS[partner]}${from && to ? `, ${pitchPrint(from)} to ${pitchPrint(to)}` : ''}`}
      </summary>
      <div className="absolute left-0 z-20 mt-1 flex w-80 flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-3 shadow-lg">
        <label className="flex items-center justify-between gap-2">
          The tune is taken by
          <select className="select select-sm h-9 w-44" data-role="instrument" value={partner} onChange={(event) => setPartner(event.target.value as Partner | '')}>
            <option value="">nobody</option>
            {PARTNER_NAMES.map((name) => (
              <option key={name} value={name}>
                {INSTRUMENTS[name]}
              </option>
            ))}
          </select>
        </label>
        <div className="flex items-center justify-between gap-2">
          <span>comfortable from</span>
          <span className="flex items-center gap-2">
            <input className="input input-sm h-9 w-16" aria-label="Lowest comfortable note" aria-invalid={!from} value={low} onChange={(event) => setLow(event.target.value)} />
            to
            <input className="input input-sm h-9 w-16" aria-label="Highest comfortable note" aria-invalid={!to} value={high} onChange={(event) => setHigh(event.target.value)} />
          </span>
        </div>
        {trouble ? (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        ) : null}
      </div>
    </details>
  );
}

/** How a key suits the partner, in a phrase. */
export function partnerWords({ fit, low, high, reads, isReadable }: PartnerKey): string {
  const miss = [...(fit.below > 0 ? [`${halfSteps(fit.below)} too low`] : []), ...(fit.above > 0 ? [`${halfSteps(fit.above)} too high`] : [])].join(', ');
  const range = `${low}–${high} ${miss === '' ? 'fits' : miss}`;
  const key = parseKey(reads.replace('♯', '#').replace('♭', 'b'), 'major');
  return `${range}${isReadable && key ? `, reads ${reads}` : isReadable ? '' : `, reads ${reads}: too many signs`}`;
}

function halfSteps(count: number): string {
  return count === 1 ? 'half a step' : `${count} half steps`;
}
