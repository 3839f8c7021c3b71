'use client';

import {
  closestCorners,
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useState, type ReactNode } from 'react';
import type { Week } from '@/core/calendar';
import type { RunFact } from '@/core/teaching';
import { change, type PieceRecord, type PlanEntry, type PupilRecord, type Settings } from '@/data';
import { cardTitle } from '@/features/shared/teaching/card-title';
import { weekWords } from '@/features/shared/teaching/day-words';
import { useGrowing } from '@/features/shared/parts/use-growing';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { copyFor, putDown, WAITING, type Lane } from './lanes';
import { CardLine, WeekCard } from './week-card';

interface WeekBoardProps {
  readonly lanes: readonly Lane[];
  /** What the columns are called by: their weeks, or their pupils. */
  readonly names: 'weeks' | 'pupils';
  readonly pieces: readonly PieceRecord[];
  readonly pupils: readonly PupilRecord[];
  readonly runs: readonly RunFact[];
  readonly settings: Settings;
  readonly thisWeek: Week;
}

/** So many columns fill a window. */
const FIRST_LANES = 16;

/** Cards in columns: carried by pointer and by keyboard, within a column and to another one. */
export function WeekBoard({ lanes, names, pieces, pupils, runs, settings, thisWeek }: WeekBoardProps) {
  const w = useWords();
  const [nowMs] = useState(() => Date.now());
  const [carried, setCarried] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const most = useGrowing(lanes.length, FIRST_LANES);
  const cards = lanes.flatMap((lane) => lane.cards);
  const titleOf = (card: PlanEntry): string => cardTitle(w, card, pieces.find(({ id }) => id === card.piece) ?? null);
  const laneName = (lane: Lane): string =>
    names === 'pupils'
      ? (pupils.find(({ id }) => id === lane.pupil)?.name ?? '')
      : lane.week === null
        ? w.week.waiting
        : lane.week === thisWeek
          ? w.week.thisWeekIs(weekWords(lane.week, settings.firstDay))
          : weekWords(lane.week, settings.firstDay);
  const wordsOf = (id: UniqueIdentifier): string => {
    const card = cards.find((one) => one.id === id);
    const lane = lanes.find((one) => one.id === id);
    return card ? titleOf(card) : lane ? laneName(lane) : '';
  };
  const dropped = ({ active, over }: DragEndEvent): void => {
    setCarried(null);
    if (!over) return;
    const what = putDown(lanes, String(active.id), String(over.id));
    const words = wordsOf(active.id);
    if (what.kind === 'copy') {
      const name = pupils.find(({ id }) => id === what.pupil)?.name ?? '';
      const copy = copyFor(what.card, what.pupil, crypto.randomUUID());
      void change({ kind: 'plan.cards', cards: [copy], atMs: nowMs }, w.week.copiedTo(words, name));
    }
    if (what.kind === 'move') {
      const { id, week, before } = what;
      const where = week === null ? w.week.waiting : weekWords(week, settings.firstDay);
      void change({ kind: 'plan.move', id, week, before }, w.week.movedTo(words, where));
    }
  };
  const held = cards.find(({ id }) => id === carried);
  return (
    <DndContext
      id="weeks"
      sensors={sensors}
      collisionDetection={closestCorners}
      accessibility={{
        announcements: announcementsFor(w, wordsOf),
        screenReaderInstructions: { draggable: w.shared.spaceTakesUpArrows },
      }}
      onDragStart={({ active }) => setCarried(String(active.id))}
      onDragCancel={() => setCarried(null)}
      onDragEnd={dropped}
    >
      <div
        className={
          names === 'weeks'
            ? 'grid gap-3 sm:grid-cols-2 lg:grid-cols-5'
            : 'grid gap-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4'
        }
      >
        {lanes.slice(0, most).map((lane) => (
          <LaneColumn key={lane.id} lane={lane} name={laneName(lane)} isNow={lane.week === thisWeek}>
            {lane.cards.map((card) => (
              <WeekCard
                key={card.id}
                {...{ card, runs, settings, thisWeek }}
                piece={pieces.find(({ id }) => id === card.piece) ?? null}
                pupils={pupils}
              />
            ))}
            {lane.carried.map((card) => (
              <p key={card.id} className="px-2 py-1 text-sm text-secondary">
                {w.week.wentOn(titleOf(card))}
              </p>
            ))}
          </LaneColumn>
        ))}
      </div>
      <DragOverlay dropAnimation={null}>{held ? <CardLine title={titleOf(held)} /> : null}</DragOverlay>
    </DndContext>
  );
}

interface LaneColumnProps {
  readonly lane: Lane;
  readonly name: string;
  readonly isNow: boolean;
  readonly children: ReactNode;
}

function LaneColumn({ lane, name, isNow, children }: LaneColumnProps) {
  const w = useWords();
  const { setNodeRef, isOver } = useDroppable({ id: lane.id });
  return (
    <section
      ref={setNodeRef}
      aria-label={name}
      data-lane={lane.id}
      className={`flex min-h-40 min-w-0 flex-col gap-2 rounded-box p-2 ${isNow ? 'bg-base-300' : 'bg-base-200'} ${isOver ? 'outline-2 outline-primary' : ''} ${lane.id === WAITING ? 'border border-dashed border-secondary' : ''}`}
    >
      <h2 className="px-1 text-sm font-semibold">{name}</h2>
      <SortableContext items={lane.cards.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col gap-2">{children}</ol>
      </SortableContext>
      {lane.cards.length === 0 && lane.carried.length === 0 ? (
        <p className="px-1 text-sm text-secondary">{lane.week === null ? w.week.nothingWaits : w.week.nothingSet}</p>
      ) : null}
    </section>
  );
}

/** What a screen reader hears while a card is carried. */
function announcementsFor(w: Words, wordsOf: (id: UniqueIdentifier) => string): Announcements {
  return {
    onDragStart: ({ active }) => w.shared.isTakenUp(wordsOf(active.id)),
    onDragOver: ({ active, over }) => (over ? w.shared.isAtPlaceOf(wordsOf(active.id), wordsOf(over.id)) : undefined),
    onDragEnd: ({ active, over }) =>
      over ? w.shared.isPutDownAtPlace(wordsOf(active.id), wordsOf(over.id)) : w.shared.isPutDown(wordsOf(active.id)),
    onDragCancel: ({ active }) => w.shared.staysWhereItWas(wordsOf(active.id)),
  };
}
