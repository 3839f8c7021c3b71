'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useRef, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { array, mixed, object, string, type InferType } from 'yup';
import { fifteenKeys, keyText } from '@/core/pitch';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS } from '@/core/keyboard';
import { change, type PupilRecord, type Settings } from '@/data';
import { reachTyped } from '@/features/shared/reach-typed';
import { useWords, type Words } from '@/features/shared/words/use-words';

const formSchema = (w: Words) =>
  object({
    name: string().trim().required(w.pupils.givePupilName).max(60, w.pupils.nameHasAtMost60),
    level: mixed<PupilRecord['level']>().oneOf(['1', '2', '3', '4']).required(),
    /** As it is typed, in the teacher's unit. */
    reach: string()
      .test(
        'reach',
        w.pupils.reachFromTo(LEAST_SPAN_MM, GREATEST_SPAN_MM),
        (typed) => reachTyped(w.wording, typed ?? '') !== null,
      )
      .defined(),
    outer: mixed<PupilRecord['outer']>().oneOf(['allow', 'avoid']).required(),
    inner: mixed<PupilRecord['inner']>().oneOf(['interval', 'black']).required(),
    repeat: mixed<PupilRecord['repeat']>().oneOf(['keep', 'change']).required(),
    keysKnown: array(string().required()).required(),
  });
type FormValues = InferType<ReturnType<typeof formSchema>>;

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
  const w = useWords();
  const dialog = useRef<HTMLDialogElement>(null);
  const { level, spanMm, outer, inner, repeat } = pupil ?? settings;
  const { register, handleSubmit, setValue, formState } = useForm<FormValues>({
    resolver: yupResolver(formSchema(w)),
    defaultValues: {
      name: pupil?.name ?? '',
      level,
      reach: String(w.says.lengthNumber(spanMm)),
      outer,
      inner,
      repeat,
      keysKnown: [...(pupil?.keysKnown ?? ['C-major'])],
    },
  });
  // Read here, so that the form keeps count of them.
  const { errors, dirtyFields } = formState;
  useEffect(() => dialog.current?.showModal(), []);
  const keep = async ({ reach, ...typed }: FormValues): Promise<void> => {
    const values = { ...typed, spanMm: 'reach' in dirtyFields ? (reachTyped(w.wording, reach) ?? spanMm) : spanMm };
    const isChanged = (name: string): boolean => (name === 'spanMm' ? 'reach' : name) in dirtyFields;
    if (pupil) {
      // Only what was changed here is named: what another tab changed meanwhile stays.
      const changed = Object.fromEntries(Object.entries(values).filter(([name]) => isChanged(name))) as Partial<
        typeof values
      >;
      if (await change({ kind: 'pupil.change', id: pupil.id, change: changed }, w.pupils.changed(values.name))) return;
      return onClose({ ...pupil, ...values });
    }
    const added: PupilRecord = { id: crypto.randomUUID(), origin: 'own', addedAt: Date.now(), ...values };
    if (await change({ kind: 'pupil.add', pupil: added }, w.pupils.added(added.name))) return;
    onClose(added);
  };
  const remove = async (): Promise<void> => {
    if (pupil && (await change({ kind: 'pupil.remove', id: pupil.id }, w.pupils.takenOut(pupil.name)))) return;
    onClose(null);
  };
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-label={pupil ? w.pupils.change(pupil.name) : w.pupils.newPupil}
      onClose={() => onClose(null)}
    >
      <form
        className="modal-box flex max-w-xl flex-col gap-3"
        noValidate
        onSubmit={(event) => void handleSubmit(keep)(event)}
      >
        <h2 className="text-lg font-semibold">{pupil ? w.pupils.change(pupil.name) : w.pupils.newPupil}</h2>
        <Field label={w.pupils.name} trouble={errors.name?.message}>
          <input
            className="input input-sm h-9 w-64"
            aria-label={w.pupils.name}
            aria-invalid={errors.name !== undefined}
            autoFocus
            {...register('name')}
          />
        </Field>
        <Field label={w.pupils.reachLabel} trouble={errors.reach?.message}>
          <input
            className="input input-sm h-9 w-20"
            inputMode="decimal"
            aria-label={w.shared.reachIn}
            aria-invalid={errors.reach !== undefined}
            {...register('reach')}
          />
          {ROUGH_SPANS.map(({ age, spanMm: rough }) => (
            <button
              key={age}
              type="button"
              className="btn btn-sm h-8 px-2 font-normal"
              onClick={() =>
                setValue('reach', String(w.says.lengthNumber(rough)), { shouldValidate: true, shouldDirty: true })
              }
            >
              {age === 'adult' ? w.shared.adult : w.shared.age(age)}
            </button>
          ))}
        </Field>
        <p className="text-xs text-secondary">{w.pupils.measurePupilHandSpreadOn}</p>
        <Field label={w.shared.whatHandMayDo}>
          <select className="select select-sm h-9 w-80" aria-label={w.pupils.level} {...register('level')}>
            <option value="1">{w.pupils.level1}</option>
            <option value="2">{w.pupils.level2}</option>
            <option value="3">{w.pupils.level3}</option>
            <option value="4">{w.pupils.level4}</option>
          </select>
        </Field>
        <Field label={w.pupils.thumbOr5OnBlack}>
          <select className="select select-sm h-9 w-80" aria-label={w.pupils.thumbOr5OnBlack} {...register('outer')}>
            <option value="allow">{w.pupils.allowAndMention}</option>
            <option value="avoid">{w.pupils.avoidLeaveSuchKeysOut}</option>
          </select>
        </Field>
        <Field label={w.pupils.beside5InOctaves}>
          <select className="select select-sm h-9 w-80" aria-label={w.pupils.beside5InOctaves} {...register('inner')}>
            <option value="interval">{w.pupils.fourUpToThird}</option>
            <option value="black">{w.pupils.threeOnBlack}</option>
          </select>
        </Field>
        <Field label={w.shared.repeatedKeys}>
          <select className="select select-sm h-9 w-80" aria-label={w.shared.repeatedKeys} {...register('repeat')}>
            <option value="keep">{w.pupils.sameFinger}</option>
            <option value="change">{w.pupils.anotherFingerEachTime}</option>
          </select>
        </Field>
        <fieldset>
          <legend className="mb-1 text-sm">{w.shared.keysThatAreKnown}</legend>
          <div className="flex flex-wrap gap-1">
            {KEYS.map((key) => (
              <label key={keyText(key)} className="btn btn-sm h-8 min-w-8 px-2 font-normal has-checked:btn-neutral">
                <input type="checkbox" className="sr-only" value={keyText(key)} {...register('keysKnown')} />
                {key.mode === 'major' ? w.says.key(key).split(' ')[0] : w.says.key(key)}
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
              {w.pupils.takeOut(pupil.name)}
            </button>
          ) : null}
          <button type="button" className="btn btn-sm ml-auto h-9" onClick={() => onClose(null)}>
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
