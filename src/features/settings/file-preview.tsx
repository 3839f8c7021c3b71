'use client';

import { useEffect, useState } from 'react';
import {
  change,
  harmIn,
  harmOfFile,
  type Comparison,
  type ComingRecord,
  type ReadFile,
  type StudioContents,
  type TakingIn,
} from '@/data';
import { ComingList } from '@/features/shared/teaching/coming-list';
import { Busy, shownFirst } from './busy';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** So many places that cannot be read are listed. */
const SHOWN_LOST = 20;

/** A file that was read and is looked at before it is taken in. */
export interface Looked {
  readonly name: string;
  readonly file: ReadFile;
  readonly compared: readonly Comparison[];
}

const ways = (w: Words): readonly { readonly how: TakingIn; readonly words: string; readonly who: string }[] => [
  { how: 'keep', words: w.settings.addWhatIsNew, who: w.settings.whereBothHaveSomethingElse },
  {
    how: 'renew',
    words: w.settings.addWhatIsNewAnd,
    who: w.settings.fileIsNewerOne,
  },
  { how: 'replace', words: w.settings.makeStudioWhatFileHolds, who: w.settings.whatOnlyThisStudioHas },
];

interface FilePreviewProps {
  readonly looked: Looked;
  readonly hasOwn: boolean;
  readonly onClose: () => void;
}

/** What is in a studio file, held against what is here, before anything of it is taken in. */
export function FilePreview({ looked, hasOwn, onClose }: FilePreviewProps) {
  const w = useWords();
  const { name, file, compared } = looked;
  const { contents, savedAt, remarks, lost } = file;
  const { say } = useMessages();
  const [how, setHow] = useState<TakingIn>(hasOwn || remarks.length > 0 ? 'keep' : 'replace');
  const saved = new Date(savedAt);
  const day = Number.isNaN(saved.getTime())
    ? ''
    : w.settings.savedOn(saved.toLocaleDateString([], { day: 'numeric', month: 'long', year: 'numeric' }));
  const { harm, look } = useHarm(contents, how);
  const isAllHere = compared.every(({ fresh, differing }) => fresh.length + differing.length === 0);
  const [isBusy, setBusy] = useState(false);
  const [part, setPart] = useState<number | null>(null);
  const takeIn = async (): Promise<void> => {
    await shownFirst(() => setBusy(true));
    const listed = harmIn(harm ?? []);
    const command = { kind: 'studio.take-in', contents, how, file: 'studio', listed } as const;
    const fault = await change(command, w.settings.studioFileTakenIn(day), { onPart: setPart }).finally(() => {
      setBusy(false);
      setPart(null);
    });
    // What was changed here since it was looked at is listed anew.
    if (fault) return look();
    say({
      kind: 'done',
      text: w.settings.fileIsTakenInPieces(contents.pieces.length, contents.pupils.length),
      hint: w.settings.undoBringsBackWhatWas,
    });
    onClose();
  };
  return (
    <article
      aria-label={w.settings.inFile(name)}
      data-role="file-preview"
      className="mt-4 flex flex-col gap-3 rounded-box border-2 border-primary bg-base-100 p-4"
    >
      <div>
        <h3 className="font-serif text-lg font-semibold break-words">{name}</h3>
        <p className="text-sm text-secondary">{w.settings.studioFileNothingOfIt(day)}</p>
      </div>
      {remarks.map((remark) => (
        <p key={remark} role="alert" className="text-sm font-semibold text-error">
          {remark}
        </p>
      ))}
      <Compared compared={compared} />
      {contents.aside.length > 0 ? (
        <p className="text-sm">{w.settings.cannotBeUnderstoodTakenIn(contents.aside.length)}</p>
      ) : null}
      <Lost lost={lost} />
      {isAllHere ? <p>{w.settings.thisStudioHoldsAllOf}</p> : null}
      <fieldset className="flex flex-col">
        <legend className="sr-only">{w.settings.howToTakeItIn}</legend>
        {ways(w).map((way) => (
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
      <Harm harm={harm} />
      <Busy words={isBusy ? w.settings.takingIn(contents.runs.length) : null} part={part} />
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-primary btn-sm h-9"
          disabled={isBusy || harm === null}
          onClick={() => void takeIn()}
        >
          {w.settings.takeItIn}
        </button>
        <button type="button" className="btn btn-sm h-9" onClick={onClose}>
          {w.shared.leaveIt}
        </button>
      </div>
    </article>
  );
}

/** How much of each kind is in the file, and here. */
function Compared({ compared }: Pick<Looked, 'compared'>) {
  const w = useWords();
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="border-b border-base-300">
          <th scope="col" className="py-1 text-left">
            {w.settings.inFileHeading}
          </th>
          {[w.settings.newHeading, w.settings.somethingElseHere, w.shared.same, w.settings.onlyHere].map((words) => (
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
  );
}

/** What the file would change here and take out, by names: looked at before anything is done. */
function Harm({ harm }: { readonly harm: readonly ComingRecord[] | null }) {
  const w = useWords();
  if (harm === null) return <p className="text-sm">{w.settings.comparingFile}</p>;
  const of = (deed: ComingRecord['deed']): readonly ComingRecord[] => harm.filter((one) => one.deed === deed);
  const [changed, gone] = [of('change'), of('remove').map((one) => ({ ...one, fields: [] }))];
  return (
    <>
      <ComingList name="changed" heading={w.takeIn.changes(changed.length)} records={changed} />
      <ComingList name="gone" heading={w.takeIn.goes(gone.length)} records={gone} />
    </>
  );
}

/** Null until it is known. */
function useHarm(
  contents: StudioContents,
  how: TakingIn,
): { readonly harm: readonly ComingRecord[] | null; readonly look: () => void } {
  const [found, setFound] = useState<{ readonly how: TakingIn; readonly harm: readonly ComingRecord[] } | null>(null);
  const [times, setTimes] = useState(0);
  useEffect(() => {
    let isWanted = true;
    void harmOfFile(contents, how).then((harm) => {
      if (isWanted) setFound({ how, harm });
    });
    return () => {
      isWanted = false;
    };
  }, [contents, how, times]);
  return { harm: found?.how === how ? found.harm : null, look: () => setTimes((before) => before + 1) };
}

/** What could not be read at all, by its line. */
function Lost({ lost }: Pick<ReadFile, 'lost'>) {
  const w = useWords();
  if (lost.length === 0) return null;
  return (
    <div className="text-sm">
      <p className="font-semibold">{w.settings.whatCannotBeReadAt}</p>
      <ul className="list-disc pl-5" data-role="lost">
        {lost.slice(0, SHOWN_LOST).map(({ line, words }) => (
          <li key={line}>{w.settings.line(line, words)}</li>
        ))}
        {lost.length > SHOWN_LOST ? <li>{w.settings.andMore(lost.length - SHOWN_LOST)}</li> : null}
      </ul>
    </div>
  );
}

function Row({ compared: { table, fresh, differing, same, missing } }: { readonly compared: Comparison }) {
  const w = useWords();
  return (
    <tr data-table={table}>
      <th scope="row" className="py-1 text-left font-normal">
        {w.store.lists[table]}
      </th>
      {[fresh.length, differing.length, same, missing.length].map((count, i) => (
        <td key={i} className="py-1 pl-3 text-right tabular-nums">
          {count}
        </td>
      ))}
    </tr>
  );
}
