import { element, type XmlElement } from '../xml';
import type { NoteItem } from '../score';
import { beamAt, beamGroup, type Beamed } from '../notation';
import { noteValue, type Meter, type Ticks } from '../time';
import { lengthOf } from './make-entry';
import { withNamed, withNotations } from './note-xml';
import type { Entry, Voice } from './open-bar';

/** Draws beams and brackets of triplets in a voice anew. Common practice: beams within a beat. `lead` is what a pick-up lacks in front. */
export function drawBeamsAndBrackets(voice: Voice, meter: Meter, lead: Ticks, ticksPerQuarter: number): Voice {
  const beams = beamsOf(voice.entries, meter, lead, ticksPerQuarter);
  const tuplets = tupletsOf(voice.entries);
  const entries = voice.entries.map((entry, i) => ({
    ...entry,
    notes: entry.notes.map((note, at) =>
      drawNote(note, at === 0 ? (beams[i] ?? []) : [], at === 0 ? (tuplets[i] ?? []) : []),
    ),
  }));
  return { ...voice, entries };
}

function drawNote(note: NoteItem, beams: readonly XmlElement[], tuplets: readonly string[]): NoteItem {
  const beamed = withNamed(note.xml, 'beam', beams);
  const xml = withNotations(beamed, (all) => {
    const own = all.filter(({ name }) => name === 'tuplet');
    if (own.map(({ attributes }) => attributes['type']).join() === tuplets.join()) return all;
    return [
      ...all.filter(({ name }) => name !== 'tuplet'),
      ...tuplets.map((type) => element('tuplet', { type, number: '1' })),
    ];
  });
  return xml === note.xml ? note : { ...note, xml };
}

/** How many beams a value has. Source: MusicXML 4.0, `note-type-value`. */
const BEAMED = ['eighth', '16th', '32nd', '64th', '128th'];

function beamsOf(
  entries: readonly Entry[],
  meter: Meter,
  lead: Ticks,
  ticksPerQuarter: number,
): readonly (readonly XmlElement[])[] {
  const size = beamGroup(meter, ticksPerQuarter);
  let now = lead;
  const places = entries.map((entry): Beamed | null => {
    const group = Math.floor(now / size);
    now += entry.duration;
    const beams = BEAMED.indexOf(noteValue(lengthOf(entry).printed, ticksPerQuarter)?.type ?? '') + 1;
    return beams > 0 && entry.notes.some(({ pitch }) => pitch !== null) ? { group, beams } : null;
  });
  return places.map((place, i) =>
    Array.from({ length: place?.beams ?? 0 }, (_, level) =>
      beamElement(level + 1, beamAt(places, i, level + 1)),
    ).filter((beam) => beam !== null),
  );
}

function beamElement(level: number, word: ReturnType<typeof beamAt>): XmlElement | null {
  return word === null ? null : element('beam', { number: String(level) }, [word]);
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
