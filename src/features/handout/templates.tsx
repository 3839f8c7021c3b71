'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { Trash2 } from 'lucide-react';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import { change, type Settings, type SheetChoice } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

interface TemplatesProps {
  readonly sheet: SheetChoice;
  readonly settings: Settings;
  readonly onUse: (sheet: SheetChoice) => void;
}

const MOST_LETTERS = 60;

/** Sheets that are kept under a name, to be used for other pieces. Keeping one and letting it go can be undone. */
export function Templates({ sheet, settings: { sheetTemplates }, onUse }: TemplatesProps) {
  const w = useWords();
  const form = useForm({
    resolver: yupResolver(object({ name: string().trim().required(w.handout.nameIt).max(MOST_LETTERS) })),
    defaultValues: { name: '' },
  });
  const keep = form.handleSubmit(async ({ name }) => {
    const others = sheetTemplates.filter((one) => one.name !== name);
    await change(
      { kind: 'settings.change', change: { sheetTemplates: [...others, { name, sheet }] } },
      w.handout.kept(name),
    );
    form.reset();
  });
  const letGo = (name: string): void =>
    void change(
      { kind: 'settings.change', change: { sheetTemplates: sheetTemplates.filter((one) => one.name !== name) } },
      w.handout.gone(name),
    );
  return (
    <div className="text-sm" data-role="templates">
      <h2 className="mb-1 font-semibold">{w.handout.templates}</h2>
      {sheetTemplates.length === 0 ? <p className="text-secondary">{w.handout.noTemplates}</p> : null}
      <ul>
        {sheetTemplates.map((template) => (
          <li key={template.name} className="flex items-center gap-1">
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9 flex-1 justify-start font-normal pointer-coarse:h-11"
              onClick={() => onUse(template.sheet)}
            >
              {w.handout.use(template.name)}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square size-9 pointer-coarse:size-11"
              aria-label={w.handout.letGo(template.name)}
              onClick={() => letGo(template.name)}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <form className="mt-1 flex items-end gap-2" onSubmit={(event) => void keep(event)}>
        <label className="min-w-0 flex-1">
          {w.handout.keepAs}
          <input
            className="input input-sm mt-0.5 h-9 w-full pointer-coarse:h-11"
            maxLength={MOST_LETTERS}
            {...form.register('name')}
          />
        </label>
        <button type="submit" className="btn btn-sm h-9 pointer-coarse:h-11">
          {w.handout.keep}
        </button>
      </form>
      {form.formState.errors.name ? (
        <p role="alert" className="text-error">
          {form.formState.errors.name.message}
        </p>
      ) : null}
    </div>
  );
}
