'use client';

import {
  DndContext,
  pointerWithin,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import type { ReactNode } from 'react';
import type { HandoutPart } from '@/core/paper';
import type { PrintedPage } from '@/print/page';

/** A stretch of a page that a part of the handout takes. Places in points. */
interface Region {
  readonly part: HandoutPart;
  readonly top: number;
  readonly bottom: number;
}

/** The stretches of a page, one a part. */
export function regionsOf({ parts }: PrintedPage): readonly Region[] {
  const regions = new Map<HandoutPart, Region>();
  for (const { place } of parts) {
    if (place === null) continue;
    const known = regions.get(place.part);
    regions.set(place.part, {
      part: place.part,
      top: Math.min(known?.top ?? Infinity, place.top),
      bottom: Math.max(known?.bottom ?? 0, place.bottom),
    });
  }
  return [...regions.values()];
}

/** The order in which one part stands at the place of another. */
export function carriedTo(order: readonly HandoutPart[], part: HandoutPart, over: HandoutPart): readonly HandoutPart[] {
  const others = order.filter((one) => one !== part);
  const at = others.indexOf(over) + (order.indexOf(part) < order.indexOf(over) ? 1 : 0);
  return [...others.slice(0, at), part, ...others.slice(at)];
}

interface CarriedPartsProps {
  readonly order: readonly HandoutPart[];
  readonly onOrder: (order: readonly HandoutPart[]) => void;
  readonly children: ReactNode;
}

/** Lets parts be carried on the pages themselves by pointer; by keyboard they are carried in the list beside. */
export function CarriedParts({ order, onOrder, children }: CarriedPartsProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const dropped = ({ active, over }: DragEndEvent): void => {
    const [part, target] = [active.data.current?.['part'], over?.data.current?.['part']] as (HandoutPart | undefined)[];
    if (part && target && part !== target) onOrder(carriedTo(order, part, target));
  };
  return (
    <DndContext id="handout-pages" sensors={sensors} collisionDetection={pointerWithin} onDragEnd={dropped}>
      {children}
    </DndContext>
  );
}

interface PartOnPageProps {
  readonly region: Region;
  readonly page: PrintedPage;
  readonly number: number;
}

/** A part on a page: taken up where it stands, and dropped where another one is. */
export function PartOnPage({ region: { part, top, bottom }, page, number }: PartOnPageProps) {
  const id = `${number}/${part}`;
  const { setNodeRef: drag, listeners, transform, isDragging } = useDraggable({ id, data: { part } });
  const { setNodeRef: drop, isOver } = useDroppable({ id, data: { part }, disabled: isDragging });
  return (
    <div
      ref={(element) => {
        drag(element);
        drop(element);
      }}
      {...listeners}
      data-carry={part}
      className={`absolute inset-x-0 cursor-grab touch-none rounded-sm outline-primary print:hidden ${
        isDragging
          ? 'bg-primary/10 outline-2'
          : isOver
            ? 'border-t-4 border-primary'
            : 'hover:outline-1 hover:outline-dashed'
      }`}
      style={{
        top: `${(top / page.height) * 100}%`,
        height: `${((bottom - top) / page.height) * 100}%`,
        transform: transform ? `translateY(${transform.y}px)` : undefined,
      }}
    />
  );
}
