'use client';

import { useDesk, usePupils, useSettings, type Desk, type PupilRecord, type Settings } from '@/data';

/** For whom a screen is, and how the teacher wants things. */
export interface ForWhom {
  readonly settings: Settings;
  readonly desk: Desk;
  readonly pupils: readonly PupilRecord[];
  /** The pupil that the address names, else the one chosen last; null for any hand. */
  readonly pupil: PupilRecord | null;
}

/** Undefined until all of it is read. `named` is the pupil of the address: an id, or `any`. */
export function useForWhom(named: string | null): ForWhom | undefined {
  const settings = useSettings();
  const desk = useDesk();
  const pupils = usePupils();
  if (!settings || !desk || !pupils) return undefined;
  const wanted = named ?? desk.pupil;
  return { settings, desk, pupils, pupil: pupils.find(({ id }) => id === wanted) ?? null };
}
