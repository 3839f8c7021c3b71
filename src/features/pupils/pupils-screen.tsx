'use client';

import { useMemo, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { UserPlus } from 'lucide-react';
import { weekAt } from '@/core/calendar';
import {
  change,
  PUPIL_ORDERS,
  useBriefs,
  useDesk,
  type PupilOrder,
  usePiecesOf,
  usePlanOfWeeks,
  usePupils,
  useSettings,
  type PupilRecord,
} from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { NewPupil } from '@/features/shared/pupils/new-pupil';
import { oneOf, text } from '@/features/shared/address/query-fields';
import { useOwnKeys } from '@/features/shared/teaching/use-own-keys';
import { useGrowing } from '@/features/shared/parts/use-growing';
import { useSame } from '@/features/shared/parts/use-same';
import { changeQuery, useQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { Across } from './across';
import { PupilLine } from './pupil-line';
import { countsOf, groupsOf, rowsOf, wantedRows, type PupilFilter, type PupilRow } from './rows';

type Only = PupilFilter['only'];
type Show = 'list' | 'across';

const SHAPE = {
  group: text,
  only: oneOf<Only, Only>(['all', 'quiet', 'ready'], 'all'),
  show: oneOf<Show, Show>(['list', 'across'], 'list'),
};

/** All pupils at a glance: how this week stands with each, who was not heard, who is ready for the next key. */
export function PupilsScreen() {
  const w = useWords();
  const router = useRouter();
  const address = useQuery(SHAPE);
  const rows = useRows();
  const desk = useDesk();
  const settings = useSettings();
  const [words, setWords] = useState('');
  const [isAdding, setAdding] = useState(false);
  const search = useRef<HTMLInputElement>(null);
  const keys = useMemo(
    () => [
      { key: 'n', does: w.pupils.newPupil, act: () => setAdding(true) },
      { key: '/', does: w.pupils.findPupil, act: () => search.current?.focus() },
    ],
    [w],
  );
  if (!rows || !desk || !settings) return <p className="p-8">{w.pupils.opening}</p>;
  const filter = { words, group: address.group, only: address.only };
  const found = wantedRows(rows, filter, desk.pupilOrder);
  const counts = countsOf(rows);
  const close = (added: PupilRecord | null): void => {
    setAdding(false);
    if (added) router.push(addressOf('/pupil', { pupil: added.id, show: 'about' }));
  };
  return (
    <div className="mx-auto max-w-7xl px-4 py-5" data-role="pupils" data-count={rows.length}>
      <ScreenKeys keys={keys} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-2xl font-semibold">{w.pupils.pupils}</h1>
        <p className="text-sm text-secondary" data-role="count">
          {w.pupils.ofPupils(found.length, rows.length)}
        </p>
        <span className="join" role="group" aria-label={w.shared.whatIsShown}>
          {(['list', 'across'] as const).map((show) => (
            <button
              key={show}
              type="button"
              data-show={show}
              aria-pressed={address.show === show}
              className="btn btn-sm join-item h-9 font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold pointer-coarse:h-11"
              onClick={() => changeQuery({ show: show === 'list' ? null : show }, 'replace')}
            >
              {w.pupils.shows[show]}
            </button>
          ))}
        </span>
        <button
          type="button"
          className="btn btn-primary btn-sm ml-auto h-9 pointer-coarse:h-11"
          data-role="new-pupil"
          onClick={() => setAdding(true)}
        >
          <UserPlus size={16} aria-hidden /> {w.pupils.newPupil}
        </button>
      </div>
      {address.show === 'across' ? (
        <Across pupils={rows.map(({ pupil }) => pupil)} />
      ) : (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
            <input
              ref={search}
              type="search"
              className="input input-sm h-9 w-56 pointer-coarse:h-11"
              aria-label={w.pupils.findPupil}
              placeholder={w.pupils.nameOrGroup}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
            <Narrowing
              groups={groupsOf(
                rows.map(({ pupil }) => pupil),
                w.says.weekdays,
              )}
              {...{ address, counts }}
            />
            <OrderChoice order={desk.pupilOrder} />
          </div>
          <PupilTable rows={found} isEmpty={rows.length === 0} />
        </>
      )}
      {isAdding ? <NewPupil settings={settings} onClose={close} /> : null}
    </div>
  );
}

function OrderChoice({ order: chosen }: { readonly order: PupilOrder }) {
  const w = useWords();
  return (
    <label className="flex items-center gap-1.5">
      {w.pupils.inOrder}
      <select
        className="select select-sm h-9 w-44 pointer-coarse:h-11"
        data-role="pupil-order"
        value={chosen}
        onChange={(event) =>
          void change({
            kind: 'note.desk',
            change: { pupilOrder: PUPIL_ORDERS.find((order) => order === event.target.value) ?? 'name' },
          })
        }
      >
        {PUPIL_ORDERS.map((order) => (
          <option key={order} value={order}>
            {w.pupils.orders[order]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is known of every pupil; undefined until it is read. */
function useRows(): readonly PupilRow[] | undefined {
  const pupils = usePupils();
  const settings = useSettings();
  const names = useMemo(() => pupils?.map(({ id }) => id), [pupils]);
  const briefs = useBriefs(names);
  const [nowMs] = useState(() => Date.now());
  const week = weekAt(nowMs, settings?.firstDay ?? 'monday');
  const plan = usePlanOfWeeks(week, week);
  const ownKeys = useOwnKeys();
  return useMemo(
    () =>
      pupils && briefs && plan && settings ? rowsOf({ pupils, briefs, plan, ownKeys, settings, nowMs }) : undefined,
    [pupils, briefs, plan, ownKeys, settings, nowMs],
  );
}

interface NarrowingProps {
  readonly groups: readonly string[];
  readonly address: { readonly group: string | null; readonly only: 'all' | 'quiet' | 'ready' };
  readonly counts: { readonly quiet: number; readonly ready: number };
}

/** The list for one group, or for those who need a look. */
function Narrowing({ groups, address, counts }: NarrowingProps) {
  const w = useWords();
  const chip = 'btn btn-sm h-9 font-normal aria-pressed:btn-neutral pointer-coarse:h-11';
  return (
    <>
      <span className="flex flex-wrap gap-1" role="group" aria-label={w.pupils.groups}>
        {groups.map((group) => (
          <button
            key={group}
            type="button"
            className={chip}
            data-group={group}
            aria-pressed={address.group === group}
            onClick={() => changeQuery({ group: address.group === group ? null : group }, 'replace')}
          >
            {group}
          </button>
        ))}
      </span>
      <span className="flex flex-wrap gap-1" role="group" aria-label={w.pupils.whoNeedsLook}>
        {(['quiet', 'ready'] as const).map((only) => (
          <button
            key={only}
            type="button"
            className={chip}
            data-only={only}
            aria-pressed={address.only === only}
            onClick={() => changeQuery({ only: address.only === only ? null : only }, 'replace')}
          >
            {only === 'quiet' ? w.pupils.quietCount(counts.quiet) : w.pupils.readyCount(counts.ready)}
          </button>
        ))}
      </span>
    </>
  );
}

/** So many rows fill a window. */
const FIRST_ROWS = 16;

function PupilTable({ rows, isEmpty }: { readonly rows: readonly PupilRow[]; readonly isEmpty: boolean }) {
  const w = useWords();
  const ids = useSame([...new Set(rows.flatMap(({ cards }) => cards.flatMap(({ piece }) => piece ?? [])))]);
  const pieces = usePiecesOf(ids) ?? [];
  const most = useGrowing(rows.length, FIRST_ROWS);
  if (isEmpty) return <p className="py-8 text-center text-lg">{w.pupils.nobodyYet}</p>;
  if (rows.length === 0) return <p className="py-8 text-center text-lg">{w.pupils.nobodyFits}</p>;
  const headings = [w.pupils.name, w.pupils.thisWeek, w.pupils.played, w.pupils.lastHeard, w.pupils.keysHeading];
  return (
    <div
      className="relative overflow-x-auto rounded-box border border-base-300 bg-base-100"
      tabIndex={0}
      role="region"
      aria-label={w.pupils.pupils}
    >
      <table className="w-full border-collapse text-sm">
        <thead>
          <tr className="border-b border-base-300 text-left">
            {headings.map((heading) => (
              <th key={heading} scope="col" className="px-3 py-2 font-semibold">
                {heading}
              </th>
            ))}
            <th scope="col" className="px-3 py-2">
              <span className="sr-only">{w.pupils.goTo}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, most).map((row) => (
            <PupilLine key={row.pupil.id} row={row} pieces={pieces} />
          ))}
        </tbody>
      </table>
    </div>
  );
}
