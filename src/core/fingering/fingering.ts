import type { Finger } from '../score';

/** Fingers for a passage, one entry a note; null where none is known. */
export type Fingering = readonly (Finger | null)[];

/** A fingering with those fingers of another that are known there. */
export function over(fingering: Fingering, by: Fingering): Fingering {
  return fingering.map((finger, i) => by[i] ?? finger);
}

/** Whether any finger is known. */
export function isKnown(fingering: Fingering): boolean {
  return fingering.some((finger) => finger !== null);
}
