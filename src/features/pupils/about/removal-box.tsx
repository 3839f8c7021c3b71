'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Download } from 'lucide-react';
import { change, erasePupilForGood, pupilText, useLessons, usePlan, useRunCount, type PupilRecord } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { saveFile } from '@/features/shared/files/save-file';
import { fileWord } from '@/features/shared/teaching/file-word';
import { useWords } from '@/features/shared/words/use-words';

/** One pupil’s data: taken along as a file, taken out so that it can be undone, or removed for good. */
export function RemovalBox({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const router = useRouter();
  const { say } = useMessages();
  const [isSure, setSure] = useState(false);
  const runs = useRunCount(null, pupil.id) ?? 0;
  const cards = usePlan(pupil.id)?.length ?? 0;
  const lessons = useLessons(pupil.id)?.length ?? 0;
  const save = async (): Promise<void> => {
    const name = `${fileWord(pupil.name)}.newthumb-pupil.json`;
    saveFile(name, 'application/json', await pupilText(pupil.id));
    say({ kind: 'done', text: w.pupils.savedAs(name) });
  };
  const takeOut = async (): Promise<void> => {
    if (await change({ kind: 'pupil.remove', id: pupil.id }, w.pupils.takenOut(pupil.name))) return;
    say({ kind: 'done', text: w.pupils.takenOut(pupil.name), hint: w.settings.undoBringsBackWhatWas });
    router.push('/pupils');
  };
  const erase = async (): Promise<void> => {
    if (!(await erasePupilForGood(pupil.id))) return;
    say({ kind: 'done', text: w.pupils.erased(pupil.name) });
    router.push('/pupils');
  };
  return (
    <section aria-labelledby="the-data" className="flex flex-col gap-2">
      <h2 id="the-data" className="border-b border-base-300 pb-1 text-xl font-semibold">
        {w.pupils.theData}
      </h2>
      <p className="text-sm" data-role="what-goes">
        {w.pupils.whatGoes(runs, cards, lessons)}
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
          data-role="save-pupil"
          onClick={() => void save()}
        >
          <Download size={16} aria-hidden /> {w.pupils.savePupil}
        </button>
        <button
          type="button"
          className="btn btn-sm h-9 font-normal text-error pointer-coarse:h-11"
          data-role="take-out"
          onClick={() => void takeOut()}
        >
          {w.pupils.takeOut(pupil.name)}
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm h-9 font-normal text-error pointer-coarse:h-11"
          aria-expanded={isSure}
          data-role="erase"
          onClick={() => setSure(!isSure)}
        >
          {w.pupils.eraseForGood}
        </button>
      </div>
      {isSure ? (
        <div className="flex flex-col gap-2 rounded-box border-2 border-error p-3" role="alert">
          <p>{w.pupils.eraseMeans(pupil.name)}</p>
          <div className="flex gap-2">
            <button
              type="button"
              className="btn btn-error btn-sm h-9 pointer-coarse:h-11"
              data-role="erase-sure"
              onClick={() => void erase()}
            >
              {w.pupils.eraseSure(pupil.name)}
            </button>
            <button type="button" className="btn btn-sm h-9 pointer-coarse:h-11" onClick={() => setSure(false)}>
              {w.shared.leaveIt}
            </button>
          </div>
        </div>
      ) : null}
    </section>
  );
}
