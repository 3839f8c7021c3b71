'use client';

import { change, type Settings } from '@/data';
import { useTypedNote } from '@/features/shared/parts/use-typed-note';
import { useWords } from '@/features/shared/words/use-words';

/** What stands at the foot of each page. */
export function FootFields({ settings }: { readonly settings: Settings }) {
  const w = useWords();
  return (
    <div className="text-sm" data-role="foot">
      <h2 className="mb-1 font-semibold">{w.handout.foot}</h2>
      <FootField name="studioName" label={w.handout.studioName} kept={settings.studioName} most={80} />
      <FootField name="footLine" label={w.handout.footLine} kept={settings.footLine} most={120} />
    </div>
  );
}

interface FootFieldProps {
  readonly name: 'studioName' | 'footLine';
  readonly label: string;
  readonly kept: string;
  readonly most: number;
}

function FootField({ name, label, kept, most }: FootFieldProps) {
  const w = useWords();
  const keep = async (typed: string): Promise<boolean> =>
    (await change({ kind: 'settings.change', change: { [name]: typed } }, w.handout.footChanged, { isTyped: true })) ===
    null;
  const { field } = useTypedNote(`sheet-${name}`, kept, keep);
  return (
    <label className="mb-1 block">
      {label}
      <input className="input input-sm mt-0.5 h-9 w-full pointer-coarse:h-11" maxLength={most} {...field} />
    </label>
  );
}
