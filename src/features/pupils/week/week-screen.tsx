'use client';

import { useCallback, useMemo, useState } from 'react';
import { isDay, isWeek, weekAt, weeksAfter, type Week } from '@/core/calendar';
import {
  useFacts,
  usePieces,
  usePlan,
  usePlanOfWeeks,
  usePupils,
  useSettings,
  type PieceRecord,
  type PupilRecord,
  type Settings,
} from '@/data';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { text, type FieldReader } from '@/features/shared/address/query-fields';
import { changeQuery, useQuery } from '@/features/shared/address/use-query';
import { useWords } from '@/features/shared/words/use-words';
import { AddCard } from './add-card';
import { pupilLanes, weekLanes } from './lanes';
import { WeekBoard } from './week-board';
import { WeekHead } from './week-head';
import { WeekSheet } from './week-sheet';
import { WeekTools } from './week-tools';

const week: FieldReader<Week | null> = (said) => (said !== null && isDay(said) && isWeek(said) ? said : null);
const SHAPE = { pupil: text, week, group: text };

/** What is set, week by week: of one pupil, or of all of them for one week. */
export function WeekScreen() {
  const w = useWords();
  const address = useQuery(SHAPE);
  const pupils = usePupils();
  const settings = useSettings();
  const pieces = usePieces();
  const [nowMs] = useState(() => Date.now());
  if (!pupils || !settings || !pieces) return <p className="p-8">{w.week.opening}</p>;
  const thisWeek = weekAt(nowMs, settings.firstDay);
  const shown = address.week ?? thisWeek;
  const pupil = pupils.find(({ id }) => id === address.pupil) ?? null;
  const common = { settings, pieces, thisWeek, shown };
  return pupil ? (
    <PupilWeeks key={pupil.id} {...common} pupil={pupil} pupils={pupils} />
  ) : (
    <AllPupilsWeek
      {...common}
      all={pupils}
      pupils={pupils.filter(({ groups }) => address.group === null || groups.includes(address.group))}
      group={address.group}
    />
  );
}

interface CommonProps {
  readonly settings: Settings;
  readonly pieces: readonly PieceRecord[];
  readonly thisWeek: Week;
  readonly shown: Week;
}

interface PupilWeeksProps extends CommonProps {
  readonly pupil: PupilRecord;
  readonly pupils: readonly PupilRecord[];
}

function PupilWeeks({ pupil, pupils, settings, pieces, thisWeek, shown }: PupilWeeksProps) {
  const w = useWords();
  const plan = usePlan(pupil.id);
  const ids = useMemo(() => [pupil.id], [pupil.id]);
  const runs = useFacts(ids)?.get(pupil.id);
  const [isAdding, setAdding] = useState(false);
  const lanes = useMemo(() => (plan ? pupilLanes(plan, pupil.id, shown) : []), [plan, pupil.id, shown]);
  const open = useCallback(() => setAdding(true), []);
  const keys = useWeekKeys(shown, open);
  if (!plan || !runs) return <p className="p-8">{w.week.opening}</p>;
  return (
    <div className="mx-auto max-w-7xl px-4 py-4" data-role="week" data-pupil={pupil.id} data-week={shown}>
      <ScreenKeys keys={keys} />
      <div className="print:hidden">
        <WeekHead {...{ pupils, pupil, shown, thisWeek }} first={settings.firstDay} group={null} />
        <WeekTools
          {...{ pieces, plan, settings, shown, thisWeek }}
          pupils={[pupil]}
          isAdding={isAdding}
          onAdd={() => setAdding(!isAdding)}
        />
        {isAdding ? <AddCard {...{ pupil, pieces, settings, shown }} onClose={() => setAdding(false)} /> : null}
        <WeekBoard {...{ lanes, pieces, pupils, runs, settings, thisWeek }} names="weeks" />
      </div>
      <WeekSheet pupils={[pupil]} {...{ plan, pieces, shown }} first={settings.firstDay} />
    </div>
  );
}

interface AllPupilsWeekProps extends CommonProps {
  readonly all: readonly PupilRecord[];
  readonly pupils: readonly PupilRecord[];
  readonly group: string | null;
}

function AllPupilsWeek({ all, pupils, group, settings, pieces, thisWeek, shown }: AllPupilsWeekProps) {
  const w = useWords();
  // What is left of the week before may be carried over.
  const plan = usePlanOfWeeks(weeksAfter(shown < thisWeek ? shown : thisWeek, -1), shown);
  const lanes = useMemo(() => (plan ? weekLanes(plan, pupils, shown) : []), [plan, pupils, shown]);
  const keys = useWeekKeys(shown, null);
  const noRuns = useMemo((): readonly never[] => [], []);
  if (!plan) return <p className="p-8">{w.week.opening}</p>;
  return (
    <div className="mx-auto max-w-7xl px-4 py-4" data-role="week" data-week={shown}>
      <ScreenKeys keys={keys} />
      <div className="print:hidden">
        <WeekHead pupils={all} pupil={null} {...{ shown, thisWeek, group }} first={settings.firstDay} />
        <WeekTools {...{ pieces, plan, settings, shown, thisWeek, pupils }} isAdding={false} onAdd={null} />
        {pupils.length === 0 ? <p className="py-8 text-center text-lg">{w.pupils.nobodyYet}</p> : null}
        <WeekBoard {...{ lanes, pieces, pupils, settings, thisWeek }} runs={noRuns} names="pupils" />
      </div>
      <WeekSheet {...{ pupils, plan, pieces, shown }} first={settings.firstDay} />
    </div>
  );
}

function useWeekKeys(shown: Week, onAdd: (() => void) | null) {
  const w = useWords();
  return useMemo(
    () => [
      { key: '[', does: w.week.weekBefore, act: () => changeQuery({ week: weeksAfter(shown, -1) }, 'replace') },
      { key: ']', does: w.week.weekAfter, act: () => changeQuery({ week: weeksAfter(shown, 1) }, 'replace') },
      { key: 't', does: w.week.toThisWeek, act: () => changeQuery({ week: null }, 'replace') },
      ...(onAdd ? [{ key: 'n', does: w.week.newCard, act: onAdd }] : []),
    ],
    [w, shown, onAdd],
  );
}
