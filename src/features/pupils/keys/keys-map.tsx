'use client';

import { useState } from 'react';
import { Check, CircleDashed, CircleDot } from 'lucide-react';
import { parseKey, type Key } from '@/core/pitch';
import { fiveFingers } from '@/core/reference';
import type { KeyState, RunFact } from '@/core/teaching';
import type { PupilRecord, Settings } from '@/data';
import { HandsGlyph } from '@/features/shared/music/hand-glyph';
import { useWords } from '@/features/shared/words/use-words';
import { KeyDetails } from './key-details';
import { NextKeyBox } from './next-key-box';
import { POSITIONS, useKeyStandings, type Standings } from './use-key-standings';

const SIGNS: Readonly<Record<KeyState, typeof Check>> = { secure: Check, learning: CircleDot, 'not-yet': CircleDashed };

interface KeysMapProps {
  readonly pupil: PupilRecord;
  readonly runs: readonly RunFact[];
  readonly settings: Settings;
}

/** A pupil's thirty positions at a glance, what is known of each, and which is next. */
export function KeysMap({ pupil, runs, settings }: KeysMapProps) {
  const w = useWords();
  const standings = useKeyStandings(pupil, runs, settings);
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]" data-role="keys-map">
      <div className="flex min-w-0 flex-col gap-4">
        {(['major', 'minor'] as const).map((mode) => (
          <section key={mode} aria-label={w.pupils.positionsOf(mode)}>
            <h2 className="mb-1 font-semibold">{w.pupils.positionsOf(mode)}</h2>
            <Positions names={POSITIONS[mode]} {...{ standings, chosen }} onChoose={setChosen} />
          </section>
        ))}
        <p className="flex flex-wrap gap-x-6 gap-y-1 text-sm text-secondary">
          {(['secure', 'learning', 'not-yet'] as const).map((state) => (
            <span key={state} className="flex items-center gap-1.5">
              <StateSign state={state} /> {w.pupils.keyStates[state]}
            </span>
          ))}
        </p>
      </div>
      <div className="flex flex-col gap-4">
        {chosen === null ? null : (
          <KeyDetails
            key={chosen}
            pupil={pupil}
            standing={standings.byKey.get(chosen) ?? null}
            next={standings.next.find(({ key }) => key === chosen) ?? null}
            onClose={() => setChosen(null)}
          />
        )}
        <NextKeyBox pupil={pupil} standings={standings} onChoose={setChosen} />
      </div>
    </div>
  );
}

interface PositionsProps {
  readonly names: readonly string[];
  readonly standings: Standings;
  readonly chosen: string | null;
  readonly onChoose: (name: string) => void;
}

function Positions({ names, standings, chosen, onChoose }: PositionsProps) {
  const w = useWords();
  const proposed = standings.next[0]?.leftOut === null ? standings.next[0].key : null;
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(5.75rem,1fr))] gap-1.5">
      {names.map((name) => {
        const key = parseKey(name, 'major') as Key;
        const { black } = fiveFingers(key);
        const state = standings.byKey.get(name)?.state ?? 'not-yet';
        const border = {
          secure: 'border-2 border-base-content bg-base-200',
          learning: 'border-2 border-secondary',
          'not-yet': 'border border-dashed border-secondary',
        }[state];
        const isProposed = name === proposed;
        return (
          <li key={name}>
            <button
              type="button"
              data-key={name}
              data-state={state}
              data-proposed={isProposed}
              aria-pressed={chosen === name}
              className={`flex w-full cursor-pointer flex-col items-center gap-1 rounded-box px-1 py-2 hover:outline-2 hover:outline-primary aria-pressed:outline-3 aria-pressed:outline-primary ${border}`}
              onClick={() => onChoose(name)}
            >
              <span aria-hidden>
                <HandsGlyph left={black.left} right={black.right} size={34} />
              </span>
              <span className="flex items-center gap-1 font-serif font-semibold">
                {w.says.place(key.tonic)}
                <span className="sr-only">{w.pupils.positionSaid(w.says.key(key), w.pupils.keyStates[state])}</span>
                <StateSign state={state} />
              </span>
              {isProposed ? <span className="text-xs font-semibold">{w.pupils.nextOne}</span> : null}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

export function StateSign({ state }: { readonly state: KeyState }) {
  const Sign = SIGNS[state];
  return <Sign size={16} strokeWidth={state === 'secure' ? 3 : 2} aria-hidden className="shrink-0" />;
}
