import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import type { Hand } from '../score';
import type { Alignment } from './alignment';
import type { HeardMoment, Run } from './heard-moments';
import type { HeardFact } from './judgement';
import { medianOf } from './statistics';

/** From so many places on it is a way of playing. */
const LEAST_PLACES = 6;
/** So large a share of them must agree. */
const AGREE = 0.75;

/** Beyond this a hand that comes after the other is heard. Unit: ms. Source: our own choice; hands that are together differ by 25 to 40 ms, the middle of six such times by about 20. */
const BEHIND_MS = 80;

export type HandBehind = Extract<HeardFact, { readonly kind: 'hand-behind' }>;

/** A hand that came after the other all the way; null where they were together. */
export function handBehind({ notes }: AskedMusic, keys: readonly StruckKey[], runs: readonly Run[]): HandBehind | null {
  const timeOf = (moment: HeardMoment, hand: Hand): number | null => {
    const own = moment.notes.filter(({ note }) => {
      const asked = notes[note] as AskedNote;
      return asked.hand === hand && !asked.isGrace;
    });
    return own.length === 0 ? null : medianOf(own.map(({ key }) => (keys[key] as StruckKey).downMs));
  };
  const behind = runs.flat().flatMap((moment) => {
    const [right, left] = [timeOf(moment, 'right'), timeOf(moment, 'left')];
    return right === null || left === null ? [] : [left - right];
  });
  const ms = medianOf(behind);
  if (Math.abs(ms) < BEHIND_MS || !doAgree(behind.map((one) => one * Math.sign(ms) > BEHIND_MS / 2))) return null;
  return { kind: 'hand-behind', hand: ms > 0 ? 'left' : 'right', ms: Math.round(Math.abs(ms)) };
}

/** The keys as if that hand had been with the other: what is told once is not told of each note. */
export function together(
  { notes }: AskedMusic,
  keys: readonly StruckKey[],
  { fates }: Alignment,
  behind: HandBehind,
): readonly StruckKey[] {
  return keys.map((key, i) => {
    const note = fates[i]?.note ?? null;
    if (note === null || notes[note]?.hand !== behind.hand) return key;
    return { ...key, downMs: key.downMs - behind.ms, upMs: key.upMs - behind.ms };
  });
}

/** Halves of a beat are even within this share of it. Our own choice: a half that is meant evenly strays by a few hundredths. */
const EVEN = 0.07;

/** Halves of a beat that were uneven all the way: as in swing, or the other way round. */
export function swungIn({ moments, bars }: AskedMusic, runs: readonly Run[]): readonly HeardFact[] {
  const beatOf = (moment: number): number => {
    const index = moments[moment]?.barIndex;
    return bars.find((bar) => bar.index === index)?.beat ?? 1;
  };
  const shares = runs.flatMap((run) =>
    run.flatMap((first, i) => {
      const [half, next] = [run[i + 1], run[i + 2]];
      if (!half || !next || moments[first.moment]?.place === 'between') return [];
      const beat = beatOf(first.moment);
      const isHalved =
        isAbout(half.quarters - first.quarters, beat / 2) && isAbout(next.quarters - first.quarters, beat);
      // In a beat of three there is no half.
      return isHalved && beat === 1 ? [(half.atMs - first.atMs) / (next.atMs - first.atMs)] : [];
    }),
  );
  const share = medianOf(shares);
  const off = share - 0.5;
  if (Math.abs(off) < EVEN || !doAgree(shares.map((one) => (one - 0.5) * Math.sign(off) > EVEN / 2))) return [];
  const longer = Math.max(share, 1 - share);
  return [{ kind: 'swung', first: off > 0 ? 'long' : 'short', times: Math.round((longer / (1 - longer)) * 10) / 10 }];
}

function doAgree(places: readonly boolean[]): boolean {
  return places.length >= LEAST_PLACES && places.filter(Boolean).length >= AGREE * places.length;
}

function isAbout(quarters: number, wanted: number): boolean {
  return Math.abs(quarters - wanted) < 1e-6;
}
