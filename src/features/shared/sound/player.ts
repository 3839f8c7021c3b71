import { countIn, heardBetween, type Heard, type ListenOptions, type Performance, type Span } from '@/core/playback';
import type { Sounder } from './sounding';

/** What is to be played, and how. All of it may change while it plays. */
export interface PlayerOptions {
  readonly performance: Performance;
  readonly listen: ListenOptions;
  /** 1 is the tempo of the piece. */
  readonly rate: number;
  readonly span: Span;
  readonly goesOn: 'once' | 'round';
  readonly countsIn: 'bar' | 'at-once';
}

/** Plays a performance. Tell it `tick` several times a second while it plays. */
export interface Player {
  readonly begin: (options: PlayerOptions) => void;
  /** Other options from here on; the music does not stop. */
  readonly change: (options: PlayerOptions) => void;
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
// eslint-disable-next-line max-lines-per-function -- small functions that share one clock
export function createPlayer(sounder: Sounder): Player {
  let options: PlayerOptions | null = null;
  /** A moment at which both clocks are known. Near the end of a round it lies ahead: the next round is handed over before this one is through. */
  let anchor = { clockS: 0, musicS: 0 };
  /** Up to where sounds were handed over in the round that the anchor belongs to, and from where on in the next one. */
  let handedS = 0;
  let nextFromS = 0;
  let hasGoneRound = false;

  const musicAt = (clockS: number): number => anchor.musicS + (clockS - anchor.clockS) * (options?.rate ?? 1);
  const clockAt = (musicS: number): number => anchor.clockS + (musicS - anchor.musicS) / (options?.rate ?? 1);

  const hand = (heard: Heard): void => {
    const atS = Math.max(sounder.now(), clockAt(heard.atS));
    if (heard.kind === 'click') sounder.click(atS, heard.isFirst);
    else sounder.strike(heard.midi, atS, heard.lengthS / (options?.rate ?? 1), heard.loudness);
  };

  const handUntil = ({ performance, listen, span }: PlayerOptions, untilS: number): void => {
    if (untilS <= handedS) return;
    heardBetween(performance, Math.max(handedS, span.startS), Math.min(untilS, span.endS), listen).forEach(hand);
    handedS = untilS;
  };

  const position = (): number | null => {
    if (!options) return null;
    const atS = musicAt(sounder.now());
    const { startS, endS } = options.span;
    return hasGoneRound && atS < startS ? endS - (startS - atS) : atS;
  };

  const stop = (): void => {
    options = null;
    sounder.quiet();
  };

  const tick = (): void => {
    if (!options) return;
    const { span, goesOn } = options;
    const now = sounder.now();
    handUntil(options, musicAt(now + AHEAD_S));
    while (goesOn === 'round' && musicAt(now + AHEAD_S) >= span.endS) {
      anchor = { clockS: clockAt(span.endS), musicS: span.startS };
      handedS = nextFromS;
      nextFromS = span.startS;
      hasGoneRound = true;
      handUntil(options, musicAt(now + AHEAD_S));
    }
    if (goesOn === 'once' && musicAt(now) >= span.endS) stop();
  };

  return {
    begin: (wanted) => {
      sounder.quiet();
      options = wanted;
      const { span, performance } = wanted;
      const clicks = wanted.countsIn === 'bar' ? countIn(performance, span.startS) : [];
      anchor = { clockS: sounder.now() + START_S, musicS: clicks[0]?.atS ?? span.startS };
      handedS = span.startS;
      nextFromS = span.startS;
      hasGoneRound = false;
      clicks.forEach(hand);
      tick();
    },
    change: (wanted) => {
      const atS = position();
      if (atS === null) return;
      // What was handed over of the next round must not be struck again there.
      if (musicAt(sounder.now()) < atS) {
        nextFromS = handedS;
        handedS = wanted.span.endS;
      }
      anchor = { clockS: sounder.now(), musicS: atS };
      options = wanted;
      tick();
    },
    stop,
    tick,
    position,
  };
}
