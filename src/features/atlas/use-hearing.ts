'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { USUAL_WORDING } from '@/core/explain';
import type { Player } from '@/core/fingering';
import { pianoSounder } from '@/features/shared/sound/sounder';
import type { BenchOptions } from '@/contract/piece-asked';
import { askPerformances } from '@/workers/questions';

/** A piece that is heard as it stands, and which of its notes sound just now. */
export interface Hearing {
  readonly isOn: boolean;
  readonly sounding: readonly string[];
  readonly toggle: () => void;
}

const AS_IT_STANDS: Omit<BenchOptions, 'player'> = {
  to: null,
  direction: 'nearest',
  octaveRight: 0,
  octaveLeft: 0,
  spelling: 'strict',
  courtesy: 'bar',
  sixth: 'natural',
  seventh: 'raised',
  fingering: 'keep',
  keyboard: 88,
  respelled: [],
  decisions: { fingers: [], aside: [] },
  wording: USUAL_WORDING,
};

const NOTHING: readonly string[] = [];

/** Plays a piece from its beginning to its end. Another piece ends the one before. */
export function useHearing(musicXml: string, player: Player): Hearing {
  const [isOn, setOn] = useState(false);
  const [sounding, setSounding] = useState(NOTHING);
  const stopLast = useRef<(() => void) | null>(null);
  const stop = useCallback(() => {
    stopLast.current?.();
    stopLast.current = null;
    setOn(false);
    setSounding(NOTHING);
  }, []);
  useEffect(() => stop, [musicXml, stop]);
  const play = useCallback(async () => {
    let isWanted = true;
    const stops: (() => void)[] = [() => (isWanted = false)];
    stopLast.current = () => stops.forEach((end) => end());
    setOn(true);
    const [answer, sounder] = await Promise.all([
      askPerformances({ musicXml, ownKey: null, part: null }, { ...AS_IT_STANDS, player }),
      pianoSounder(),
    ]);
    await sounder.ready();
    if (!isWanted || !answer.ok) return;
    const { notes, lengthS } = answer.value.before;
    sounder.quiet();
    const from = sounder.now() + LEAD_S;
    for (const { midi, startS, endS, velocity } of notes)
      sounder.strike(midi, from + startS, endS - startS, velocity / 127);
    stops.push(() => sounder.quiet());
    const show = (): void => {
      const at = sounder.now() - from;
      if (!isWanted) return;
      if (at >= lengthS) return stop();
      setSounding(notes.filter(({ startS, endS }) => startS <= at && endS > at).map(({ id }) => id));
      requestAnimationFrame(show);
    };
    requestAnimationFrame(show);
  }, [musicXml, player, stop]);
  const toggle = useCallback(() => (isOn ? stop() : void play()), [isOn, stop, play]);
  return { isOn, sounding, toggle };
}

/** A breath before the first note. Unit: s. */
const LEAD_S = 0.1;
