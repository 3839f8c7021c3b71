'use client';

import { useState } from 'react';
import { change, NAMES, type Comparison, type ReadFile, type TakingIn } from '@/data';
import { useMessages } from '@/features/shared/messages';

/** A file that was read and is looked at before it is taken in. */
export interface Looked {
  readonly name: string;
  readonly file: ReadFile;
  readonly compared: readonly Comparison[];
}

const WAYS: readonly { readonly how: TakingIn; readonly words: string; readonly who: string }[] = [
  { how: 'keep', words: 'Add what is new', who: 'where both have something else, what is here stays' },
  {
    how: 'renew',
    words: 'Add what is new, and take the file’s where both have something else',
    who: 'the file is the newer one',
  },
  { how: 'replace', words: 'Make the studio what the file holds', who: 'what only this studio has goes' },
];

interface FilePreviewProps {
  readonly looked: Looked;
  readonly hasOwn: boolean;
  readonly onClose: () => void;
}

/** What is in a studio file, held against what is here, before anything of it is taken in. */
// eslint-disable-next-line max-lines-per-function -- one dialogue: each list of what the file holds is a few lines of markup
export function FilePreview({ looked, hasOwn, onClose }: FilePreviewProps) {
  const { name, file, compared } = looked;
  const { contents, savedAt, remarks, lost } = file;
  const { say } = useMessages();
  const [how, setHow] = useState<TakingIn>(hasOwn || remarks.length > 0 ? 'keep' : 'replace');
  const saved = new Date(savedAt);
  const day = Number.isNaN(saved.getTime())
    ? ''
    : ` of ${saved.toLocaleDateString([], { day: 'numeric', month: 'long', year: 'numeric' })}`;
  const isAllHere = compared.every(({ fresh, differing }) => fresh.length + differing.length === 0);
  const takeIn = async (): Promise<void> => {
    if (await change({ kind: 'studio.take-in', contents, how }, `studio file${day} taken in`)) return;
    say({
      kind: 'done',
      text: `The file is taken in: ${contents.pieces.length} pieces, ${contents.pupils.length} pupils.`,
      hint: 'Undo brings back what was here before.',
    });
    onClose();
  };
  return (
    <article
      aria-label={`In the file ${name}`}
      data-role="file-preview"
      className="mt-4 flex flex-col gap-3 rounded-box border-2 border-primary bg-base-100 p-4"
    >
      <div>
        <h3 className="font-serif text-lg font-semibold break-words">{name}</h3>
        <p className="text-sm text-secondary">A studio file{day}. Nothing of it is taken in yet.</p>
      </div>
      {remarks.map((remark) => (
        <p key={remark} role="alert" className="text-sm font-semibold text-error">
          {remark}
        </p>
      ))}
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-base-300">
            <th scope="col" className="py-1 text-left">
              In the file
            </th>
            {['new', 'something else here', 'the same', 'only here'].map((words) => (
              <th key={words} scope="col" className="py-1 pl-3 text-right">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {compared.map((one) => (
            <Row key={one.table} compared={one} />
          ))}
        </tbody>
      </table>
      {contents.aside.length > 0 ? (
        <p className="text-sm">
          {contents.aside.length === 1 ? 'One thing in it' : `${contents.aside.length} things in it`} cannot be
          understood; taken in, they are listed under “Set aside”, and nothing of them is lost.
        </p>
      ) : null}
      {lost.length > 0 ? (
        <div className="text-sm">
          <p className="font-semibold">What cannot be read at all:</p>
          <ul className="list-disc pl-5" data-role="lost">
            {lost.slice(0, 20).map(({ line, words }) => (
              <li key={line}>
                line {line}: {words}
              </li>
            ))}
            {lost.length > 20 ? <li>… and {lost.length - 20} more</li> : null}
          </ul>
        </div>
      ) : null}
      {isAllHere ? <p>This studio holds all of it already.</p> : null}
      <fieldset className="flex flex-col">
        <legend className="sr-only">How to take it in</legend>
        {WAYS.map((way) => (
          <label key={way.how} className="flex min-h-9 cursor-pointer items-center gap-3 py-1">
            <input
              type="radio"
              className="radio radio-sm"
              name="take-in"
              value={way.how}
              checked={how === way.how}
              onChange={() => setHow(way.how)}
            />
            <span>
              {way.words} <span className="text-sm text-secondary">{way.who}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <div className="flex gap-2">
        <button type="button" className="btn btn-primary btn-sm h-9" onClick={() => void takeIn()}>
          Take it in
        </button>
        <button type="button" className="btn btn-sm h-9" onClick={onClose}>
          Leave it
        </button>
      </div>
    </article>
  );
}

function Row({ compared: { table, fresh, differing, same, missing } }: { readonly compared: Comparison }) {
  return (
    <tr data-table={table}>
      <th scope="row" className="py-1 text-left font-normal">
        {NAMES[table]}
      </th>
      {[fresh.length, differing.length, same, missing.length].map((count, i) => (
        <td key={i} className="py-1 pl-3 text-right tabular-nums">
          {count}
        </td>
      ))}
    </tr>
  );
}
