'use client';

import {
  useEffect,
  useEffectEvent,
  useLayoutEffect,
  useRef,
  useState,
  type MouseEvent,
  type ReactNode,
  type RefObject,
} from 'react';
import { createPortal, flushSync } from 'react-dom';
import type { EngravingPage } from '@/core/write';
import type { EngravedSystem, EngraveLayout } from '@/contract/engraving-questions';
import { askEngraving } from '@/workers/questions';
import { ENGRAVING_STYLE } from './engraving-style';
import { bringIntoSight, noteAt } from './engraved-notes';
import { sightOf } from './in-sight';
import { useWords } from '@/features/shared/words/use-words';

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
  /** Ids of notes that were played otherwise. */
  readonly wrong?: readonly string[];
  /** Ids of notes that are faint: they are there to be seen, and not to be played. */
  readonly faint?: readonly string[];
  /** The note that the page moves to when it becomes another one. */
  readonly sought?: string | undefined;
  /** Whether the page moves so that what sounds now is seen. */
  readonly follows?: boolean;
  readonly onNote?: (id: string) => void;
  /** So far beside a note head it is still meant, in px. A finger always has some. */
  readonly reachPx?: number;
  /** Told of the systems once they are there. */
  readonly onEngraved?: (engraved: Engraved) => void;
  /** What is drawn over a system, in the units of its picture. It must keep its identity while it draws the same. */
  readonly overlay?: (system: EngravedSystem, index: number) => ReactNode;
}

/** What came of engraving a page at the size that the engraver was told: each system with its height in px and how many bars it has. */
export interface Engraved {
  readonly zoom: number;
  readonly systems: readonly { readonly heightPx: number; readonly bars: number }[];
}

const NONE: readonly string[] = [];

/** Which page is drawn, and for which width. */
interface EngravedState {
  readonly page: EngravingPage | null;
  readonly widthPx: number;
  readonly zoom: number;
  /** The systems that are there, with the places over them. */
  readonly systems: readonly PutSystem[];
  readonly isWhole: boolean;
}

/** A system in its place; `at` is which one it is. */
interface PutSystem {
  readonly at: number;
  readonly system: EngravedSystem;
  readonly over: Element;
}

const NOTHING_DRAWN: EngravedState = { page: null, widthPx: 0, zoom: 0, systems: [], isWhole: false };

/** A page of music, engraved in its worker, system by system. While a new one is made the old one stays. */
export function EngravedPage({
  page,
  layout,
  label,
  fits = 'width',
  pointed = NONE,
  now = NONE,
  signed = NONE,
  taken = NONE,
  wrong = NONE,
  faint = NONE,
  sought,
  follows = false,
  reachPx = 0,
  onNote,
  onEngraved,
  overlay,
}: EngravedPageProps) {
  const w = useWords();
  const holder = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<EngravedState>(NOTHING_DRAWN);
  const [trouble, setTrouble] = useState<string | null>(null);
  const underway = useRef<Promise<void> | null>(null);
  const { widthPx, zoom, breaks, spread = 'wide' } = layout;

  // Before the screen is painted: a page that was engraved ahead is then seen in the very frame that asks for it.
  useLayoutEffect(() => {
    let isWanted = true;
    const show = async (): Promise<void> => {
      // While a page is being engraved, only the last of those that came meanwhile is engraved next.
      if (underway.current) await underway.current;
      if (!isWanted) return;
      const asked = askEngraving(page, { widthPx, zoom, breaks, spread });
      const over = asked.then(noMatter, noMatter).then(() => {
        if (underway.current === over) underway.current = null;
      });
      underway.current = over;
      const answer = await asked;
      if (!isWanted || !holder.current) return;
      setTrouble(answer.ok ? null : `${answer.trouble.message} ${answer.trouble.hint}`);
      if (!answer.ok) return;
      const places = placesFor(paperOf(holder.current), answer.value.length);
      const put: PutSystem[] = [];
      // What is in sight comes first; the rest follows a few at a time, so that nothing has to wait for it.
      const [first, ...rest] = batchesOf(places);
      for (const batch of [first, ...rest]) {
        for (const at of batch)
          put.push(putSystem(places[at] as HTMLElement, answer.value[at] as EngravedSystem, at, widthPx));
        const state = {
          page,
          widthPx,
          zoom,
          systems: put.toSorted((a, b) => a.at - b.at),
          isWhole: put.length === places.length,
        };
        if (batch === first) flushSync(() => setDrawn(state));
        else setDrawn(state);
        if (put.length < places.length) await nextFrame();
        if (!isWanted) return;
      }
    };
    show().catch(() => {
      if (isWanted) setTrouble(w.shared.engraverCouldNotBeStarted);
    });
    return () => {
      isWanted = false;
    };
  }, [w, page, widthPx, zoom, breaks, spread]);

  useHeights(drawn, onEngraved);
  useEffect(() => {
    if (!holder.current) return;
    mark(paperOf(holder.current), 'is-wrong', wrong);
    mark(paperOf(holder.current), 'is-pointed', pointed);
    mark(paperOf(holder.current), 'is-now', now);
    mark(paperOf(holder.current), 'is-signed', signed);
    mark(paperOf(holder.current), 'is-taken', taken);
    mark(paperOf(holder.current), 'is-faint', faint);
  }, [drawn, wrong, pointed, now, signed, taken, faint]);
  useSought(holder, sought, drawn);
  // By name, not by list: a new plan brings a new list of the same notes, and must not scroll away what the teacher looks at.
  const names = now.join(' ');
  useEffect(() => {
    if (follows && holder.current && names !== '')
      bringIntoSight([...paperOf(holder.current).querySelectorAll('.is-now')].at(-1));
  }, [follows, names]);

  const press = (event: MouseEvent): void => {
    const note = onNote && noteAt(event, reachPx);
    if (note) onNote(note.id);
  };
  const isShown = drawn.page === page && drawn.widthPx === widthPx && drawn.zoom === zoom;
  return (
    <figure aria-label={label} aria-busy={!isShown || !drawn.isWhole} data-shown={isShown}>
      {trouble === null ? null : <p className="p-2 text-error">{trouble}</p>}
      {drawn.page === null && trouble === null ? <div className="skeleton h-24 w-full" aria-hidden /> : null}
      <div ref={holder} aria-hidden data-role="engraving" data-fits={fits} onClick={press} />
      {overlay
        ? drawn.systems.map(({ system, over, at }) => createPortal(overlay(system, at), over, String(at)))
        : null}
    </figure>
  );
}

