'use client';

import { Download, Trash2 } from 'lucide-react';
import { change, usePieces, usePupils, useSetAside, type SetAside } from '@/data';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { saveFile } from '@/features/shared/files/save-file';
import { handQuestions, questions, studioQuestions } from './questions';
import { wordQuestions } from './word-questions';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** So much of a value is shown. */
const SHOWN_LETTERS = 160;

/** Everything in the studio that could not be understood: what is wrong with it, and what can be done. Nothing of it is lost. */
export function AsideBox() {
  const w = useWords();
  const aside = useSetAside();
  const [pieces, pupils] = [usePieces(), usePupils()];
  const titles = new Map<string, string>([
    ...(pieces ?? []).map((piece) => [`pieces/${piece.id}`, pieceTitle(piece)] as const),
    ...(pupils ?? []).map(({ id, name }) => [`pupils/${id}`, name] as const),
  ]);
  return (
    <section aria-labelledby="aside">
      <h2 id="aside" className="scroll-mt-20 mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
        {w.shared.setAside}
      </h2>
      <p className="mb-2 text-sm text-secondary">{w.settings.whatIsInStudioAnd}</p>
      {aside?.length === 0 ? <p>{w.settings.everythingInStudioIsUnderstood}</p> : null}
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
function fieldWords(w: Words, field: SetAside['field']): string {
  const names = field.filter((name) => name !== 'value' && !/^\d+$/.test(name));
  const question = allQuestions(w).find(({ name }) => name === names[0]);
  return w.settings.fieldQuoted(question?.title ?? fieldNames(w)[names.join('.')] ?? names.join(', '));
}

const allQuestions = (w: Words) => [...handQuestions(w), ...questions(w), ...wordQuestions(w), ...studioQuestions(w)];
const fieldNames = (w: Words): Readonly<Record<string, string>> => ({
  spanMm: w.settings.reachOfHand,
  entryKeys: w.settings.keysForEntering,
  ownOrder: w.settings.myOwnOrderOfKeys,
  'decided.fingers': w.settings.fingerThatWasDecidedOn,
  'decided.aside': w.settings.handNoteThatWasPut,
  'decided.marks': w.settings.mark,
  respelled: w.settings.spelling,
  ownKey: w.settings.piecesOwnKey,
  lastKey: w.settings.keyLookedAtLast,
  keysKnown: w.shared.keysThatAreKnown,
});

function AsideItem({ one, name }: { readonly one: SetAside; readonly name: string }) {
  const w = useWords();
  const { table, id, field, value, why, from } = one;
  const text = JSON.stringify(value) ?? '';
  const place = field.length > 0 ? w.settings.fieldOf(fieldWords(w, field)) : '';
  const recordWords =
    table === 'kept'
      ? id === 'desk'
        ? w.settings.desk
        : w.settings.settings
      : w.settings.recordNamed(w.store.records[table], name);
  const words = `${place}${recordWords}${from ? ` (${from})` : ''}`;
  const save = (): void =>
    saveFile(
      `set-aside-${table}.json`,
      'application/json',
      `${JSON.stringify({ table, id, field, why, value }, null, 2)}\n`,
    );
  const remove = (): void =>
    void change({ kind: 'aside.delete', place: { table, id }, field, value }, w.settings.deleted(words));
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
        <Download size={16} aria-hidden /> {w.settings.saveAsFile}
      </button>
      <button type="button" className="btn btn-ghost btn-sm h-9 font-normal" onClick={remove}>
        <Trash2 size={16} aria-hidden /> {w.settings.deleteIt}
      </button>
    </li>
  );
}
