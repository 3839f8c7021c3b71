'use client';

import { Mic, MicOff } from 'lucide-react';
import { spellKey } from '@/core/pitch';
import { useWords } from '@/features/shared/words/use-words';
import { EarTick } from './ear-tick';
import { TUNING_KEYS, tuningSaid, type Microphone } from './use-microphone';

/** Everything about the microphone: why, the button that asks for it, tuning in, and what is heard of it. */
export function MicrophonePanel({ microphone }: { readonly microphone: Microphone }) {
  const w = useWords();
  const { state, tuning, open, tuneIn, shut } = microphone;
  const isShut = state.is === 'shut' || state.is === 'asking';
  return (
    <div className="flex flex-col gap-2 text-sm" data-role="microphone" data-is={state.is}>
      {isShut ? (
        <>
          <p>{w.ear.why}</p>
          <button
            type="button"
            className="btn btn-primary h-11"
            data-role="listen-by-microphone"
            disabled={state.is === 'asking'}
            onClick={() => void open()}
          >
            <Mic size={18} aria-hidden /> {w.ear.listen}
          </button>
          {state.is === 'asking' ? <p role="status">{w.ear.asking}</p> : null}
        </>
      ) : (
        <button
          type="button"
          className="btn h-10 font-normal pointer-coarse:h-11"
          data-role="stop-listening"
          onClick={shut}
        >
          <MicOff size={18} aria-hidden /> {w.ear.shut}
        </button>
      )}
      {state.is === 'open' && tuning ? (
        <>
          <p role="status" data-role="tuning-said">
            {tuningSaid(w, tuning)}
          </p>
          <button
            type="button"
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            data-role="tune-in"
            onClick={tuneIn}
          >
            {w.ear.tuneInAgain}
          </button>
          <EarChoices microphone={microphone} />
        </>
      ) : null}
      <details>
        <summary className="min-h-8 cursor-pointer py-1">{w.ear.notJudged}</summary>
        <p className="text-secondary">{w.ear.notJudgedTold}</p>
      </details>
    </div>
  );
}

/** While it tunes in: the named notes, one after the other, large enough to be read from the piano. */
export function TuningIn({ microphone: { state } }: { readonly microphone: Microphone }) {
  const w = useWords();
  if (state.is !== 'tuning') return null;
  const wanted = TUNING_KEYS[Math.min(state.heard, TUNING_KEYS.length - 1)] ?? TUNING_KEYS[0];
  const name = w.says.pitch(spellKey({ midi: wanted, next: null, before: null }, 0, 'major'));
  return (
    <div className="rounded-box bg-base-200 p-4" data-role="tuning-in" data-heard={state.heard}>
      <p>{w.ear.tuneInFirst}</p>
      <p className="mt-1 text-2xl font-semibold" role="status">
        {state.last === 'other' ? `${w.ear.otherNote} ` : ''}
        {w.ear.playNow(name, state.heard + 1, TUNING_KEYS.length)}
      </p>
    </div>
  );
}

function EarChoices({ microphone }: { readonly microphone: Microphone }) {
  const w = useWords();
  const { headphones, wearHeadphones, keepsSound, keepSound } = microphone;
  return (
    <>
      <EarTick
        role="headphones"
        words={w.ear.headphones}
        told={headphones ? '' : w.ear.headphonesTold}
        isTicked={headphones}
        onTick={wearHeadphones}
      />
      <EarTick role="keep-sound" words={w.ear.keepSound} isTicked={keepsSound} onTick={keepSound} />
    </>
  );
}
