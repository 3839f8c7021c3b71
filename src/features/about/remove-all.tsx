'use client';

import { SHELF } from '@/features/shared/address/own-address';
import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import { removeEverything, usePieceCount, usePupils } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** Removes all that New Thumb has put into this browser. What that is, is said first; a studio file brings the studio back. */
export function RemoveAll({ onSave }: { readonly onSave: () => void }) {
  const w = useWords();
  const [step, setStep] = useState<'before' | 'asked' | 'removing' | 'gone'>('before');
  const remove = (): void => {
    setStep('removing');
    void removeEverything().then(() => setStep('gone'));
  };
  return (
    <section aria-labelledby="remove" className="flex flex-col items-start gap-2" data-role="removal" data-step={step}>
      <h2 id="remove" className="w-full border-b border-base-300 pb-1 text-xl font-semibold">
        {w.about.remove}
      </h2>
      {step === 'gone' ? null : <p>{w.about.removeHow}</p>}
      {step === 'before' ? (
        <button
          type="button"
          className="btn btn-sm h-9 bg-base-100 font-normal"
          data-role="remove-all"
          onClick={() => setStep('asked')}
        >
          <Trash2 size={16} aria-hidden /> {w.about.removeAll}
        </button>
      ) : null}
      {step === 'asked' ? <Asked onSave={onSave} onRemove={remove} onLeave={() => setStep('before')} /> : null}
      <p role="status">
        {step === 'removing' ? w.about.removing : null}
        {step === 'gone' ? w.about.gone : null}
      </p>
      {step === 'gone' ? (
        <button
          type="button"
          className="btn btn-sm h-9 bg-base-100 font-normal"
          data-role="begin-anew"
          onClick={() => location.assign(SHELF)}
        >
          {w.about.beginAnew}
        </button>
      ) : null}
    </section>
  );
}

interface AskedProps {
  readonly onSave: () => void;
  readonly onRemove: () => void;
  readonly onLeave: () => void;
}

function Asked({ onSave, onRemove, onLeave }: AskedProps) {
  const w = useWords();
  const pieces = usePieceCount() ?? 0;
  const pupils = usePupils()?.length ?? 0;
  return (
    <div role="alert" className="flex flex-col items-start gap-3 rounded-box border-2 border-error bg-base-100 p-4">
      <p className="font-semibold">{w.about.whatGoes(pieces, pupils)}</p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm h-9" onClick={onSave}>
          {w.about.saveFirst}
        </button>
        <button type="button" className="btn btn-error btn-sm h-9" data-role="really-remove" onClick={onRemove}>
          {w.about.reallyRemove}
        </button>
        <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={onLeave}>
          {w.about.leaveIt}
        </button>
      </div>
    </div>
  );
}
