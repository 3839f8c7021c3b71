'use client';

import { useEffect, useState } from 'react';
import { Ear } from 'lucide-react';
import type { StruckKey } from '@/core/asked';
import { WEAKNESSES, type Pupil, type Weakness } from '@/core/simulation';
import type { Instrument } from '@/features/shared/devices/use-instrument';
import { useWords } from '@/features/shared/words/use-words';
import type { Answer } from '@/contract/answer';
import { performAloud } from './perform-aloud';
import type { Run } from './use-run';

interface SimulatedPupilProps {
  /** In the meter's beats. */
  readonly bpm: number;
  readonly run: Run;
  readonly instrument: Pick<Instrument, 'perform'>;
  readonly simulate: (pupil: Pupil) => Promise<Answer<readonly StruckKey[]>>;
  readonly onBegin: () => void;
}

/** How a hand strays that is no machine. Unit: ms. */
export const JITTER_MS = 20;

interface WeaknessChoiceProps {
  readonly weakness: Weakness | null;
  readonly onChoose: (weakness: Weakness | null) => void;
}

/** What the simulated pupil does wrong. */
export function WeaknessChoice({ weakness, onChoose }: WeaknessChoiceProps) {
  const w = useWords();
  return (
    <label className="flex flex-col gap-1 text-sm">
      <span className="font-semibold">{w.practice.weaknesses}</span>
      <select
        className="select select-sm h-9 w-full pointer-coarse:h-11"
        data-role="weakness"
        value={weakness ?? ''}
        onChange={(event) => onChoose(event.target.value === '' ? null : (event.target.value as Weakness))}
      >
        <option value="">{w.practice.nothingWrong}</option>
        {WEAKNESSES.map((one) => (
          <option key={one} value={one}>
            {w.practice.weaknessNames[one]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The pupil who is not there: what goes wrong is chosen, and it plays in place of a hand. */
export function SimulatedPupil({ bpm, run, instrument, simulate, onBegin }: SimulatedPupilProps) {
  const w = useWords();
  const [weakness, setWeakness] = useState<Weakness | null>('forgets-signature');
  const [seed, setSeed] = useState(1);
  const [wanted, setWanted] = useState<readonly StruckKey[] | null>(null);
  const { state, dueMs } = run;
  const isListening = state.is === 'listening';
  // It strikes once the run listens, with its first note when that is due.
  useEffect(() => {
    const fromMs = dueMs();
    if (!isListening || wanted === null || fromMs === null) return;
    return performAloud(instrument, wanted, fromMs);
  }, [isListening, wanted, dueMs, instrument]);
  const play = async (): Promise<void> => {
    const answer = await simulate({
      seed,
      bpm,
      jitterMs: JITTER_MS,
      unevenMs: 0,
      drift: 0,
      weaknesses: weakness === null ? [] : [weakness],
    });
    if (!answer.ok) return;
    setSeed(seed + 1);
    setWanted(answer.value);
    onBegin();
  };
  return (
    <div className="flex flex-col gap-2 border-t border-base-300 pt-3 text-sm">
      <WeaknessChoice weakness={weakness} onChoose={setWeakness} />
      <button
        type="button"
        className="btn h-10 pointer-coarse:h-11"
        data-role="let-play"
        disabled={state.is === 'listening' || state.is === 'getting-ready' || state.is === 'judging'}
        onClick={() => void play()}
      >
        <Ear size={18} aria-hidden /> {w.practice.letItPlay}
      </button>
    </div>
  );
}
