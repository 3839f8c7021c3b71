'use client';

import type { ComingRecord, RecordFacts, RefusedRecord } from '@/data';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { cardTitle } from './card-title';
import { dayWords } from './day-words';
import { keyWords } from './key-words';

interface ComingListProps {
  readonly name: 'new' | 'changed' | 'gone';
  readonly heading: string;
  readonly records: readonly ComingRecord[];
}

/** Records by their names, with what of each would change. */
export function ComingList({ name, heading, records }: ComingListProps) {
  const w = useWords();
  if (records.length === 0) return null;
  return (
    <section className="text-sm">
      <h2 className="font-semibold">{heading}</h2>
      <ul className="max-h-60 list-disc overflow-y-auto pl-5" data-role={`coming-${name}`} tabIndex={0}>
        {records.map(({ table, id, what, fields }) => (
          <li key={`${table}/${id}`} data-record={`${table}/${id}`}>
            {fields.length === 0 ? factWords(w, what) : w.takeIn.fieldsOf(factWords(w, what), fieldWords(w, fields))}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a file would do and may not: it is left out, and said so. */
export function RefusedList({ refused }: { readonly refused: readonly RefusedRecord[] }) {
  const w = useWords();
  if (refused.length === 0) return null;
  return (
    <section role="note" className="rounded-box border-2 border-warning bg-base-100 p-3 text-sm" data-role="left-out">
      <h2 className="font-semibold">{w.takeIn.leftOut}</h2>
      <p>{refused.some(({ why }) => why === 'no-one-pupil') ? w.takeIn.noOnePupil : w.takeIn.leftOutWhy}</p>
      <ul className="max-h-60 list-disc overflow-y-auto pl-5" tabIndex={0}>
        {refused.map(({ table, id, what, deed, why }) => (
          <li key={`${table}/${id}/${deed}/${why}`} data-record={`${table}/${id}`}>
            {w.takeIn.would(factWords(w, what), deed)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function fieldWords(w: Words, fields: readonly string[]): string {
  const names: Readonly<Record<string, string>> = w.pupils.conflictFields;
  return [...new Set(fields.map((name) => names[name] ?? w.takeIn.somethingElse))].join(', ');
}

/** What a record is, in words. */
function factWords(w: Words, what: RecordFacts): string {
  switch (what.kind) {
    case 'piece':
      return w.takeIn.piece(pieceTitle(what.piece));
    case 'pupil':
      return w.takeIn.pupil(what.name);
    case 'card':
      return w.takeIn.card(cardTitle(w, what.card, what.piece), what.pupil);
    case 'lesson':
      return w.takeIn.lesson(what.pupil, dayOf(what.day));
    case 'run':
      return w.takeIn.run(what.title, keyWords(w, what.key), new Date(what.atMs).toLocaleString());
    case 'answer':
      return w.takeIn.answer(what.asked, what.pupil);
    case 'kept':
      return what.id === 'desk' ? w.takeIn.desk : what.id === 'settings' ? w.takeIn.settings : w.takeIn.carried;
    case 'other':
      return w.takeIn.other(what.id);
  }
}

/** A day as it is written; as it stands where it is none. */
function dayOf(day: string): string {
  return /^\d{4}-\d{2}-\d{2}$/.test(day) ? dayWords(day) : day;
}
