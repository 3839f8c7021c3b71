'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { X } from 'lucide-react';
import { goToStop, onTour, STOPS, tourStop } from './tour-state';
import { useWords } from '@/features/shared/words/use-words';
import { withKey } from '../keys/key-caps';

/** The tour: five stops on a demo piece. It can be left at any time, and never comes back by itself. Nothing is blocked: what it speaks of can be tried. */
export function Tour() {
  const w = useWords();
  const at = useSyncExternalStore(onTour, tourStop, () => null);
  const stop = at === null ? undefined : STOPS[at];
  const router = useRouter();
  const box = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!stop) return;
    box.current?.focus();
    return pointAt(stop.at);
  }, [stop]);
  if (at === null || !stop) return null;
  const go = (next: number): void => {
    const wanted = STOPS[next];
    goToStop(wanted ? next : null);
    if (wanted && wanted.path !== stop.path) router.push(wanted.path);
  };
  return (
    <section
      ref={box}
      aria-label={w.tour.stopOf(at + 1, STOPS.length)}
      tabIndex={-1}
      data-role="tour"
      data-stop={at}
      className="fixed bottom-4 left-4 z-50 mb-(--foot) w-[min(26rem,calc(100vw-2rem))] rounded-box border-2 border-primary bg-base-100 p-4 shadow-xl print:hidden"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        goToStop(null);
      }}
    >
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg font-semibold">{w.tour.stops[at]?.title}</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9 shrink-0"
          aria-label={w.tour.leave}
          title={withKey(w.tour.leave, 'Escape')}
          onClick={() => goToStop(null)}
        >
          <X size={18} aria-hidden />
        </button>
      </div>
      <p className="mb-3">{w.tour.stops[at]?.words}</p>
      <div className="flex items-center gap-2">
        <span className="text-sm text-secondary">{w.tour.of(at + 1, STOPS.length)}</span>
        <button type="button" className="btn btn-sm ml-auto h-9" disabled={at === 0} onClick={() => go(at - 1)}>
          {w.tour.back}
        </button>
        <button type="button" className="btn btn-primary btn-sm h-9" data-role="tour-next" onClick={() => go(at + 1)}>
          {at + 1 === STOPS.length ? w.tour.done : w.shared.next}
        </button>
      </div>
    </section>
  );
}

/** Frames what a stop is about as soon as it is there. Gives what takes the frame away. */
function pointAt(selector: string): () => void {
  let found: Element | null = null;
  const look = (): void => {
    if (found?.isConnected) return;
    found = document.querySelector(selector);
    found?.setAttribute('data-toured', '');
  };
  look();
  const watcher = new MutationObserver(look);
  watcher.observe(document.body, { childList: true, subtree: true });
  return () => {
    watcher.disconnect();
    found?.removeAttribute('data-toured');
  };
}
