'use client';

import { useMemo, useState } from 'react';
import { keyPrint, midiNumber, parseKey, parsePitch, pitchPrint } from '@/core/pitch';
import type { PartnerKey, PartnerWish } from '@/core/job';
import { PARTNER_NAMES, type Partner } from '@/core/survey';
import { useAnswer } from '@/features/shared/use-answer';
import { coreWorker } from '@/workers/client';
import type { PieceSource } from '@/workers/protocol';
import { go } from './use-bench-address';

interface PartnerPanelProps {
  readonly source: PieceSource;
  readonly subject: string;
  readonly shown: string;
}

const INSTRUMENTS: Readonly<Record<Partner, string>> = {
  concert: 'a singer, or an instrument in C',
  'b-flat': 'an instrument in B♭',
  'e-flat': 'an instrument in E♭',
  f: 'an instrument in F',
  a: 'an instrument in A',
};

const VOICES: readonly (readonly [PartnerWish['voice'], string])[] = [
  ['right', 'what the right hand plays'],
  ['left', 'what the left hand plays'],
  ['both', 'all of it'],
];

/** Which keys suit someone who sings or plays along, and what they read there. */
export function PartnerPanel({ source, subject, shown }: PartnerPanelProps) {
  const [voice, setVoice] = useState<PartnerWish['voice']>('right');
  const [partner, setPartner] = useState<Partner>('concert');
  const [low, setLow] = useState('C4');
  const [high, setHigh] = useState('D5');
  const [from, to] = [parsePitch(low), parsePitch(high)];
  const trouble = !from ? `“${low}” is no note: write it as C4 or B♭3.` : !to ? `“${high}” is no note: write it as D5 or F♯5.` : midiNumber(from) > midiNumber(to) ? 'The lowest note is above the highest.' : null;
  const wish = useMemo(() => (from && to && trouble === null ? { voice, partner, comfortable: { low: midiNumber(from), high: midiNumber(to) } } : null), [from, to, trouble, voice, partner]);
  const said = JSON.stringify(wish);
  const ask = useMemo(() => {
    const wanted = JSON.parse(said) as PartnerWish | null;
    return wanted && (() => coreWorker().partner(source, wanted));
  }, [source, said]);
  const keys = useAnswer(subject, ask).value ?? [];
  const fitting = keys.filter(({ fit }) => fit.below === 0 && fit.above === 0);
  return (
    <section aria-label="A singer or another instrument" className="flex flex-col gap-2 text-sm" data-role="partner">
      <label className="flex items-center justify-between gap-2">
        For
        <select className="select select-sm h-9 w-56" data-role="instrument" value={partner} onChange={(event) => setPartner(PARTNER_NAMES[event.target.selectedIndex] ?? 'concert')}>
          {PARTNER_NAMES.map((name) => (
            <option key={name} value={name}>
              {INSTRUMENTS[name]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center justify-between gap-2">
        who takes
        <select className="select select-sm h-9 w-56" data-role="voice" value={voice} onChange={(event) => setVoice(VOICES[event.target.selectedIndex]?.[0] ?? 'right')}>
          {VOICES.map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <div className="flex items-center justify-between gap-2">
        <span>comfortable from</span>
        <span className="flex items-center gap-2">
          <input className="input input-sm h-9 w-20" aria-label="Lowest comfortable note" aria-invalid={!from} value={low} onChange={(event) => setLow(event.target.value)} />
          to
          <input className="input input-sm h-9 w-20" aria-label="Highest comfortable note" aria-invalid={!to} value={high} onChange={(event) => setHigh(event.target.value)} />
        </span>
      </div>
      {trouble ? (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      ) : (
        <p data-role="fitting">
          {fitting.length === 0 ? 'No key fits; those that come nearest are below.' : `${fitting.length} of ${keys.length} keys fit${from && to ? ` ${pitchPrint(from)} to ${pitchPrint(to)}` : ''}.`}
        </p>
      )}
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
                {partner === 'concert' ? null : <span className="text-xs text-secondary">reads {one.isReadable ? one.reads : simplerName(one.reads)}</span>}
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

function fitWords({ fit }: PartnerKey): string {
  if (fit.below === 0 && fit.above === 0) return 'fits';
  return [...(fit.below > 0 ? [`${halfSteps(fit.below)} too low`] : []), ...(fit.above > 0 ? [`${halfSteps(fit.above)} too high`] : [])].join(', ');
}

function halfSteps(count: number): string {
  return count === 1 ? 'half a step' : `${count} half steps`;
}

/** A key with more signs than print has is told as such. */
function simplerName(reads: string): string {
  const key = parseKey(reads.replace('♯', '#').replace('♭', 'b'), 'major');
  return key ? keyPrint(key) : `${reads}: too many signs`;
}
