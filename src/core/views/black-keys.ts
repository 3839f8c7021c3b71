import { isBlackKey } from '../keyboard';
import { groupBy } from '../base';
import { struckNotes, type Finger, type Hand, type HandNote } from '../score';
import type { PitchName } from '../pitch';
import type { Version } from '../piece';

/** A black key that a hand plays, under one finger; null where the finger is not known. */
export interface BlackKeyUse {
  readonly key: PitchName;
  readonly finger: Finger | null;
}

/** The black keys of one hand over a stretch of bars, each pair of key and finger once, lowest key first. */
export interface BlackRun {
  readonly hand: Hand;
  readonly bars: readonly [string, string];
  readonly uses: readonly BlackKeyUse[];
}

/** Which black keys a hand plays and under which fingers: a stretch for each position; positions next to each other
 * that use the same keys with the same fingers count as one. Where nothing is known of positions, one for the piece. */
export function blackRuns(version: Version, hand: Hand): readonly BlackRun[] {
  const own = struckNotes(version.notes).filter((note) => note.hand === hand);
  const positions = version.positions.filter(({ position }) => position.hand === hand);
  const placed = new Set(positions.flatMap(({ notes }) => notes.map(({ id }) => id)));
  const isWholePlaced = own.every((note) => note.isGrace || placed.has(note.id));
  const parts = isWholePlaced ? positions : [{ notes: own, position: { fingers: new Map<string, Finger>() } }];
  const stretches: BlackRun[] = [];
  for (const { notes, position } of parts) {
    const uses = usesOf(notes, position.fingers);
    const bars = [notes[0]?.bar ?? '', notes.at(-1)?.bar ?? ''] as const;
    const before = stretches.at(-1);
    if (before && sameUses(before.uses, uses))
      stretches[stretches.length - 1] = { ...before, bars: [before.bars[0], bars[1]] };
    else stretches.push({ hand, bars, uses });
  }
  return stretches;
}

function usesOf(notes: readonly HandNote[], fingers: ReadonlyMap<string, Finger>): readonly BlackKeyUse[] {
  const black = notes.filter(({ midi }) => isBlackKey(midi)).toSorted((a, b) => a.midi - b.midi);
  const fingerOf = (note: HandNote): Finger | null => fingers.get(note.id) ?? note.finger;
  const pairs = groupBy(black, (note) => `${note.pitch.step}/${note.pitch.alter}/${fingerOf(note)}`);
  return [...pairs.values()].map(([note]) => {
    const { pitch } = note as HandNote;
    return { key: { step: pitch.step, alter: pitch.alter }, finger: fingerOf(note as HandNote) };
  });
}

function sameUses(a: readonly BlackKeyUse[], b: readonly BlackKeyUse[]): boolean {
  const told = (uses: readonly BlackKeyUse[]): string =>
    uses
      .map(({ key, finger }) => `${key.step}/${key.alter}/${finger}`)
      .toSorted()
      .join();
  return told(a) === told(b);
}
