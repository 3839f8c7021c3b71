import type { HandNote, NoteId, Part } from '../score';
import type { Ticks } from '../time';
import { brokenOctaves } from './broken-octaves';
import { brokenChords, chordRoot } from './chord-figures';
import { feltBeat } from './felt-beat';
import { NO_CHANGES, type NoteChanges } from './note-changes';
import { letterOf, lowestOf, strikesOf, type Strike } from './strikes';

/** What is needed of a piece to make its left hand easier. */
export interface LeftHandOf {
  readonly notes: readonly HandNote[];
  readonly part: Part;
  readonly ticksPerQuarter: number;
}

/** The left hand on the beats only: the lowest note of each, with finger 5. Where it plays on beats alone and breaks octaves over them, the beats are those
 * on which the octave begins. */
export function onBeats(of: LeftHandOf): NoteChanges {
  const kept = beatNotes(of);
  return { ...leftWithout(of, new Set(kept.map(({ id }) => id))), fingers: new Map(kept.map(({ id }) => [id, 5])) };
}

/** The same beats, each with the octave that is broken above it, fingers 5 and 1. */
export function withSplitOctaves(of: LeftHandOf): NoteChanges {
  const beats = beatNotes(of);
  const octaves = brokenOctaves(strikesOf(of.notes, 'left'));
  const tops = octaves.map(({ top }) => top);
  const fingers = new Map([...beats.map(({ id }) => [id, 5] as const), ...tops.map(({ id }) => [id, 1] as const)]);
  return { ...leftWithout(of, new Set(fingers.keys())), fingers };
}

/** The root of each chord of the left hand: the note that is struck first where a chord is broken, the chord's own root where it is struck at once. */
export function rootsOnly(of: LeftHandOf): NoteChanges {
  const strikes = strikesOf(of.notes, 'left');
  const broken = brokenChords(of.notes, of.part, 'left', of.ticksPerQuarter);
  const firsts = new Set(broken.map((chord) => lowestOf(chord.strikes[0] as Strike).id));
  const inBroken = new Set(broken.flatMap((chord) => chord.strikes.map((strike) => lowestOf(strike).id)));
  const kept = strikes.flatMap((strike): readonly NoteId[] => {
    const lowest = lowestOf(strike);
    if (inBroken.has(lowest.id)) return firsts.has(lowest.id) ? [lowest.id] : [];
    const root = chordRoot(strike.notes.map(letterOf));
    return [(strike.notes.find((note) => ((letterOf(note) % 7) + 7) % 7 === root) ?? lowest).id];
  });
  return leftWithout(of, new Set(kept));
}

/** Broken chords of the left hand struck at once, each for as long as it sounds. A key that comes again is in the chord once. */
export function blocked(of: LeftHandOf): NoteChanges {
  const chords = brokenChords(of.notes, of.part, 'left', of.ticksPerQuarter);
  const dropped = new Set<NoteId>();
  const fingers = new Map<NoteId, null>();
  const times = new Map<NoteId, { readonly onset: Ticks; readonly duration: Ticks }>();
  for (const { strikes, duration } of chords) {
    const onset = lowestOf(strikes[0] as Strike).item.onset;
    const seen = new Map<number, HandNote>();
    for (const strike of strikes) {
      const note = lowestOf(strike);
      if (seen.has(note.midi)) dropped.add(note.id);
      else {
        // One finger cannot hold two keys: which other one takes the second is for the planner to say.
        if (note.finger !== null && [...seen.values()].some(({ finger }) => finger === note.finger))
          fingers.set(note.id, null);
        seen.set(note.midi, note);
        times.set(note.id, { onset, duration });
      }
    }
  }
  return { ...NO_CHANGES, dropped, fingers, times };
}

/** The notes that are left on the beats. An upper note of a broken octave is not what its beat stands on, even where it falls on one. */
function beatNotes(of: LeftHandOf): readonly HandNote[] {
  const strikes = strikesOf(of.notes, 'left');
  const tops = new Set(brokenOctaves(strikes).map(({ top }) => top.id));
  return strikes.map(lowestOf).filter((note) => isOnBeat(note, of) && !tops.has(note.id));
}

/** Whether a note is struck on a beat as it is felt. */
export function isOnBeat({ barIndex, item }: HandNote, { part, ticksPerQuarter }: LeftHandOf): boolean {
  const measure = part.measures[barIndex];
  return measure !== undefined && (item.onset + measure.lead) % feltBeat(measure.meter, ticksPerQuarter) === 0;
}

/** The left hand without the notes that are not kept; the right hand stays. */
function leftWithout({ notes }: LeftHandOf, kept: ReadonlySet<NoteId>): NoteChanges {
  const left = notes.filter(({ hand, id }) => hand === 'left' && !kept.has(id));
  return { ...NO_CHANGES, dropped: new Set(left.map(({ id }) => id)) };
}
