'use client';

import { STRICTNESSES, TOLERANCES, type Strictness } from '@/core/practice';
import type { PracticeView } from '@/core/views';
import { PLAYED_ON, type PlayedOn } from '@/data';
import { useWords } from '@/features/shared/words/use-words';
import { BarsChoice } from './bars-choice';
import { MicrophonePanel } from './ear/microphone-panel';
import type { HeardInstrument } from './use-heard-instrument';
import { AFTERWARDS, FASTEST, SLOWEST, WAYS, type Afterwards, type PracticeAddress } from './practice-address';

interface PracticeChoicesProps {
  readonly view: PracticeView;
  readonly address: PracticeAddress;
  readonly instrument: HeardInstrument;
  readonly onChange: (change: Partial<PracticeAddress>) => void;
}

const SELECT = 'select select-sm h-9 w-full pointer-coarse:h-11';

/** What is played, how, and on what. */
export function PracticeChoices(props: PracticeChoicesProps) {
  return (
    <div className="flex flex-col gap-3 text-sm">
      <WhatIsPlayed {...props} />
      <HowItIsPlayed {...props} />
      <WhatComesThen {...props} />
      <WhoListens {...props} />
    </div>
  );
}

function WhatIsPlayed({ view, address: { hand, from, to }, onChange }: PracticeChoicesProps) {
  const w = useWords();
  return (
    <>
      <fieldset>
        <legend className="mb-1 font-semibold">{w.practice.hand}</legend>
        <div className="join w-full">
          {(['both', 'right', 'left'] as const).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={hand === one}
              data-hand={one}
              disabled={one !== 'both' && !view.hands.includes(one)}
              className={`btn join-item btn-sm h-9 flex-1 px-1 font-normal pointer-coarse:h-11 ${hand === one ? 'btn-neutral' : ''}`}
              onClick={() => onChange({ hand: one })}
            >
              {w.practice.hands[one]}
            </button>
          ))}
        </div>
      </fieldset>
      <BarsChoice
        numbers={view.bars.map(({ number }) => number)}
        bars={from === null || to === null ? null : { from, to }}
        onChoose={(bars) => onChange({ from: bars?.from ?? null, to: bars?.to ?? null })}
      />
    </>
  );
}

function HowItIsPlayed({ view, address: { tempo, way }, instrument, onChange }: PracticeChoicesProps) {
  const w = useWords();
  const told =
    instrument.microphone?.headphones === false
      ? { ...w.practice.waysTold, along: w.ear.alongTold }
      : w.practice.waysTold;
  return (
    <>
      <label className="flex flex-col gap-1">
        <span className="font-semibold">
          {w.practice.tempo}{' '}
          <span className="font-normal">{w.practice.tempoWords(tempo, (view.bpm * tempo) / 100)}</span>
        </span>
        <input
          type="range"
          min={SLOWEST}
          max={FASTEST}
          step={5}
          value={tempo}
          data-role="tempo"
          className="h-8 accent-[var(--color-primary)]"
          onChange={(event) => onChange({ tempo: Number(event.target.value) })}
        />
      </label>
      <fieldset className="flex flex-col">
        <legend className="mb-1 font-semibold">{w.practice.how}</legend>
        {WAYS.map((one) => (
          <label key={one} className="flex min-h-9 cursor-pointer items-center gap-2 pointer-coarse:min-h-11">
            <input
              type="radio"
              name="way"
              value={one}
              className="radio radio-sm"
              checked={way === one}
              onChange={() => onChange({ way: one })}
            />
            <span>
              {w.practice.ways[one]}
              {way === one ? <span className="block text-xs text-secondary">{told[one]}</span> : null}
            </span>
          </label>
        ))}
      </fieldset>
    </>
  );
}

function WhatComesThen({ address: { way, then }, onChange }: PracticeChoicesProps) {
  const w = useWords();
  if (way === 'free') return null;
  return (
    <label className="flex flex-col gap-1">
      <span className="font-semibold">{w.practice.afterwards}</span>
      <select
        className={SELECT}
        data-role="then"
        value={then}
        onChange={(event) => onChange({ then: event.target.value as Afterwards })}
      >
        {AFTERWARDS.map((one) => (
          <option key={one} value={one}>
            {w.practice.afterwardsNames[one]}
          </option>
        ))}
      </select>
    </label>
  );
}

function WhoListens({ address: { ear }, instrument, onChange }: PracticeChoicesProps) {
  const w = useWords();
  return (
    <>
      <label className="flex flex-col gap-1">
        <span className="font-semibold">{w.practice.strictness}</span>
        <select
          className={SELECT}
          data-role="ear"
          value={ear}
          onChange={(event) => onChange({ ear: event.target.value as Strictness })}
        >
          {STRICTNESSES.map((one) => (
            <option key={one} value={one}>
              {w.practice.strictnesses[one]}
            </option>
          ))}
        </select>
        <span className="text-xs text-secondary">
          {w.practice.tolerance(TOLERANCES[ear].ms, Math.round(TOLERANCES[ear].share * 100))}
        </span>
      </label>
      <ChosenInstrument instrument={instrument} />
    </>
  );
}

interface ChosenInstrumentProps {
  readonly instrument: HeardInstrument;
  /** What can be chosen: everything, or not the microphone, where what is played to the pupil would be heard by it. */
  readonly among?: readonly PlayedOn[];
}

/** On what is played. */
export function ChosenInstrument({ instrument, among = PLAYED_ON }: ChosenInstrumentProps) {
  const w = useWords();
  return (
    <>
      <label className="flex flex-col gap-1 text-sm">
        <span className="font-semibold">{w.practice.instrument}</span>
        <select
          className={SELECT}
          data-role="instrument"
          value={instrument.name}
          onChange={(event) => instrument.choose(event.target.value as PlayedOn)}
        >
          {among.map((one) => (
            <option key={one} value={one}>
              {w.practice.instruments[one]}
            </option>
          ))}
        </select>
      </label>
      {instrument.microphone ? <MicrophonePanel microphone={instrument.microphone} /> : null}
    </>
  );
}