/** Tells how the systems came out once all are there. */
function useHeights(drawn: EngravedState, onEngraved: EngravedPageProps['onEngraved']): void {
  useEffect(() => {
    if (!drawn.isWhole || !onEngraved) return;
    const systems = drawn.systems.map(({ system }) => ({
      heightPx: heightPx(system, drawn.widthPx),
      bars: system.bars.length,
    }));
    onEngraved({ zoom: drawn.zoom, systems });
  }, [drawn, onEngraved]);
}

/** Keeps a note in sight: when it is sought, and when the page has got another size, on which everything is elsewhere. */
function useSought(holder: RefObject<HTMLElement | null>, sought: string | undefined, drawn: EngravedState): void {
  // With the press that chose it, not later, when something else may be about to be pressed.
  useLayoutEffect(() => {
    if (sought !== undefined && holder.current) bringIntoSight(paperOf(holder.current).getElementById(sought));
  }, [holder, sought]);
  const seekAgain = useEffectEvent(() => {
    if (sought !== undefined && holder.current) bringIntoSight(paperOf(holder.current).getElementById(sought));
  });
  const { isWhole, widthPx, zoom } = drawn;
  useEffect(() => {
    if (isWhole) seekAgain();
  }, [isWhole, widthPx, zoom]);
}

/** How high a system is on a page of this width. Unit: px. */
function heightPx({ viewBox }: EngravedSystem, widthPx: number): number {
  return (viewBox[3] / viewBox[2]) * widthPx;
}

function noMatter(): void {
  // Whether it went well is seen by whoever asked.
}

/** So many systems are put in with a frame once those in sight are there. */
const BATCH = 1;

/** The places of systems, those in sight first. */
function batchesOf(places: readonly Element[]): readonly [readonly number[], ...(readonly number[])[]] {
  const boxes = places.map((place) => place.getBoundingClientRect());
  const all = places.map((_, at) => at);
  const sight = places[0] ? sightOf(places[0]) : { top: 0, bottom: 0 };
  const seen = all.filter((at) => (boxes[at]?.bottom ?? 0) > 0 && (boxes[at]?.top ?? 0) < sight.bottom);
  const first = seen.length > 0 ? seen : all.slice(0, BATCH);
  const rest = all.filter((at) => !first.includes(at));
  return [
    first,
    ...Array.from({ length: Math.ceil(rest.length / BATCH) }, (_, i) => rest.slice(i * BATCH, (i + 1) * BATCH)),
  ];
}

/** As many places for systems as there are systems; those that are there keep what they show until they get the new one. */
function placesFor(paper: ShadowRoot, count: number): readonly Element[] {
  const places = [...paper.querySelectorAll('.system')];
  for (const surplus of places.slice(count)) surplus.remove();
  while (places.length < count) {
    const place = document.createElement('div');
    place.className = 'system';
    place.innerHTML = '<div class="picture"></div><div class="over"></div>';
    paper.append(place);
    places.push(place);
  }
  return places.slice(0, count);
}

function putSystem(place: HTMLElement, system: EngravedSystem, at: number, widthPx: number): PutSystem {
  // Out of sight it is not laid out, and takes as much room as it will in sight.
  place.style.containIntrinsicBlockSize = `auto ${heightPx(system, widthPx)}px`;
  const [picture, over] = [...place.children] as [Element, Element];
  picture.innerHTML = system.svg;
  return { at, system, over };
}

function nextFrame(): Promise<void> {
  return new Promise((go) => requestAnimationFrame(() => go()));
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
