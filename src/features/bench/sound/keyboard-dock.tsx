'use client';

import { memo, useMemo, useRef, useState, type PointerEvent } from 'react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { BenchView, HandNoteView, Moment } from '@/core/views';
import { KEYBOARD_SIZES, type KeyboardSize } from '@/data';
import type { Screen } from '@/features/shared/parts/use-screen';
import { useFootRoom } from '@/features/shared/parts/use-foot-room';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { KeyboardMap, keyboardRange } from '@/features/shared/keys/keyboard-map';
import type { OldFinger } from '@/features/shared/keys/on-the-keys';
import { severityWords } from '../beside/hand-note';
import { PlayerBar, type PlayableBar } from './player-bar';
import { soundingMoment } from './sounding-moment';
import type { BenchPlayer } from './use-player';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from '../keys/key-names';

interface KeyboardDockProps {
  readonly view: BenchView;
  readonly at: number | null;
  readonly chosen: HandNoteView | null;
  readonly player: BenchPlayer;
  readonly reachMm: number;
  readonly size: KeyboardSize;
  readonly screen: Screen;
  readonly onSize: (size: KeyboardSize) => void;
  readonly onWalk: (by: number) => void;
}

/** The keyboard at the foot of the Bench: both hands at the selected moment, or at the one that sounds. It is seen whole, as a strip, or not at all. */
export const KeyboardDock = memo(function KeyboardDock(props: KeyboardDockProps) {
  const w = useWords();
  const { view, at, chosen, player, reachMm, size, screen, onSize, onWalk } = props;
  const foot = useRef<HTMLElement>(null);
  useFootRoom(foot);
  const [shows, setShows] = useState<'before' | 'after'>('after');
  const range = useMemo(() => keyboardRange([...view.momentsBefore, ...view.momentsAfter]), [view]);
  const bars = useMemo(() => barsOf(view.momentsAfter), [view]);
  const version = player.isPlaying ? player.listening.version : shows;
  const moments = version === 'before' ? view.momentsBefore : view.momentsAfter;
  const index = player.isPlaying ? (soundingMoment(moments, player.ids) ?? at ?? 0) : (at ?? 0);
  const moment = moments[index] ?? null;
  const show = (which: 'before' | 'after'): void => {
    setShows(which);
    player.change({ version: which });
  };
  const isFull = size === 'full';
  return (
    <section
      ref={foot}
      aria-label={w.bench.keyboardMap}
      data-role="foot"
      data-size={size}
      className="relative z-20 flex shrink-0 flex-wrap items-center justify-between gap-x-4 gap-y-1 border-t border-base-300 bg-base-100 px-4 pt-2.5 pb-1.5 max-sm:px-2 lg:flex-nowrap print:hidden"
    >
      <SizePull size={size} onSize={onSize} />
      <div
        className={`flex shrink-0 gap-x-3 gap-y-1 text-sm ${isFull && screen === 'wide' ? 'w-44 flex-col' : 'items-center'}`}
      >
        <MomentStep moment={moment} onWalk={onWalk} />
        {isFull || screen !== 'phone' ? <VersionChoice version={version} onShow={show} /> : null}
        {isFull && screen === 'wide' ? (
          <p className="text-xs text-secondary">{w.bench.roundRightSquareLeftDashed}</p>
        ) : null}
      </div>
      {size === 'away' ? null : (
        <div className="min-w-0 flex-1 max-lg:order-last max-lg:basis-full">
          <KeyboardMap
            moment={moment}
            range={range}
            next={moments[index + 1] ?? null}
            old={oldFingers(chosen, moment)}
            reachMm={reachMm}
            part={isFull ? 'whole' : 'front'}
            onKey={hear}
          />
        </div>
      )}
      <PlayerBar
        player={player}
        barIndex={view.momentsAfter[at ?? 0]?.barIndex ?? 0}
        bars={bars}
        rows={isFull ? 'all' : 'one'}
        screen={screen}
      />
      <p className="sr-only" aria-live="polite" data-role="said">
        {moment && !player.isPlaying ? momentWords(w, moment, view.handNotes) : ''}
      </p>
    </section>
  );
});

function MomentStep({ moment, onWalk }: { readonly moment: Moment | null; readonly onWalk: (by: number) => void }) {
  const w = useWords();
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        className="btn btn-sm btn-square size-9 pointer-coarse:size-11"
        aria-label={w.bench.momentBeforeButton}
        onClick={() => onWalk(-1)}
      >
        <ChevronLeft size={18} aria-hidden />
      </button>
      <span className="min-w-24 flex-1 text-center leading-tight text-balance" data-role="moment">
        {moment ? w.bench.barBeat(moment.bar, beatText(moment.beat)) : ''}
      </span>
      <button
        type="button"
        className="btn btn-sm btn-square size-9 pointer-coarse:size-11"
        aria-label={w.bench.nextMomentButton}
        onClick={() => onWalk(1)}
      >
        <ChevronRight size={18} aria-hidden />
      </button>
    </div>
  );
}

