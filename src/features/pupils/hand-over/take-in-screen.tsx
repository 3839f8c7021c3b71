'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Check, FileInput } from 'lucide-react';
import {
  handedOf,
  lookOver,
  readStudioFile,
  takeInHanded,
  usePupils,
  type ComingRecord,
  type LookedOver,
} from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { keepChosen } from '@/features/shared/pupils/choose-pupil';
import { useMessages } from '@/features/shared/shell/messages';
import { ComingList, RefusedList } from '@/features/shared/teaching/coming-list';
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
  const { looked, look } = useLookedOver(named);
  const known = usePupils();
  if (!looked || !known) return <p className="p-8">{w.takeIn.looking}</p>;
  const { handed, coming, refused, unclear, conflicts } = looked;
  const { pupil } = handed;
  const isKnown = known.some(({ id }) => id === pupil?.id);
  const of = (deed: ComingRecord['deed']): readonly ComingRecord[] => coming.filter((one) => one.deed === deed);
  const first = handed.plan.find(({ piece, state }) => piece !== null && state === 'open');
  const takeIn = async (): Promise<void> => {
    const words = w.shared.handOverTakenIn(name);
    // What was changed here since it was looked at is shown anew.
    if (!(await takeInHanded(named, coming, words))) return look();
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
      {coming.length === 0 ? (
        <p className="flex items-center gap-2" data-role="all-here">
          <Check size={18} aria-hidden /> {refused.length + unclear > 0 ? w.takeIn.nothingLeft : w.takeIn.allHere}
        </p>
      ) : (
        <>
          <Counts coming={coming} />
          <ComingList name="changed" heading={w.takeIn.changes(of('change').length)} records={of('change')} />
          <ComingList
            name="gone"
            heading={w.takeIn.goes(of('remove').length)}
            records={of('remove').map(withoutFields)}
          />
        </>
      )}
      <RefusedList refused={refused} />
      {unclear > 0 ? (
        <p role="note" data-role="unclear">
          {w.takeIn.unclear(unclear)}
        </p>
      ) : null}
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

/** How much of each kind comes in. */
function Counts({ coming }: Pick<LookedOver, 'coming'>) {
  const w = useWords();
  const tables = HANDED.filter((table) => coming.some((one) => one.table === table));
  return (
    <table className="text-sm">
      <caption className="sr-only">{w.takeIn.whatComes}</caption>
      <thead>
        <tr className="border-b border-base-300 text-left">
          {[w.takeIn.what, w.settings.newHeading, w.takeIn.changed, w.takeIn.takenOut].map((heading) => (
            <th key={heading} scope="col" className="py-1 pr-3 font-semibold">
              {heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {tables.map((table) => (
          <tr key={table} data-table={table} className="border-base-300 not-last:border-b">
            <th scope="row" className="py-1 text-left font-normal">
              {w.store.lists[table]}
            </th>
            {(['add', 'change', 'remove'] as const).map((deed) => (
              <td key={deed} className="tabular-nums">
                {coming.filter((one) => one.table === table && one.deed === deed).length}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const HANDED = ['pieces', 'pupils', 'plan', 'lessons', 'answers', 'runs'] as const;

/** Of what goes whole no fields are named. */
function withoutFields(record: ComingRecord): ComingRecord {
  return { ...record, fields: [] };
}

/** What would come in, and what looks at it anew. */
function useLookedOver(handed: NamedHanded): { readonly looked: LookedOver | null; readonly look: () => void } {
  const [looked, setLooked] = useState<LookedOver | null>(null);
  const [times, setTimes] = useState(0);
  useEffect(() => {
    let isWanted = true;
    void lookOver(handed).then((found) => {
      if (isWanted) setLooked(found);
    });
    return () => {
      isWanted = false;
    };
  }, [handed, times]);
  return { looked, look: () => setTimes((before) => before + 1) };
}
