'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useRef } from 'react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { dayOf } from '@/core/calendar';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';
import { change, MOST_NAME_LETTERS, USUAL_PUPIL, type PupilRecord, type Settings } from '@/data';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Labelled } from '../parts/labelled';
import { reachTyped } from './reach-typed';
import { useKeptForm } from '../parts/use-kept-form';

const formSchema = (w: Words) =>
  object({
    name: string().trim().required(w.pupils.givePupilName).max(MOST_NAME_LETTERS, w.pupils.nameHasAtMost60),
    /** As it is typed, in the teacher's unit; empty where nobody measured yet. */
    reach: string()
      .trim()
      .test(
        'reach',
        w.pupils.reachFromTo(LEAST_SPAN_MM, GREATEST_SPAN_MM),
        (typed) => (typed ?? '') === '' || reachTyped(w.wording, typed ?? '') !== null,
      )
      .defined(),
  });

interface NewPupilProps {
  readonly settings: Settings;
  /** Told who was added; null where nobody was. */
  readonly onClose: (added: PupilRecord | null) => void;
}

const NOTHING = { name: '', reach: '' };

/** A new pupil: a name is enough. What is typed stays over a reload until it is kept or left. */
export function NewPupil({ settings, onClose }: NewPupilProps) {
  const w = useWords();
  const dialog = useRef<HTMLDialogElement>(null);
  const form = useForm({ resolver: yupResolver(formSchema(w)), defaultValues: NOTHING });
  const { register, handleSubmit, formState } = form;
  const { errors } = formState;
  const forget = useKeptForm('new-pupil', form);
  useEffect(() => dialog.current?.showModal(), []);
  const close = (added: PupilRecord | null): void => {
    forget();
    onClose(added);
  };
  const keep = async ({ name, reach }: typeof NOTHING): Promise<void> => {
    const mm = reach === '' ? null : reachTyped(w.wording, reach);
    const atMs = Date.now();
    const { level, spanMm } = settings;
    const pupil: PupilRecord = {
      ...(USUAL_PUPIL as unknown as PupilRecord),
      id: crypto.randomUUID(),
      name,
      addedAt: atMs,
      level,
      spanMm: mm ?? spanMm,
      spans: mm === null ? [] : [{ day: dayOf(atMs), mm }],
    };
    if (await change({ kind: 'pupil.add', pupil }, w.pupils.added(name))) return;
    close(pupil);
  };
  return (
    <dialog ref={dialog} className="modal" aria-label={w.pupils.newPupil} onClose={() => close(null)}>
      <form
        className="modal-box flex max-w-md flex-col gap-3"
        noValidate
        onSubmit={(event) => void handleSubmit(keep)(event)}
      >
        <h2 className="text-lg font-semibold">{w.pupils.newPupil}</h2>
        <Labelled label={w.pupils.nameOrInitials} trouble={errors.name?.message}>
          <input
            className="input input-sm h-9 w-64"
            aria-label={w.pupils.name}
            aria-invalid={errors.name !== undefined}
            autoFocus
            {...register('name')}
          />
        </Labelled>
        <Labelled label={w.pupils.reachIfMeasured} trouble={errors.reach?.message}>
          <input
            className="input input-sm h-9 w-20"
            inputMode="decimal"
            aria-label={w.shared.reachIn}
            aria-invalid={errors.reach !== undefined}
            {...register('reach')}
          />
        </Labelled>
        <p className="text-sm text-secondary">{w.pupils.restIsOnPage}</p>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-sm h-9" onClick={() => close(null)}>
            {w.shared.leaveIt}
          </button>
          <button type="submit" className="btn btn-primary btn-sm h-9">
            {w.pupils.keepIt}
          </button>
        </div>
      </form>
    </dialog>
  );
}
