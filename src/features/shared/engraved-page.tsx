'use client';

import { useEffect, useRef, useState } from 'react';
import type { EngravingPage } from '@/core/write';
import type { EngraveLayout } from '@/workers/protocol';
import { askEngraving } from '@/workers/questions';

interface EngravedPageProps {
  readonly page: EngravingPage;
  readonly layout: EngraveLayout;
  readonly label: string;
  /** Ids of notes to point at, and of those sounding at the selected moment. */
  readonly pointed?: readonly string[];
  readonly now?: readonly string[];
  readonly onNote?: (id: string) => void;
}

const NONE: readonly string[] = [];

/** Which page is drawn, and for which width. */
interface EngravedState {
  readonly page: EngravingPage | null;
  readonly widthPx: number;
}

const NOTHING_DRAWN: EngravedState = { page: null, widthPx: 0 };

/** A page of music, engraved in its worker, system by system. While a new one is made the old one stays. */
export function EngravedPage({ page, layout, label, pointed = NONE, now = NONE, onNote }: EngravedPageProps) {
  const holder = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<EngravedState>(NOTHING_DRAWN);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { widthPx, zoom, breaks } = layout;

  useEffect(() => {
    let isWanted = true;
    void askEngraving(page, { widthPx, zoom, breaks }).then((answer) => {
      if (!isWanted || !holder.current) return;
      setTrouble(answer.ok ? null : `${answer.trouble.message} ${answer.trouble.hint}`);
      if (!answer.ok) return;
      holder.current.innerHTML = answer.value.map((system) => `<div class="system">${system}</div>`).join('');
      setDrawn({ page, widthPx });
    });
    return () => {
      isWanted = false;
    };
  }, [page, widthPx, zoom, breaks]);

  useEffect(() => {
    mark(holder.current, 'is-pointed', pointed);
    mark(holder.current, 'is-now', now);
  }, [drawn, pointed, now]);

  return (
    <figure aria-label={label} aria-busy={drawn.page !== page || drawn.widthPx !== widthPx}>
      {trouble === null ? null : <p className="p-2 text-error">{trouble}</p>}
      {drawn.page === null && trouble === null ? <div className="skeleton h-24 w-full" aria-hidden /> : null}
      <div
        ref={holder}
        aria-hidden
        className="engraved"
        onClick={(event) => {
          const note = (event.target as Element).closest('g.note');
          if (note && onNote) onNote(note.id);
        }}
      />
    </figure>
  );
}

function mark(holder: HTMLElement | null, className: string, ids: readonly string[]): void {
  if (!holder) return;
  holder.querySelectorAll(`.${className}`).forEach((found) => found.classList.remove(className));
  for (const id of ids) holder.querySelector(`#${CSS.escape(id)}`)?.classList.add(className);
}
