'use client';

import { useEffect, useRef, useState, type MouseEvent } from 'react';
import type { EngravingPage } from '@/core/write';
import type { EngraveLayout } from '@/workers/protocol';
import { askEngraving } from '@/workers/questions';
import { ENGRAVING_STYLE } from './engraving-style';

interface EngravedPageProps {
  readonly page: EngravingPage;
  readonly layout: EngraveLayout;
  readonly label: string;
  /** Whether a system fills the width there is, or keeps to a fixed height. */
  readonly fits?: 'width' | 'height';
  /** Ids of notes to point at, and of those sounding at the selected moment. */
  readonly pointed?: readonly string[];
  readonly now?: readonly string[];
  /** Ids of notes that the signature alters. */
  readonly signed?: readonly string[];
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
export function EngravedPage({ page, layout, label, fits = 'width', pointed = NONE, now = NONE, signed = NONE, onNote }: EngravedPageProps) {
  const holder = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<EngravedState>(NOTHING_DRAWN);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { widthPx, zoom, breaks } = layout;

  useEffect(() => {
    let isWanted = true;
    const show = async (): Promise<void> => {
      const answer = await askEngraving(page, { widthPx, zoom, breaks });
      if (!isWanted || !holder.current) return;
      setTrouble(answer.ok ? null : `${answer.trouble.message} ${answer.trouble.hint}`);
      if (!answer.ok) return;
      const systems = answer.value.map((system) => `<div class="system">${system}</div>`);
      paperOf(holder.current).innerHTML = systems.join('');
      setDrawn({ page, widthPx });
    };
    show().catch(() => {
      if (isWanted) setTrouble('The engraver could not be started. Reload the page to try again; the piece is kept.');
    });
    return () => {
      isWanted = false;
    };
  }, [page, widthPx, zoom, breaks]);

  useEffect(() => {
    if (!holder.current) return;
    mark(paperOf(holder.current), 'is-pointed', pointed);
    mark(paperOf(holder.current), 'is-now', now);
    mark(paperOf(holder.current), 'is-signed', signed);
  }, [drawn, pointed, now, signed]);

  const press = (event: MouseEvent): void => {
    const path = event.nativeEvent.composedPath();
    const note = path.find((place): place is Element => place instanceof Element && place.matches('g.note'));
    if (note && onNote) onNote(note.id);
  };
  return (
    <figure aria-label={label} aria-busy={drawn.page !== page || drawn.widthPx !== widthPx}>
      {trouble === null ? null : <p className="p-2 text-error">{trouble}</p>}
      {drawn.page === null && trouble === null ? <div className="skeleton h-24 w-full" aria-hidden /> : null}
      <div ref={holder} aria-hidden data-role="engraving" data-fits={fits} onClick={press} />
    </figure>
  );
}

/** The shadow tree that holds the engraving. */
function paperOf(holder: HTMLElement): ShadowRoot {
  if (holder.shadowRoot) return holder.shadowRoot;
  const paper = holder.attachShadow({ mode: 'open' });
  const style = new CSSStyleSheet();
  style.replaceSync(ENGRAVING_STYLE);
  paper.adoptedStyleSheets = [style];
  return paper;
}

function mark(paper: ShadowRoot, className: string, ids: readonly string[]): void {
  paper.querySelectorAll(`.${className}`).forEach((found) => found.classList.remove(className));
  for (const id of ids) paper.getElementById(id)?.classList.add(className);
}
