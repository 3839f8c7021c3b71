'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { object, string, type InferType } from 'yup';
import { typedAsLetters } from '@/core/explain';
import { midiNumber, parsePitch, spellKey } from '@/core/pitch';
import { change, MOST_GROUP_LETTERS, MOST_NAME_LETTERS, type PupilRecord } from '@/data';
import { Labelled } from '@/features/shared/parts/labelled';
import { useKeptForm } from '@/features/shared/parts/use-kept-form';
import { useWords, type Words } from '@/features/shared/words/use-words';

const MOST_NOTE_LETTERS = 2000;

const formSchema = (w: Words) =>
  object({
    name: string().trim().required(w.pupils.givePupilName).max(MOST_NAME_LETTERS, w.pupils.nameHasAtMost60),
    groups: string()
      .defined()
      .test('groups', w.pupils.groupsHaveAtMost(MOST_GROUP_LETTERS), (typed) =>
        groupsIn(typed ?? '').every((group) => group.length <= MOST_GROUP_LETTERS),
      ),
    low: pitchField(w),
    high: pitchField(w).test('order', w.pupils.rangeGoesUp, (typed, { parent }) => {
      const [low, high] = [midiTyped(w, (parent as { low: string }).low), midiTyped(w, typed ?? '')];
      return (low === null) === (high === null) && (low === null || high === null || low <= high);
    }),
    note: string().defined().max(MOST_NOTE_LETTERS, w.pupils.noteHasAtMost(MOST_NOTE_LETTERS)),
  });
type Facts = InferType<ReturnType<typeof formSchema>>;

function pitchField(w: Words) {
  return string()
    .defined()
    .test('pitch', w.pupils.writeNoteAs, (typed) => (typed ?? '').trim() === '' || midiTyped(w, typed ?? '') !== null);
}

function midiTyped(w: Words, typed: string): number | null {
  const pitch = parsePitch(typedAsLetters(typed.trim(), w.wording.names));
  return pitch ? midiNumber(pitch) : null;
}

function pitchWords(w: Words, midi: number): string {
  return w.says.pitch(spellKey({ midi, next: null, before: null }, 0, 'major'));
}

/** Groups as they are typed, with commas between. */
function groupsIn(typed: string): readonly string[] {
  return [...new Set(typed.split(',').map((group) => group.trim()))].filter(Boolean);
}

function factsOf(w: Words, { name, groups, range, note }: PupilRecord): Facts {
  return {
    name,
    groups: groups.join(', '),
    low: range ? pitchWords(w, range.low) : '',
    high: range ? pitchWords(w, range.high) : '',
    note,
  };
}

/** What is typed about a pupil: the name, groups, the range of the voice, and what the teacher wants to remember. */
export function FactsForm({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const form = useForm<Facts>({
    resolver: yupResolver(formSchema(w)),
    values: factsOf(w, pupil),
    resetOptions: { keepDirtyValues: true },
  });
  const { register, handleSubmit, formState } = form;
  const { errors, isDirty } = formState;
  const forget = useKeptForm(`facts/${pupil.id}`, form);
  const keep = async (typed: Facts): Promise<void> => {
    const [low, high] = [midiTyped(w, typed.low), midiTyped(w, typed.high)];
    const range = low === null || high === null ? null : { low, high };
    const wanted = groupsIn(typed.groups);
    const groups = [
      ...wanted.filter((one) => !pupil.groups.includes(one)).map((group) => ({ group, as: 'put' as const })),
      ...pupil.groups.filter((one) => !wanted.includes(one)).map((group) => ({ group, as: 'taken' as const })),
    ];
    const facts = { name: typed.name, range, note: typed.note };
    const words = w.pupils.changed(typed.name);
    if (await change({ kind: 'pupil.change', id: pupil.id, change: facts, groups }, words)) return;
    form.reset(typed);
    forget();
  };
  const field = 'input input-sm h-9 pointer-coarse:h-11';
  return (
    <form
      className="flex flex-col gap-2"
      noValidate
      data-role="facts"
      onSubmit={(event) => void handleSubmit(keep)(event)}
    >
      <Labelled label={w.pupils.nameOrInitials} trouble={errors.name?.message}>
        <input
          className={`${field} w-64`}
          aria-label={w.pupils.name}
          aria-invalid={!!errors.name}
          {...register('name')}
        />
      </Labelled>
      <Labelled label={w.pupils.groups} trouble={errors.groups?.message}>
        <input
          className={`${field} w-64`}
          aria-label={w.pupils.groups}
          aria-invalid={!!errors.groups}
          placeholder={w.pupils.groupsExample}
          {...register('groups')}
        />
      </Labelled>
      <Labelled label={w.pupils.singsFrom} trouble={errors.low?.message ?? errors.high?.message}>
        <input
          className={`${field} w-20`}
          aria-label={w.shared.lowestComfortableNote}
          aria-invalid={!!errors.low}
          {...register('low')}
        />
        {w.shared.toLabel}
        <input
          className={`${field} w-20`}
          aria-label={w.shared.highestComfortableNote}
          aria-invalid={!!errors.high}
          {...register('high')}
        />
      </Labelled>
      <Labelled label={w.pupils.toRemember} trouble={errors.note?.message}>
        <textarea
          className="rounded-field border border-base-300 bg-base-100 p-2 h-24 w-80 max-w-full"
          aria-label={w.pupils.toRemember}
          aria-invalid={!!errors.note}
          {...register('note')}
        />
      </Labelled>
      <div className="flex items-center gap-3">
        <button
          type="submit"
          className="btn btn-primary btn-sm h-9 pointer-coarse:h-11"
          disabled={!isDirty}
          data-role="keep-facts"
        >
          {w.pupils.keepIt}
        </button>
        {isDirty ? <span className="text-sm text-secondary">{w.pupils.notKeptYet}</span> : null}
      </div>
    </form>
  );
}
