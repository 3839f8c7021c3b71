'use client';

import { Metronome, Play, Repeat, Square } from 'lucide-react';
import { LOUDNESSES, type Loudness } from '@/core/playback';
import type { Hand } from '@/core/score';
import type { Screen } from '@/features/shared/parts/use-screen';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { FASTEST_PER_CENT, SLOWEST_PER_CENT, type BenchPlayer } from './use-player';
import { useWords } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from '../keys/key-names';

interface PlayerBarProps {
  readonly player: BenchPlayer;
  /** The bar that is selected, as an index. */
  readonly barIndex: number;
  readonly bars: readonly PlayableBar[];
  /** All there is, or one row. */
  readonly rows: 'all' | 'one';
  readonly screen: Screen;
}

/** A bar that music can begin at. */
export interface PlayableBar {
  readonly index: number;
  readonly number: string;
}

/** Hearing the piece: from the selected bar, round some bars, each hand softer or silent, slower without another pitch. In one row there are only
 * the buttons, and the tempo where there is room for it. */
export function PlayerBar({ player, barIndex, bars, rows, screen }: PlayerBarProps) {
  const w = useWords();
  const isFull = rows === 'all';
  return (
    <section
      aria-label={w.bench.hearingIt}
      className={`flex shrink-0 gap-1 text-sm ${isFull && screen === 'wide' ? 'w-72 flex-col' : 'flex-wrap items-center gap-x-3'} ${isFull && screen !== 'wide' ? 'w-full' : ''}`}
      data-role="player"
      data-playing={player.isPlaying}
      onPointerEnter={getReady}
      onFocus={getReady}
    >
      <PlayButtons player={player} barIndex={barIndex} bars={bars} isShort={!isFull && screen === 'phone'} />
      {isFull || screen !== 'phone' ? <Tempo player={player} /> : null}
      {isFull ? <Hands player={player} /> : null}
    </section>
  );
}

type PlayButtonsProps = Pick<PlayerBarProps, 'player' | 'barIndex' | 'bars'> & { readonly isShort: boolean };

function PlayButtons({ player, barIndex, bars, isShort }: PlayButtonsProps) {
  const w = useWords();
  const { listening, change, isPlaying } = player;
  const { listen, countsIn, loop } = listening;
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        title={withKey(isPlaying ? w.shared.stop : w.shared.play, BENCH_KEYS.play)}
        className="btn btn-primary btn-sm h-9 min-w-20 pointer-coarse:h-11"
        onClick={() => (isPlaying ? player.stop() : player.play(barIndex))}
      >
        {isPlaying ? <Square size={16} aria-hidden /> : <Play size={16} aria-hidden />}{' '}
        {isPlaying ? w.shared.stop : player.is === 'getting-ready' ? '…' : w.shared.play}
      </button>
      <button
        type="button"
        aria-pressed={loop !== null}
        title={w.bench.goRound}
        aria-label={w.bench.goRoundBars}
        className={`btn btn-sm btn-square size-9 pointer-coarse:size-11 ${loop ? 'btn-neutral' : ''}`}
        onClick={() => change({ loop: loop ? null : [barIndex, barIndex] })}
      >
        <Repeat size={16} aria-hidden />
      </button>
      {loop ? <LoopChoice player={player} loop={loop} bars={bars} /> : null}
      {loop || isShort ? null : (
        <button
          type="button"
          aria-pressed={countsIn === 'bar'}
          title={w.bench.oneBarOfCountIn}
          className={`btn btn-sm h-9 px-2 font-normal pointer-coarse:h-11 ${countsIn === 'bar' ? 'btn-neutral' : ''}`}
          onClick={() => change({ countsIn: countsIn === 'bar' ? 'at-once' : 'bar' })}
        >
          {w.bench.countIn}
        </button>
      )}
      {isShort ? null : (
        <button
          type="button"
          aria-pressed={listen.clicks === 'all'}
          title={w.bench.metronome}
          aria-label={w.bench.metronome}
          className={`btn btn-sm btn-square size-9 pointer-coarse:size-11 ${listen.clicks === 'all' ? 'btn-neutral' : ''}`}
          onClick={() => change({ listen: { ...listen, clicks: listen.clicks === 'all' ? 'none' : 'all' } })}
        >
          <Metronome size={16} aria-hidden />
        </button>
      )}
      <span
        className={`text-right whitespace-nowrap text-secondary ${isShort ? '' : 'min-w-10'}`}
        data-role="playing-bar"
      >
        {isPlaying && player.bar !== null ? w.bench.bar(player.bar) : ''}
      </span>
    </div>
  );
}

