import { countIn, heardBetween, type Heard, type ListenWish, type Performance, type Span } from '@/core/perform';
import type { Sounder } from './sounding';

/** What is to be played, and how. All of it may change while it plays. */
export interface PlayerWish {
  readonly performance: Performance;
  readonly listen: ListenWish;
  /** 1 is the tempo of the piece. */
  readonly rate: number;
  readonly span: Span;
  readonly goesOn: 'once' | 'round';
  readonly countsIn: 'bar' | 'at-once';
}

/** Plays a performance. Tell it `tick` several times a second while it plays. */
export interface Player {
  readonly begin: (wish: PlayerWish) => void;
  /** Other wishes from here on; the music does not stop. */
  readonly change: (wish: PlayerWish) => void;
  readonly stop: () => void;
  readonly tick: () => void;
  /** Where the music is, in the performance's seconds (before the start while it counts in); null while it is silent. */
  readonly position: () => number | null;
}

/** How far ahead sounds are handed over. Unit: s. Long enough for a busy page, short enough that a change is heard at once. */
const AHEAD_S = 0.25;

/** How long after the press the first sound comes. Unit: s. */
const START_S = 0.08;

/** A player on a sounder. Between two ticks everything that begins before the next is handed to the sounder with its exact time. */
export function createPlayer(sounder: Sounder): Player {
  let wish: PlayerWish | null = null;
  /** A moment at which both clocks are known, and up to where sounds were handed over. */
  let anchor = { clockS: 0, musicS: 0 };
  let handedS = 0;

  const musicAt = (clockS: number): number => anchor.musicS + (clockS - anchor.clockS) * (wish?.rate ?? 1);
  const clockAt = (musicS: number): number => anchor.clockS + (musicS - anchor.musicS) / (wish?.rate ?? 1);

  const hand = (heard: Heard): void => {
    const atS = Math.max(sounder.now(), clockAt(heard.atS));
    if (heard.kind === 'click') sounder.click(atS, heard.isFirst);
    else sounder.strike(heard.midi, atS, heard.lengthS / (wish?.rate ?? 1), heard.loudness);
  };

  const stop = (): void => {
    wish = null;
    sounder.quiet();
  };

  const tick = (): void => {
    if (!wish) return;
    const now = sounder.now();
    const { performance, listen, span } = wish;
    const until = musicAt(now + AHEAD_S);
    if (until > handedS) {
      heardBetween(performance, Math.max(handedS, span.startS), Math.min(until, span.endS), listen).forEach(hand);
      handedS = until;
    }
    if (musicAt(now) < span.endS) return;
    if (wish.goesOn === 'once') return stop();
    anchor = { clockS: clockAt(span.endS), musicS: span.startS };
    handedS = span.startS;
    tick();
  };

  return {
    begin: (wanted) => {
      sounder.quiet();
      wish = wanted;
      const clicks = wanted.countsIn === 'bar' ? countIn(wanted.performance, wanted.span.startS) : [];
      const leadS = wanted.span.startS - (clicks[0]?.atS ?? wanted.span.startS);
      anchor = { clockS: sounder.now() + START_S, musicS: wanted.span.startS - leadS };
      handedS = wanted.span.startS;
      clicks.forEach(hand);
      tick();
    },
    change: (wanted) => {
      if (!wish) return;
      const now = sounder.now();
      anchor = { clockS: now, musicS: musicAt(now) };
      wish = wanted;
      tick();
    },
    stop,
    tick,
    position: () => (wish ? musicAt(sounder.now()) : null),
  };
}
