import type { MouseEvent } from 'react';
import { sightOf } from './in-sight';

/** A finger covers so much beside what it points at. Unit: px. */
const FINGER_PX = 24;

/** The note that was pressed, or the nearest one within reach. */
export function noteAt(event: MouseEvent, reachPx: number): Element | null {
  const { nativeEvent, clientX, clientY } = event;
  const path = nativeEvent.composedPath();
  const isPlace = (place: EventTarget): place is Element => place instanceof Element;
  const exact = path.find((place) => isPlace(place) && place.matches('g.note')) as Element | undefined;
  if (exact) return exact;
  const isTouch = nativeEvent instanceof PointerEvent && nativeEvent.pointerType === 'touch';
  const reach = Math.max(reachPx, isTouch ? FINGER_PX : 0);
  const system = path.find((place) => isPlace(place) && place.matches('.system')) as Element | undefined;
  if (reach === 0 || !system) return null;
  const near = [...system.querySelectorAll('g.notehead')].map((head) => {
    const { left, right, top, bottom } = head.getBoundingClientRect();
    return { head, away: Math.hypot((left + right) / 2 - clientX, (top + bottom) / 2 - clientY) };
  });
  const nearest = near.toSorted((a, b) => a.away - b.away)[0];
  return nearest && nearest.away <= reach ? nearest.head.closest('g.note') : null;
}

/** Scrolls to a note that is not seen: to its whole system where there is room for that. */
export function bringIntoSight(note: Element | null | undefined): void {
  if (!note) return;
  const [own, sight] = [note.getBoundingClientRect(), sightOf(note)];
  if (own.top >= sight.top && own.bottom <= sight.bottom) return;
  const system = note.closest('.system');
  const fits = system !== null && system.getBoundingClientRect().height <= sight.bottom - sight.top;
  (fits ? system : note).scrollIntoView({ block: 'center', behavior: calmly() });
}

/** Whether things may move: not where the teacher's device asks for calm. */
function calmly(): ScrollBehavior {
  return matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth';
}
