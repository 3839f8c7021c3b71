import { element, type XmlElement } from '../markup';
import type { NoteItem } from '../score';
import { beamGroup, noteValue, type Meter, type Ticks } from '../time';
import { lengthOf } from './make-entry';
import { withNamed, withNotations } from './note-xml';
import type { Entry, Lane } from './open-bar';

/** Draws beams and brackets of triplets in a voice anew. Common practice: beams within a beat. `lead` is what a pick-up lacks in front. */
export function inkedLane(lane: Lane, meter: Meter, lead: Ticks, ticksPerQuarter: number): Lane {
  const beams = beamsOf(lane.entries, meter, lead, ticksPerQuarter);
  const tuplets = tupletsOf(lane.entries);
  const entries = lane.entries.map((entry, i) => ({ ...entry, notes: entry.notes.map((note, at) => inkedNote(note, at === 0 ? (beams[i] ?? []) : [], at === 0 ? (tuplets[i] ?? []) : [])) }));
  return { ...lane, entries };
}

function inkedNote(note: NoteItem, beams: readonly XmlElement[], tuplets: readonly string[]): NoteItem {
  const beamed = withNamed(note.xml, 'beam', beams);
  const xml = withNotations(beamed, (all) => {
    const own = all.filter(({ name }) => name === 'tuplet');
    if (own.map(({ attributes }) => attributes['type']).join() === tuplets.join()) return all;
    return [...all.filter(({ name }) => name !== 'tuplet'), ...tuplets.map((type) => element('tuplet', { type, number: '1' }))];
  });
  return xml === note.xml ? note : { ...note, xml };
}

/** How many beams a value has. Source: MusicXML 4.0, `note-type-value`. */
const BEAMED = ['eighth', '16th', '32nd', '64th', '128th'];

interface Beamed {
  readonly group: number;
  readonly beams: number;
}

function beamsOf(entries: readonly Entry[], meter: Meter, lead: Ticks, ticksPerQuarter: number): readonly (readonly XmlElement[])[] {
  const size = beamGroup(meter, ticksPerQuarter);
  let now = lead;
  const places = entries.map((entry): Beamed | null => {
    const group = Math.floor(now / size);
    now += entry.duration;
    const beams = BEAMED.indexOf(noteValue(lengthOf(entry).printed, ticksPerQuarter)?.type ?? '') + 1;
    return beams > 0 && entry.notes.some(({ pitch }) => pitch !== null) ? { group, beams } : null;
  });
  return places.map((place, i) => Array.from({ length: place?.beams ?? 0 }, (_, level) => beamAt(places, i, level + 1)).filter((beam) => beam !== null));
}

function beamAt(places: readonly (Beamed | null)[], i: number, level: number): XmlElement | null {
  const own = places[i];
  const joins = (other: Beamed | null | undefined, at: number): boolean => !!other && other.group === own?.group && other.beams >= at;
  const [before, after] = [joins(places[i - 1], level), joins(places[i + 1], level)];
  const words = before && after ? 'continue' : before ? 'end' : after ? 'begin' : null;
  if (words) return element('beam', { number: String(level) }, [words]);
  // A finer beam that no neighbour shares is a hook towards the note it stands with.
  if (joins(places[i - 1], 1)) return element('beam', { number: String(level) }, ['backward hook']);
  return joins(places[i + 1], 1) ? element('beam', { number: String(level) }, ['forward hook']) : null;
}

/** Brackets: notes of a tuplet belong together until they fill the time of its normal notes. */
function tupletsOf(entries: readonly Entry[]): readonly (readonly string[])[] {
  let filled: Ticks = 0;
  let unit: Ticks = 0;
  return entries.map((entry, i) => {
    const { printed, tuplet } = lengthOf(entry);
    if (!tuplet) {
      filled = 0;
      return [];
    }
    const starts = filled === 0;
    unit = starts ? printed : Math.min(unit, printed);
    filled += printed;
    const next = entries[i + 1];
    const ends = filled >= unit * tuplet.actual || !next || lengthOf(next).tuplet === null;
    if (ends) filled = 0;
    return [...(starts ? ['start'] : []), ...(ends ? ['stop'] : [])];
  });
}
