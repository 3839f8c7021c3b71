'use client';

import { Download, Trash2 } from 'lucide-react';
import { change, RECORD_NAMES, usePieces, usePupils, useSetAside, type SetAside } from '@/data';
import { pieceTitle } from '@/features/shared/piece-title';
import { saveFile } from '@/features/shared/save-file';
import { HAND_QUESTIONS, QUESTIONS, STUDIO_QUESTIONS } from './questions';

/** So much of a value is shown. */
const SHOWN_LETTERS = 160;

/** Everything in the studio that could not be understood: what is wrong with it, and what can be done. Nothing of it is lost. */
export function AsideBox() {
  const aside = useSetAside();
  const [pieces, pupils] = [usePieces(), usePupils()];
  const titles = new Map<string, string>([
    ...(pieces ?? []).map((piece) => [`pieces/${piece.id}`, pieceTitle(piece)] as const),
    ...(pupils ?? []).map(({ id, name }) => [`pupils/${id}`, name] as const),
  ]);
  return (
    <section aria-labelledby="aside">
      <h2 id="aside" className="mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
        Set aside
      </h2>
      <p className="mb-2 text-sm text-secondary">
        What is in the studio and cannot be understood, because it is damaged or comes from another version. It is kept
        as it is, goes into the studio file, and counts again once a version understands it.
      </p>
      {aside?.length === 0 ? <p>Everything in the studio is understood.</p> : null}
      <ul className="flex flex-col gap-2" data-role="aside">
        {(aside ?? []).map((one) => (
          <AsideItem
            key={JSON.stringify([one.table, one.id, one.field])}
            one={one}
            name={titles.get(`${one.table}/${one.id}`) ?? one.id}
          />
        ))}
      </ul>
    </section>
  );
}

/** What a field is to the teacher: settings by the question that they answer. */
function fieldWords(field: SetAside['field']): string {
  const names = field.filter((name) => name !== 'value' && !/^\d+$/.test(name));
  const question = ALL_QUESTIONS.find(({ name }) => name === names[0]);
  return `“${question?.title ?? FIELD_NAMES[names.join('.')] ?? names.join(', ')}”`;
}

const ALL_QUESTIONS = [...HAND_QUESTIONS, ...QUESTIONS, ...STUDIO_QUESTIONS];
const FIELD_NAMES: Readonly<Record<string, string>> = {
  spanMm: 'Reach of the hand',
  entryKeys: 'Keys for entering',
  ownOrder: 'My own order of keys',
  'decided.fingers': 'A finger that was decided on',
  'decided.aside': 'A hand note that was put aside',
  'decided.marks': 'A mark',
  respelled: 'A spelling',
  ownKey: 'The piece’s own key',
  lastKey: 'The key looked at last',
  keysKnown: 'Keys that are known',
};

function AsideItem({ one, name }: { readonly one: SetAside; readonly name: string }) {
  const { table, id, field, value, why, from } = one;
  const text = JSON.stringify(value) ?? '';
  const place = field.length > 0 ? `${fieldWords(field)} of ` : '';
  const recordWords =
    table === 'kept' ? (id === 'desk' ? 'the desk' : 'the settings') : `${RECORD_NAMES[table]} “${name}”`;
  const words = `${place}${recordWords}${from ? ` (${from})` : ''}`;
  const save = (): void =>
    saveFile(
      `set-aside-${table}.json`,
      'application/json',
      `${JSON.stringify({ table, id, field, why, value }, null, 2)}\n`,
    );
  const remove = (): void =>
    void change({ kind: 'aside.delete', place: { table, id }, field, value }, `${words} deleted`);
  return (
    <li className="flex flex-wrap items-start gap-2 rounded-box border border-base-300 bg-base-100 px-3 py-2 text-sm">
      <div className="min-w-0 flex-1">
        <p className="font-semibold break-words">{words}</p>
        <p className="break-words">{why}</p>
        <p className="font-mono text-xs break-all text-secondary">
          {text.length > SHOWN_LETTERS ? `${text.slice(0, SHOWN_LETTERS)}…` : text}
        </p>
      </div>
      <button type="button" className="btn btn-sm h-9 font-normal" onClick={save}>
        <Download size={16} aria-hidden /> Save as a file
      </button>
      <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={remove}>
        <Trash2 size={16} aria-hidden /> Delete
      </button>
    </li>
  );
}
