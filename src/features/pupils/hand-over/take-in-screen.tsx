'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Check, FileInput } from 'lucide-react';
import { handedOf, lookOver, readStudioFile, takeInHanded, usePupils, type LookedOver } from '@/data';
import { addressOf } from '@/features/shared/address-of';
import { keepChosen } from '@/features/shared/choose-pupil';
import { useMessages } from '@/features/shared/messages';
import { handedIn, isHandOverLink } from '@/features/shared/teaching/hand-over-link';
import { useHanded, type NamedHanded } from '@/features/shared/teaching/handed';
import { useWords } from '@/features/shared/words/use-words';

/** What was handed over, before anything of it comes in: by a file that was dropped, or in the address. */
export function TakeInScreen() {
  const w = useWords();
  const dropped = useHanded();
  const linked = useLinked();
  // What is in the address is what was asked for last.
  const handed = linked.handed ?? dropped;
  if (linked.trouble) {
    return (
      <p className="p-8" role="alert">
        {linked.trouble} {w.shared.handOverAgain}
      </p>
    );
  }
  if (!handed) return <p className="p-8">{w.takeIn.nothing}</p>;
  return <Coming key={handed.name} named={handed} />;
}

/** What stands behind the hash of the address, once it is read. */
function useLinked(): { readonly handed: NamedHanded | null; readonly trouble: string | null } {
  const w = useWords();
  const [state, setState] = useState<ReturnType<typeof useLinked>>({ handed: null, trouble: null });
  useEffect(() => {
    const read = (): void => {
      const text = handedIn(location.hash);
      if (text === null) {
        if (isHandOverLink(location.hash)) setState({ handed: null, trouble: w.takeIn.noHandOver });
        return;
      }
      const found = readStudioFile(w.store, text);
      const own = found.ok ? handedOf(found.value) : null;
      const remarks = found.ok ? found.value.remarks : [found.error.message];
      if (own && remarks.length === 0) setState({ handed: { ...own, name: w.takeIn.link }, trouble: null });
      else setState({ handed: null, trouble: remarks.join(' ') || w.takeIn.noHandOver });
    };
    read();
    window.addEventListener('hashchange', read);
    return () => window.removeEventListener('hashchange', read);
  }, [w]);
  return state;
}

function Coming({ named }: { readonly named: NamedHanded }) {
  const w = useWords();
  const { name } = named;
  const router = useRouter();
  const { say } = useMessages();
  const looked = useLookedOver(named);
  const known = usePupils();
  if (!looked || !known) return <p className="p-8">{w.takeIn.looking}</p>;
  const { handed, coming, conflicts } = looked;
  const { pupil } = handed;
  const isKnown = known.some(({ id }) => id === pupil?.id);
  const some = coming.filter(({ fresh, changed, gone }) => fresh + changed + gone > 0);
  const first = handed.plan.find(({ piece, state }) => piece !== null && state === 'open');
  const takeIn = async (): Promise<void> => {
    const words = w.shared.handOverTakenIn(name);
    if (!(await takeInHanded(named, words))) return;
    // Who comes back to the teacher is met in the lesson. Who is at home has the page for the music: nothing lies over it.
    if (!pupil || (isKnown && handed.runs > 0)) {
      say({ kind: 'done', text: words, hint: w.settings.undoBringsBackWhatWas });
      return router.push(pupil ? addressOf('/lesson', { pupil: pupil.id }) : '/');
    }
    keepChosen(pupil.id);
    router.push(
      first
        ? addressOf('/practice', {
            piece: first.piece,
            key: first.key,
            stage: first.stage,
            pupil: pupil.id,
            step: 'next',
          })
        : addressOf('/week', { pupil: pupil.id }),
    );
  };
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-4 px-4 py-6" data-role="take-in">
      <h1 className="text-2xl font-semibold">{pupil ? w.takeIn.from(pupil.name) : name}</h1>
      <p className="text-sm text-secondary">{w.takeIn.nothingYet(name)}</p>
      {some.length === 0 ? (
        <p className="flex items-center gap-2" data-role="all-here">
          <Check size={18} aria-hidden /> {w.takeIn.allHere}
        </p>
      ) : (
        <table className="text-sm">
          <caption className="sr-only">{w.takeIn.whatComes}</caption>
          <thead>
            <tr className="border-b border-base-300 text-left">
              {[w.takeIn.what, w.settings.newHeading, w.takeIn.changed, w.takeIn.goes].map((heading) => (
                <th key={heading} scope="col" className="py-1 pr-3 font-semibold">
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {some.map(({ table, fresh, changed, gone }) => (
              <tr key={table} data-table={table} className="border-base-300 not-last:border-b">
                <th scope="row" className="py-1 text-left font-normal">
                  {w.store.lists[table]}
                </th>
                {[fresh, changed, gone].map((count, i) => (
                  <td key={i} className="tabular-nums">
                    {count}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {conflicts.length > 0 ? (
        <p role="note" data-role="will-conflict">
          {w.takeIn.bothChanged(conflicts.length)}
        </p>
      ) : null}
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-primary h-11"
          data-role="take-it-in"
          autoFocus
          onClick={() => void takeIn()}
        >
          <FileInput size={18} aria-hidden /> {w.settings.takeItIn}
        </button>
        <Link className="btn h-11" href="/">
          {w.shared.leaveIt}
        </Link>
      </div>
    </div>
  );
}

function useLookedOver(handed: NamedHanded): LookedOver | null {
  const [looked, setLooked] = useState<LookedOver | null>(null);
  useEffect(() => {
    let isWanted = true;
    void lookOver(handed).then((found) => {
      if (isWanted) setLooked(found);
    });
    return () => {
      isWanted = false;
    };
  }, [handed]);
  return looked;
}
