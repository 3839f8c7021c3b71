'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useRef, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { array, mixed, number, object, string, type InferType } from 'yup';
import { fifteenKeys, keyPrint, keyText } from '@/core/pitch';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS } from '@/core/keyboard';
import { change, type PupilRecord, type Settings } from '@/data';

const spanTrouble = `A reach is a whole number of millimetres from ${LEAST_SPAN_MM} to ${GREATEST_SPAN_MM}.`;

const formSchema = object({
  name: string().trim().required('Give the pupil a name.').max(60, 'A name has at most 60 letters.'),
  level: mixed<PupilRecord['level']>().oneOf(['1', '2', '3', '4']).required(),
  spanMm: number()
    .typeError(spanTrouble)
    .integer(spanTrouble)
    .min(LEAST_SPAN_MM, spanTrouble)
    .max(GREATEST_SPAN_MM, spanTrouble)
    .required(spanTrouble),
  outer: mixed<PupilRecord['outer']>().oneOf(['allow', 'avoid']).required(),
  inner: mixed<PupilRecord['inner']>().oneOf(['interval', 'black']).required(),
  repeat: mixed<PupilRecord['repeat']>().oneOf(['keep', 'change']).required(),
  keysKnown: array(string().required()).required(),
});
type FormValues = InferType<typeof formSchema>;

const KEYS = [...fifteenKeys('major'), ...fifteenKeys('minor')];

interface PupilFormProps {
  /** Null for a new one. */
  readonly pupil: PupilRecord | null;
  readonly settings: Settings;
  /** Told who was kept; null where nothing was. */
  readonly onClose: (kept: PupilRecord | null) => void;
}

/** The pupil record: who plays, how far the hand reaches, what may be asked. */
// eslint-disable-next-line max-lines-per-function -- one form: each field is a few lines of markup
export function PupilForm({ pupil, settings, onClose }: PupilFormProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const { level, spanMm, outer, inner, repeat } = pupil ?? settings;
  const { register, handleSubmit, setValue, formState } = useForm<FormValues>({
    resolver: yupResolver(formSchema),
    defaultValues: {
      name: pupil?.name ?? '',
      level,
      spanMm,
      outer,
      inner,
      repeat,
      keysKnown: [...(pupil?.keysKnown ?? ['C-major'])],
    },
  });
  // Read here, so that the form keeps count of them.
  const { errors, dirtyFields } = formState;
  useEffect(() => dialog.current?.showModal(), []);
  const keep = async (values: FormValues): Promise<void> => {
    if (pupil) {
      // Only what was changed here is named: what another tab changed meanwhile stays.
      const changed = Object.fromEntries(
        Object.entries(values).filter(([name]) => name in dirtyFields),
      ) as Partial<FormValues>;
      if (await change({ kind: 'pupil.change', id: pupil.id, change: changed }, `${values.name} changed`)) return;
      return onClose({ ...pupil, ...values });
    }
    const added: PupilRecord = { id: crypto.randomUUID(), origin: 'own', addedAt: Date.now(), ...values };
    if (await change({ kind: 'pupil.add', pupil: added }, `${added.name} added`)) return;
    onClose(added);
  };
  const remove = async (): Promise<void> => {
    if (pupil && (await change({ kind: 'pupil.remove', id: pupil.id }, `${pupil.name} taken out`))) return;
    onClose(null);
  };
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-label={pupil ? `Change ${pupil.name}` : 'New pupil'}
      onClose={() => onClose(null)}
    >
      <form
        className="modal-box flex max-w-xl flex-col gap-3"
        noValidate
        onSubmit={(event) => void handleSubmit(keep)(event)}
      >
        <h2 className="text-lg font-semibold">{pupil ? `Change ${pupil.name}` : 'New pupil'}</h2>
        <Field label="Name" trouble={errors.name?.message}>
          <input
            className="input input-sm h-9 w-64"
            aria-label="Name"
            aria-invalid={errors.name !== undefined}
            autoFocus
            {...register('name')}
          />
        </Field>
        <Field label="Reach, thumb to finger 5, in mm" trouble={errors.spanMm?.message}>
          <input
            className="input input-sm h-9 w-20"
            inputMode="numeric"
            aria-label="Reach in millimetres"
            aria-invalid={errors.spanMm !== undefined}
            {...register('spanMm')}
          />
          {ROUGH_SPANS.map(({ age, spanMm: rough }) => (
            <button
              key={age}
              type="button"
              className="btn btn-sm h-8 px-2 font-normal"
              onClick={() => setValue('spanMm', rough, { shouldValidate: true })}
            >
              {age === 'adult' ? 'adult' : `age ${age}`}
            </button>
          ))}
        </Field>
        <p className="text-xs text-secondary">
          Measure the pupil, the hand spread on a ruler without straining: the ages are rough. Stretching must never
          hurt.
        </p>
        <Field label="What the hand may do">
          <select className="select select-sm h-9 w-80" aria-label="Level" {...register('level')}>
            <option value="1">1: stay in one closed position</option>
            <option value="2">2: move between closed positions</option>
            <option value="3">3: open the hand, change on a repeated key</option>
            <option value="4">4: cross</option>
          </select>
        </Field>
        <Field label="Thumb or 5 on black">
          <select className="select select-sm h-9 w-80" aria-label="Thumb or 5 on black" {...register('outer')}>
            <option value="allow">allow and mention</option>
            <option value="avoid">avoid: leave such keys out for now</option>
          </select>
        </Field>
        <Field label="Beside 5 in octaves">
          <select className="select select-sm h-9 w-80" aria-label="Beside 5 in octaves" {...register('inner')}>
            <option value="interval">4 up to a third, else 3</option>
            <option value="black">3 where it falls on a black key</option>
          </select>
        </Field>
        <Field label="Repeated keys">
          <select className="select select-sm h-9 w-80" aria-label="Repeated keys" {...register('repeat')}>
            <option value="keep">the same finger</option>
            <option value="change">another finger each time</option>
          </select>
        </Field>
        <fieldset>
          <legend className="mb-1 text-sm">Keys that are known</legend>
          <div className="flex flex-wrap gap-1">
            {KEYS.map((key) => (
              <label key={keyText(key)} className="btn btn-sm h-8 min-w-8 px-2 font-normal has-checked:btn-neutral">
                <input type="checkbox" className="sr-only" value={keyText(key)} {...register('keysKnown')} />
                {key.mode === 'major' ? keyPrint(key).split(' ')[0] : keyPrint(key)}
              </label>
            ))}
          </div>
        </fieldset>
        <div className="flex items-center gap-2">
          {pupil ? (
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9 font-normal text-error"
              onClick={() => void remove()}
            >
              Take {pupil.name} out
            </button>
          ) : null}
          <button type="button" className="btn btn-sm ml-auto h-9" onClick={() => onClose(null)}>
            Leave it
          </button>
          <button type="submit" className="btn btn-primary btn-sm h-9">
            Keep
          </button>
        </div>
      </form>
    </dialog>
  );
}

function Field({
  label,
  trouble,
  children,
}: {
  readonly label: string;
  readonly trouble?: string | undefined;
  readonly children: ReactNode;
}) {
  return (
    <div>
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="w-44 text-sm">{label}</span>
        {children}
      </div>
      {trouble ? (
        <p role="alert" className="text-sm text-error">
          {trouble}
        </p>
      ) : null}
    </div>
  );
}
