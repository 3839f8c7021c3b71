'use client';

import { useEffect, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import type { EngravingPage } from '@/core/write';
import type { EngravedSystem, EngraveLayout } from '@/workers/protocol';
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
  /** Ids of notes that the signature alters, and of those that are taken up. */
  readonly signed?: readonly string[];
  readonly taken?: readonly string[];
  /** Whether the page moves so that what sounds now is seen. */
  readonly follows?: boolean;
  readonly onNote?: (id: string) => void;
  /** What is drawn over a system, in the units of its picture. It must keep its identity while it draws the same. */
  readonly overlay?: (system: EngravedSystem, index: number) => ReactNode;
}

const NONE: readonly string[] = [];

/** Which page is drawn, and for which width. */
interface EngravedState {
  readonly page: EngravingPage | null;
  readonly widthPx: number;
  readonly zoom: number;
  /** The systems with the places in the page that hold them. */
  readonly systems: readonly { readonly system: EngravedSystem; readonly place: Element }[];
}

const NOTHING_DRAWN: EngravedState = { page: null, widthPx: 0, zoom: 0, systems: [] };

/** A page of music, engraved in its worker, system by system. While a new one is made the old one stays. */
export function EngravedPage({ page, layout, label, fits = 'width', pointed = NONE, now = NONE, signed = NONE, taken = NONE, follows = false, onNote, overlay }: EngravedPageProps) {
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
      const paper = paperOf(holder.current);
      paper.innerHTML = answer.value.map(({ svg }) => `<div class="system">${svg}<div class="over"></div></div>`).join('');
      const places = paper.querySelectorAll('.over');
      setDrawn({ page, widthPx, zoom, systems: answer.value.flatMap((system, i) => (places[i] ? [{ system, place: places[i] }] : [])) });
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
    mark(paperOf(holder.current), 'is-taken', taken);
  }, [drawn, pointed, now, signed, taken]);
  useEffect(() => {
    if (follows && holder.current) bringIntoSight(paperOf(holder.current).querySelector('.is-now')?.closest('.system') ?? null);
  }, [follows, now]);

  const press = (event: MouseEvent): void => {
    const path = event.nativeEvent.composedPath();
    const note = path.find((place): place is Element => place instanceof Element && place.matches('g.note'));
    if (note && onNote) onNote(note.id);
  };
  return (
    <figure aria-label={label} aria-busy={drawn.page !== page || drawn.widthPx !== widthPx || drawn.zoom !== zoom}>
      {trouble === null ? null : <p className="p-2 text-error">{trouble}</p>}
      {drawn.page === null && trouble === null ? <div className="skeleton h-24 w-full" aria-hidden /> : null}
      <div ref={holder} aria-hidden data-role="engraving" data-fits={fits} onClick={press} />
      {overlay ? drawn.systems.map(({ system, place }, i) => createPortal(overlay(system, i), place)) : null}
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

/** Scrolls to a system that is not wholly seen between the bars at the top and the foot of the screen. */
function bringIntoSight(system: Element | null): void {
  if (!system) return;
  const { top, bottom } = system.getBoundingClientRect();
  if (top < HEAD_ROOM_PX || bottom > window.innerHeight - FOOT_ROOM_PX) system.scrollIntoView({ block: 'center', behavior: 'smooth' });
}

const HEAD_ROOM_PX = 56;
const FOOT_ROOM_PX = 140;

function mark(paper: ShadowRoot, className: string, ids: readonly string[]): void {
  paper.querySelectorAll(`.${className}`).forEach((found) => found.classList.remove(className));
  for (const id of ids) paper.getElementById(id)?.classList.add(className);
}
