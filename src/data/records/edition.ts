/** Names of states of a piece's music. A piece gets a new name with every change of its music, never used for other music; taking a change back gives
 * the name before. What was entered is named by the music it goes on from (`base`; null: as it was brought in) and by the state of its history. */
export function editionAfter(base: string | null, state: string | null): string | null {
  return state === null ? base : `${base ?? ''}${ENTERED}${state}`;
}

const ENTERED = '#';

/** Whether this music was entered or changed by hand since it came from elsewhere. */
export function isEntered(edition: string | null): boolean {
  return edition?.includes(ENTERED) ?? false;
}

/** The name that music had before form 5: the state of its history alone, `0/…` where nothing was done. */
export function editionFromForm4(edition: unknown): unknown {
  if (typeof edition !== 'string') return edition ?? null;
  return edition.startsWith('0/') ? null : editionAfter(null, edition);
}
