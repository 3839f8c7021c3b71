/** A note that can be beamed: the beat (or group of eighths) that it belongs to, and how many beams its value has. */
export interface Beamed {
  readonly group: number;
  readonly beams: number;
}

export type BeamWord = 'begin' | 'continue' | 'end' | 'backward hook' | 'forward hook';

/** How a note of a voice stands in its beam of a level (1 is the outermost), as MusicXML names it; null where it has none. `places` has an entry a note
 * of the voice, null for one that has no beam. A finer beam that no neighbour shares is a hook towards the note that it stands with. */
export function beamAt(places: readonly (Beamed | null)[], i: number, level: number): BeamWord | null {
  const own = places[i];
  const joins = (other: Beamed | null | undefined, at: number): boolean =>
    !!own && !!other && other.group === own.group && other.beams >= at;
  const [before, after] = [joins(places[i - 1], level), joins(places[i + 1], level)];
  if (before) return after ? 'continue' : 'end';
  if (after) return 'begin';
  if (level === 1) return null;
  if (joins(places[i - 1], 1)) return 'backward hook';
  return joins(places[i + 1], 1) ? 'forward hook' : null;
}
