import type { AskedMusic, AskedNote } from '../asked';

/** Half steps above a sounding note at which another is easily missed: it lies on the overtones of the first. */
const HIDDEN = [12, 19, 24] as const;
/** Of so many notes at once the inner ones are easily missed. */
const CHORD = 3;

/** Whether the ear would surely hear a note: not one that lies on the overtones of another, nor one inside a chord. */
export function isPlain({ notes, moments }: AskedMusic, note: number): boolean {
  const { midi, at } = notes[note] as AskedNote;
  const own = moments.find((moment) => moment.notes.includes(note));
  const together = (own?.notes ?? []).map((other) => (notes[other] as AskedNote).midi);
  if (together.length >= CHORD && midi !== Math.min(...together) && midi !== Math.max(...together)) return false;
  return !notes.some(
    (other) =>
      other.at <= at && other.at + other.length > at && (HIDDEN as readonly number[]).includes(midi - other.midi),
  );
}