interface VersionChoiceProps {
  readonly version: 'before' | 'after';
  readonly onShow: (version: 'before' | 'after') => void;
}

function VersionChoice({ version, onShow }: VersionChoiceProps) {
  const w = useWords();
  return (
    <div role="group" aria-label={w.bench.whichVersionIsSeenAnd} className="join flex-1">
      {(['before', 'after'] as const).map((which) => (
        <button
          key={which}
          type="button"
          aria-pressed={version === which}
          className={`btn btn-sm join-item h-8 flex-1 font-normal pointer-coarse:h-11 ${version === which ? 'btn-neutral' : ''}`}
          onClick={() => onShow(which)}
        >
          {which === 'before' ? w.bench.before : w.bench.after}
        </button>
      ))}
    </div>
  );
}

const sizeWords = (w: Words): Readonly<Record<KeyboardSize, string>> => ({
  full: 'whole',
  strip: w.bench.asStrip,
  away: w.bench.keyboardPutAway,
});

/** So far a pull must go to count. Unit: px. */
const PULL_PX = 20;

/** The upper edge of the foot: pulled down it gets smaller, pulled up larger; a press goes on to the next size. */
function SizePull({ size, onSize }: { readonly size: KeyboardSize; readonly onSize: (size: KeyboardSize) => void }) {
  const w = useWords();
  const from = useRef<number | null>(null);
  const release = (event: PointerEvent<HTMLButtonElement>): void => {
    const pulled = from.current === null ? 0 : event.clientY - from.current;
    from.current = null;
    if (Math.abs(pulled) >= PULL_PX) onSize(sizeBeside(size, pulled > 0 ? 1 : -1));
    else onSize(sizeAfter(size));
  };
  return (
    <button
      type="button"
      data-role="pull"
      aria-label={w.bench.keyboardIsAnotherSize(sizeWords(w)[size])}
      title={withKey(w.bench.pullOrPressForAnother, BENCH_KEYS.keyboard)}
      className="absolute -top-4 left-1/2 flex h-8 w-20 -translate-x-1/2 cursor-row-resize touch-none items-center justify-center"
      onPointerDown={(event) => {
        from.current = event.clientY;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerUp={release}
      onPointerCancel={() => {
        from.current = null;
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onSize(sizeAfter(size));
      }}
    >
      <span aria-hidden className="h-1.5 w-12 rounded-full bg-secondary" />
    </button>
  );
}

/** The next smaller size; after the smallest the largest. */
export function sizeAfter(size: KeyboardSize): KeyboardSize {
  return KEYBOARD_SIZES[(KEYBOARD_SIZES.indexOf(size) + 1) % KEYBOARD_SIZES.length] ?? 'full';
}

function sizeBeside(size: KeyboardSize, by: 1 | -1): KeyboardSize {
  return KEYBOARD_SIZES[KEYBOARD_SIZES.indexOf(size) + by] ?? size;
}

/** The bars in which something is struck. */
function barsOf(moments: readonly Moment[]): readonly PlayableBar[] {
  return [...new Map(moments.map(({ barIndex, bar }) => [barIndex, { index: barIndex, number: bar }])).values()];
}

/** A key that is pressed on the map is heard. */
function hear(midi: number): void {
  void pianoSounder().then(async (sounder) => {
    await sounder.ready();
    sounder.strike(midi, sounder.now(), KEY_LENGTH_S, KEY_LOUDNESS);
  });
}

const KEY_LENGTH_S = 0.8;
const KEY_LOUDNESS = 0.6;

function beatText(beat: number): string {
  return String(Math.round(beat * 100) / 100);
}

/** The fingers that the chosen hand note takes away at this moment. */
function oldFingers(chosen: HandNoteView | null, moment: Moment | null): readonly OldFinger[] {
  const { fingers } = chosen ?? {};
  if (!fingers || !moment) return [];
  return moment.keys.flatMap(({ noteId, hand, midi, isStruck }) => {
    const i = fingers.noteIds.indexOf(noteId);
    const finger = fingers.before[i];
    return isStruck && finger && finger !== fingers.after[i] ? [{ hand, midi, finger }] : [];
  });
}

/** The selected place for a screen reader: bar, beat, notes, fingers and hand notes. */
function momentWords(w: Words, { bar, beat, keys }: Moment, notes: readonly HandNoteView[]): string {
  const struck = keys.filter(({ isStruck }) => isStruck);
  const played = struck.map(({ name, hand, finger }) => w.bench.keyDown(name, hand, finger));
  const told = notes
    .filter(({ aside, noteIds }) => aside === null && struck.some(({ noteId }) => noteIds.includes(noteId)))
    .map(({ title, severity }) => `${severityWords(w)[severity]}: ${title}`);
  return [w.bench.keysDownAt(bar, beatText(beat), played.join(', ')), ...told].join('. ');
}
