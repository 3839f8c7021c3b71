'use client';

import { useMemo } from 'react';
import { fifteenKeys, keyText, type Mode } from '@/core/pitch';
import {
  judgedKeys,
  keyStanding,
  nextKeys,
  recordedKeys,
  type KeyStanding,
  type NextKey,
  type RunFact,
} from '@/core/teaching';
import { usePiecesOf, usePlan, type PupilRecord, type Settings } from '@/data';
import { ownOrderOf } from '@/features/shared/pieces/own-order';
import { usePlayerOf } from '@/features/shared/pieces/piece-options';
import { useSame } from '@/features/shared/parts/use-same';
import { useLadders } from './use-ladders';

const MODES: readonly Mode[] = ['major', 'minor'];

/** The thirty positions, major and minor, from seven flats to seven sharps. */
export const POSITIONS: Readonly<Record<'major' | 'minor', readonly string[]>> = {
  major: fifteenKeys('major').map(keyText),
  minor: fifteenKeys('minor').map(keyText),
};

/** How a pupil stands to every key, and which could be next. */
export interface Standings {
  readonly byKey: ReadonlyMap<string, KeyStanding>;
  readonly next: readonly NextKey[];
  /** Whether all of the pupil's pieces were looked at. */
  readonly isWhole: boolean;
}

export function useKeyStandings(pupil: PupilRecord, runs: readonly RunFact[], settings: Settings): Standings {
  const plan = usePlan(pupil.id);
  const played = useSame(
    [
      ...new Set([...runs.filter(({ music }) => music === 'piece').map(({ piece }) => piece), ...plannedIn(plan)]),
    ].toSorted(),
  );
  const pieces = usePiecesOf(played);
  const player = usePlayerOf(settings, pupil);
  const { ladders, isWhole } = useLadders(pieces, player);
  const standings = useMemo(() => {
    const recorded = recordedKeys(runs);
    const judged = judgedKeys(pupil.keysKnown, pupil.judged);
    return MODES.flatMap((mode) => POSITIONS[mode as 'major' | 'minor']).map((key) =>
      keyStanding(key, judged.find((one) => one.key === key) ?? null, recorded.get(key) ?? null),
    );
  }, [runs, pupil.keysKnown, pupil.judged]);
  const { keyOrder, ownOrder } = settings;
  const next = useMemo(
    () =>
      nextKeys({
        standings,
        ladders,
        order: keyOrder,
        own: { major: ownOrderOf(ownOrder, 'major'), minor: ownOrderOf(ownOrder, 'minor') },
        outer: player.outer,
      }),
    [standings, ladders, keyOrder, ownOrder, player.outer],
  );
  return useMemo(
    () => ({ byKey: new Map(standings.map((standing) => [standing.key, standing])), next, isWhole }),
    [standings, next, isWhole],
  );
}

function plannedIn(plan: ReturnType<typeof usePlan>): readonly string[] {
  return (plan ?? []).flatMap(({ piece }) => piece ?? []);
}