interface LoopChoiceProps extends Pick<PlayerBarProps, 'player' | 'bars'> {
  readonly loop: readonly [number, number];
}

function LoopChoice({ player, loop: [from, to], bars }: LoopChoiceProps) {
  const w = useWords();
  return (
    <>
      <BarChoice
        label={w.bench.fromBar}
        bars={bars}
        value={from}
        onChange={(index) => player.change({ loop: [index, Math.max(index, to)] })}
      />
      <BarChoice
        label={w.bench.toBar}
        bars={bars}
        value={to}
        onChange={(index) => player.change({ loop: [Math.min(from, index), index] })}
      />
    </>
  );
}

function Tempo({ player: { listening, change } }: Pick<PlayerBarProps, 'player'>) {
  const w = useWords();
  return (
    <label className="flex min-h-8 min-w-36 flex-auto items-center gap-2">
      <input
        type="range"
        className="min-w-0 flex-1 accent-[var(--color-primary)]"
        aria-label={w.bench.tempoInPerCent}
        min={SLOWEST_PER_CENT}
        max={FASTEST_PER_CENT}
        step={5}
        value={listening.tempo}
        onChange={(event) => change({ tempo: Number(event.target.value) })}
      />
      <span className="w-12 text-right whitespace-nowrap" data-role="tempo">
        {listening.tempo} %
      </span>
    </label>
  );
}

function Hands({ player: { listening, change } }: Pick<PlayerBarProps, 'player'>) {
  const { listen } = listening;
  return (
    <div className="flex flex-1 gap-1">
      {(['left', 'right'] as const).map((hand) => (
        <HandLoudness
          key={hand}
          hand={hand}
          value={listen.hands[hand]}
          onChange={(value) => change({ listen: { ...listen, hands: { ...listen.hands, [hand]: value } } })}
        />
      ))}
    </div>
  );
}

/** The recordings are fetched when a hand comes near the button, so that it need not wait. */
function getReady(): void {
  void pianoSounder();
}

function HandLoudness({
  hand,
  value,
  onChange,
}: {
  readonly hand: Hand;
  readonly value: Loudness;
  readonly onChange: (value: Loudness) => void;
}) {
  const w = useWords();
  return (
    <button
      type="button"
      data-loudness={hand}
      title={w.bench.handHeardSoftlySilent(hand)}
      className={`btn btn-sm h-8 flex-1 px-1 pointer-coarse:h-11 font-normal ${value === 'off' ? 'text-secondary line-through' : ''}`}
      onClick={() => onChange(LOUDNESSES[(LOUDNESSES.indexOf(value) + 1) % LOUDNESSES.length] ?? 'on')}
    >
      {w.bench.loudness[value](hand)}
    </button>
  );
}

interface BarChoiceProps {
  readonly label: string;
  readonly bars: readonly PlayableBar[];
  readonly value: number;
  readonly onChange: (index: number) => void;
}

function BarChoice({ label, bars, value, onChange }: BarChoiceProps) {
  return (
    <select
      className="select select-sm h-9 w-14 px-1.5"
      aria-label={label}
      value={value}
      onChange={(event) => onChange(Number(event.target.value))}
    >
      {bars.map(({ index, number }) => (
        <option key={index} value={index}>
          {number}
        </option>
      ))}
    </select>
  );
}
