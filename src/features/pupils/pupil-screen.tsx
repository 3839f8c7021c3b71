'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useMemo } from 'react';
import { CalendarDays, GraduationCap, Hand, ListMusic } from 'lucide-react';
import type { RunFact } from '@/core/teaching';
import { useFacts, usePupils, useSettings, type PupilRecord, type Settings } from '@/data';
import { addressOf } from '@/features/shared/address/address-of';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { oneOf, text } from '@/features/shared/address/query-fields';
import { HandOverMenu } from '@/features/shared/teaching/hand-over-menu';
import { changeQuery, useQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { FactsForm } from './about/facts-form';
import { HandBox } from './about/hand-box';
import { LessonTimes } from './about/lesson-times';
import { RemovalBox } from './about/removal-box';
import { WaysBox } from './about/ways-box';
import { ConflictsBox } from './hand-over/conflicts-box';
import { KeysMap } from './keys/keys-map';

// Charts bring a large script along: it comes with the first of them.
const RecordCharts = dynamic(() => import('./charts/record-charts').then((part) => part.RecordCharts));

const SHOWS = ['keys', 'record', 'about'] as const;
type Show = (typeof SHOWS)[number];

const SHAPE = { pupil: text, show: oneOf<Show, Show>(SHOWS, 'keys') };

/** One pupil: the keys, the record over time, and what is known of the hand and the person. */
export function PupilScreen() {
  const w = useWords();
  const { pupil: id, show } = useQuery(SHAPE);
  const pupils = usePupils();
  const settings = useSettings();
  const ids = useMemo(() => (id === null ? [] : [id]), [id]);
  const facts = useFacts(ids);
  if (!pupils || !settings || !facts) return <p className="p-8">{w.pupils.opening}</p>;
  const pupil = pupils.find((one) => one.id === id);
  if (!pupil) {
    return (
      <p className="p-8">
        {w.pupils.notThere}{' '}
        <Link className="link" href="/pupils">
          {w.pupils.toPupils}
        </Link>
      </p>
    );
  }
  return <OnePupil pupil={pupil} runs={facts.get(pupil.id) ?? []} settings={settings} show={show} />;
}

interface OnePupilProps {
  readonly pupil: PupilRecord;
  readonly runs: readonly RunFact[];
  readonly settings: Settings;
  readonly show: Show;
}

const ICONS = { keys: Hand, record: ListMusic, about: GraduationCap } as const;
const KEYS: Readonly<Record<Show, string>> = { keys: 'k', record: 'r', about: 'a' };

function OnePupil({ pupil, runs, settings, show }: OnePupilProps) {
  const w = useWords();
  const keys = useMemo(
    () =>
      SHOWS.map((one) => ({
        key: KEYS[one],
        does: w.pupils.showPart(w.pupils.parts[one].toLowerCase()),
        act: () => changeQuery({ show: one === 'keys' ? null : one }, 'replace'),
      })),
    [w],
  );
  return (
    <div className="mx-auto max-w-7xl px-4 py-4" data-role="pupil-page" data-pupil={pupil.id}>
      <ScreenKeys keys={keys} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-0">
          <h1 className="text-2xl font-semibold">{pupil.name}</h1>
          <p className="text-sm text-secondary" data-role="hand-facts">
            {[...pupil.groups, w.shared.levelAndReach(pupil.level, pupil.spanMm)].join(' · ')}
          </p>
        </div>
        <span className="join" role="group" aria-label={w.shared.whatIsShown}>
          {SHOWS.map((one) => {
            const Icon = ICONS[one];
            return (
              <button
                key={one}
                type="button"
                data-show={one}
                aria-pressed={show === one}
                className="btn btn-sm join-item h-9 font-normal aria-pressed:bg-base-300 aria-pressed:font-semibold pointer-coarse:h-11"
                onClick={() => changeQuery({ show: one === 'keys' ? null : one }, 'replace')}
              >
                <Icon size={16} aria-hidden /> {w.pupils.parts[one]}
              </button>
            );
          })}
        </span>
        <span className="ml-auto flex flex-wrap gap-2">
          <Link
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            href={addressOf('/lesson', { pupil: pupil.id })}
          >
            <GraduationCap size={16} aria-hidden /> {w.pupils.lesson}
          </Link>
          <Link
            className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
            href={addressOf('/week', { pupil: pupil.id })}
          >
            <CalendarDays size={16} aria-hidden /> {w.pupils.weeks}
          </Link>
          <HandOverMenu pupil={pupil} week={null} />
        </span>
      </div>
      <ConflictsBox pupil={pupil} />
      {show === 'keys' ? <KeysMap pupil={pupil} runs={runs} settings={settings} /> : null}
      {show === 'record' ? <RecordCharts pupil={pupil} runs={runs} settings={settings} /> : null}
      {show === 'about' ? (
        <div className="grid items-start gap-6 lg:grid-cols-2">
          <div className="flex min-w-0 flex-col gap-6">
            <section aria-label={w.pupils.whoItIs}>
              <FactsForm key={pupil.id} pupil={pupil} />
            </section>
            <WaysBox pupil={pupil} />
            <LessonTimes pupil={pupil} />
            <RemovalBox pupil={pupil} />
          </div>
          <HandBox pupil={pupil} />
        </div>
      ) : null}
    </div>
  );
}
