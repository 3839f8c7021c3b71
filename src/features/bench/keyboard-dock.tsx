'use client';

import { memo, useMemo, useState } from 'react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { BenchView, HandNoteView, Moment } from '@/core/views';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { KeyboardMap, keyboardRange, type OldFinger } from '@/features/shared/keyboard-map';
import { PlayerBar, type PlayableBar } from './player-bar';
import type { BenchPlayer } from './use-player';

interface KeyboardDockProps {
  readonly view: BenchView;
  readonly at: number | null;
  readonly chosen: HandNoteView | null;
  readonly player: BenchPlayer;
  readonly reachMm: number;
  readonly onWalk: (by: number) => void;
}

/** The keyboard at the foot of the Bench: both hands at the selected moment, or at the one that sounds. */
export const KeyboardDock = memo(function KeyboardDock({
  view,
  at,
  chosen,
  player,
  reachMm,
  onWalk,
}: KeyboardDockProps) {
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
  return (
    <section
      aria-label="Keyboard map"
      className="sticky bottom-0 z-20 flex items-center gap-4 border-t border-base-300 bg-base-100 px-4 py-1.5 max-lg:flex-wrap max-lg:justify-between"
    >
      <div className="flex w-44 shrink-0 flex-col gap-1 text-sm">
        <div className="flex items-center gap-1">
          <button
            type="button"
            className="btn btn-sm btn-square size-9"
            aria-label="The moment before"
            onClick={() => onWalk(-1)}
          >
            <ChevronLeft size={18} aria-hidden />
          </button>
          <span className="flex-1 text-center" data-role="moment">
            {moment ? `bar ${moment.bar}, beat ${beatText(moment.beat)}` : ''}
          </span>
          <button
            type="button"
            className="btn btn-sm btn-square size-9"
            aria-label="The next moment"
            onClick={() => onWalk(1)}
          >
            <ChevronRight size={18} aria-hidden />
          </button>
        </div>
        <div role="group" aria-label="Which version is seen and heard" className="join w-full">
          {(['before', 'after'] as const).map((which) => (
            <button
              key={which}
              type="button"
              aria-pressed={version === which}
              className={`btn btn-sm join-item h-8 flex-1 font-normal ${version === which ? 'btn-neutral' : ''}`}
              onClick={() => show(which)}
            >
              {which === 'before' ? 'Before' : 'After'}
            </button>
          ))}
        </div>
        <p className="text-xs text-secondary">round: right · square: left · dashed: next</p>
      </div>
      <div className="min-w-0 flex-1 max-lg:order-last max-lg:basis-full">
        <KeyboardMap
          moment={moment}
          range={range}
          next={moments[index + 1] ?? null}
          old={oldFingers(chosen, moment)}
          reachMm={reachMm}
          onKey={hear}
        />
      </div>
      <PlayerBar player={player} barIndex={view.momentsAfter[at ?? 0]?.barIndex ?? 0} bars={bars} />
      <p className="sr-only" aria-live="polite" data-role="said">
        {moment && !player.isPlaying ? momentWords(moment, view.handNotes) : ''}
      </p>
    </section>
  );
});

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

function soundingMoment(moments: readonly Moment[], ids: readonly string[]): number | null {
  const index = moments.findLastIndex(({ keys }) =>
    keys.some(({ noteId, isStruck }) => isStruck && ids.includes(noteId)),
  );
  return index < 0 ? null : index;
}

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
function momentWords({ bar, beat, keys }: Moment, notes: readonly HandNoteView[]): string {
  const struck = keys.filter(({ isStruck }) => isStruck);
  const played = struck.map(
    ({ name, hand, finger }) => `${name} ${hand} hand${finger === null ? '' : ` finger ${finger}`}`,
  );
  const told = notes
    .filter(({ aside, noteIds }) => aside === null && struck.some(({ noteId }) => noteIds.includes(noteId)))
    .map(({ title, severity }) => `${severity}: ${title}`);
  return [`Bar ${bar}, beat ${beatText(beat)}: ${played.join(', ')}`, ...told].join('. ');
}
