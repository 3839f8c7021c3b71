import type { AskedMusic, StruckKey } from '../asked';
import type { Alignment, KeyFate } from './alignment';

/** So many keys later the right one may come: who needs more has gone on. */
const KEYS_LATER = 3;

/** Where a wrong key was taken for a note, and the right one came after it for nothing, before anything later was played: the right one is the note’s. */
export function putRight(music: AskedMusic, keys: readonly StruckKey[], alignment: Alignment): Alignment {
  const fates = [...alignment.fates];
  fates.forEach((fate, wrong) => {
    if (fate.note === null || fate.moment === null) return;
    const wanted = music.notes[fate.note]?.midi;
    if (wanted === undefined || keys[wrong]?.midi === wanted) return;
    const right = rightAfter(fates, keys, wrong, wanted);
    if (right === null) return;
    fates[right] = fate;
    fates[wrong] = { note: null, moment: null, begins: false };
  });
  return { ...alignment, fates };
}

/** The key after a wrong one that strikes what was wanted, and stands for nothing; null where something later was played first. */
function rightAfter(
  fates: readonly KeyFate[],
  keys: readonly StruckKey[],
  wrong: number,
  wanted: number,
): number | null {
  const { moment } = fates[wrong] as KeyFate;
  for (let key = wrong + 1; key <= Math.min(wrong + KEYS_LATER, keys.length - 1); key += 1) {
    const fate = fates[key] as KeyFate;
    if (fate.note === null && keys[key]?.midi === wanted) return key;
    if (fate.moment !== null && fate.moment !== moment) return null;
  }
  return null;
}
