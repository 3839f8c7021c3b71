'use client';

import type { ReactNode } from 'react';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { useWords, type Words } from '../words/use-words';

interface SortableListProps {
  /** Names the list among others on the page. */
  readonly id: string;
  readonly names: readonly string[];
  /** What an entry is called to a screen reader. */
  readonly wordsOf: (name: string) => string;
  readonly isFixed?: boolean;
  /** Told all names in their new order. */
  readonly onOrder: (names: readonly string[]) => void;
  readonly children: ReactNode;
}

/** Entries that can be put into another order, by pointer and by keyboard. */
export function SortableList({ id, names, wordsOf, isFixed = false, onOrder, children }: SortableListProps) {
  const w = useWords();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    onOrder(arrayMove([...names], names.indexOf(String(active.id)), names.indexOf(String(over.id))));
  };
  return (
    <DndContext
      id={id}
      accessibility={{
        announcements: announcementsFor(w, wordsOf),
        screenReaderInstructions: { draggable: w.shared.spaceTakesUpArrows },
      }}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={dropped}
    >
      <SortableContext items={[...names]} strategy={verticalListSortingStrategy} disabled={isFixed}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** What a screen reader hears while an entry is carried. */
function announcementsFor(w: Words, wordsOf: (name: string) => string): Announcements {
  const words = (id: UniqueIdentifier): string => wordsOf(String(id));
  return {
    onDragStart: ({ active }) => w.shared.isTakenUp(words(active.id)),
    onDragOver: ({ active, over }) => (over ? w.shared.isAtPlaceOf(words(active.id), words(over.id)) : undefined),
    onDragEnd: ({ active, over }) =>
      over ? w.shared.isPutDownAtPlace(words(active.id), words(over.id)) : w.shared.isPutDown(words(active.id)),
    onDragCancel: ({ active }) => w.shared.staysWhereItWas(words(active.id)),
  };
}

/** An entry of a sortable list: where it is drawn while it is carried, and what its grip needs. */
export function useSortableEntry(name: string) {
  const { setNodeRef, transform, transition, attributes, listeners } = useSortable({ id: name });
  return {
    place: { ref: setNodeRef, style: { transform: CSS.Translate.toString(transform), transition } },
    grip: { ...attributes, ...listeners },
  };
}

/** What an entry is carried by. */
export function Grip({
  grip,
  label,
}: {
  readonly grip: ReturnType<typeof useSortableEntry>['grip'];
  readonly label: string;
}) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square size-8 shrink-0 cursor-grab touch-none pointer-coarse:size-11 print:hidden"
      {...grip}
      aria-label={label}
    >
      <GripVertical size={16} aria-hidden />
    </button>
  );
}
