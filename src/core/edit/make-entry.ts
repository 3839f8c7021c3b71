import { childText, element, firstChild, withAttribute, type XmlElement } from '../xml';
import type { Pitch } from '../pitch';
import { pitchElement, type Finger, type NoteId, type NoteItem, type Score } from '../score';
import { noteValue, type Ticks } from '../time';
import { notationsOf, say, withGroup, withNamed, withNotations } from './note-xml';
import type { Entry } from './open-bar';

/** A note that is put in. */
export interface NewNote {
  readonly pitch: Pitch;
  readonly finger: Finger | null;
}

/** How many notes stand in the time of how many. */
export interface Tuplet {
  readonly actual: number;
  readonly normal: number;
}

export const TRIPLET: Tuplet = { actual: 3, normal: 2 };

/** A length as it is printed (a quarter, dotted …), with the tuplet it belongs to. `printed` is without the tuplet, in ticks. */
export interface Length {
  readonly printed: Ticks;
  readonly tuplet: Tuplet | null;
}

/** The time a length takes. */
export function lengthTicks({ printed, tuplet }: Length): Ticks {
  return tuplet ? (printed * tuplet.normal) / tuplet.actual : printed;
}

/** Where an entry belongs, and how long a quarter is there. */
export interface EntryPlace {
  readonly staff: number;
  readonly voice: string;
  readonly ticksPerQuarter: number;
}

/** Makes a chord, a note, or a rest (of no notes). `ids` has one for each note, or one for the rest. */
export function makeEntry(ids: readonly NoteId[], notes: readonly NewNote[], length: Length, place: EntryPlace): Entry {
  const made =
    notes.length === 0
      ? [bareItem(ids[0] as NoteId, null, place)]
      : notes.map((note, i) => bareItem(ids[i] as NoteId, note, place));
  return withLength({ ahead: [], notes: asChord(made), duration: 0 }, length, place.ticksPerQuarter);
}

/** A rest for a whole bar, whatever its length. */
export function makeBarRest(id: NoteId, duration: Ticks, { staff, voice }: EntryPlace): Entry {
  const xml = element('note', { id }, [
    element('rest', { measure: 'yes' }),
    say('duration', duration),
    say('voice', voice),
    say('staff', staff),
  ]);
  return { ahead: [], notes: [{ ...BARE, id, xml, staff, voice, duration }], duration };
}

const BARE: Omit<NoteItem, 'id' | 'xml' | 'staff' | 'voice'> = {
  kind: 'note',
  pitch: null,
  onset: 0,
  duration: 0,
  isGrace: false,
  isCue: false,
  isChordMember: false,
  tieStart: false,
  tieStop: false,
  accidental: null,
  fingers: [],
};

function bareItem(id: NoteId, note: NewNote | null, { staff, voice }: EntryPlace): NoteItem {
  const sound = note ? pitchElement(note.pitch) : element('rest');
  const xml = element('note', { id }, [sound, say('duration', 0), say('voice', voice), say('staff', staff)]);
  return { ...BARE, id, xml, staff, voice, pitch: note?.pitch ?? null, fingers: note?.finger ? [note.finger] : [] };
}

/** All notes of a chord but the first say that they belong to it. */
export function asChord(notes: readonly NoteItem[]): readonly NoteItem[] {
  return notes.map((note, i) => {
    const isChordMember = i > 0;
    if (note.isChordMember === isChordMember && (firstChild(note.xml, 'chord') !== undefined) === isChordMember)
      return note;
    return { ...note, isChordMember, xml: withNamed(note.xml, 'chord', isChordMember ? [element('chord')] : []) };
  });
}

/** Gives an entry another length. A rest that was one for the whole bar becomes a plain one. */
export function withLength(entry: Entry, length: Length, ticksPerQuarter: number): Entry {
  const duration = lengthTicks(length);
  const value = noteValue(length.printed, ticksPerQuarter);
  const notes = entry.notes.map((note): NoteItem => {
    const timed = withNamed(note.xml, 'duration', [say('duration', duration)]);
    const typed = withNamed(timed, 'type', value ? [say('type', value.type)] : []);
    const dotted = withNamed(
      typed,
      'dot',
      Array.from({ length: value?.dots ?? 0 }, () => element('dot')),
    );
    const modified = withNamed(
      dotted,
      'time-modification',
      length.tuplet
        ? [
            element('time-modification', {}, [
              say('actual-notes', length.tuplet.actual),
              say('normal-notes', length.tuplet.normal),
            ]),
          ]
        : [],
    );
    const rested =
      firstChild(modified, 'rest')?.attributes['measure'] === 'yes'
        ? withNamed(modified, 'rest', [element('rest')])
        : modified;
    return { ...note, duration, xml: rested };
  });
  return { ...entry, notes, duration };
}

/** The length that an entry is printed with. */
export function lengthOf(entry: Entry): Length {
  const modification = entry.notes[0] && firstChild(entry.notes[0].xml, 'time-modification');
  if (!modification) return { printed: entry.duration, tuplet: null };
  const tuplet = {
    actual: Number(childText(modification, 'actual-notes') ?? 3),
    normal: Number(childText(modification, 'normal-notes') ?? 2),
  };
  return { printed: (entry.duration * tuplet.actual) / tuplet.normal, tuplet };
}

/** Says whether a note is tied to the one before and to the one after. */
export function withTies(note: NoteItem, tieStop: boolean, tieStart: boolean): NoteItem {
  if (note.tieStop === tieStop && note.tieStart === tieStart) return note;
  const types = [...(tieStop ? ['stop'] : []), ...(tieStart ? ['start'] : [])];
  const tied = withNamed(
    note.xml,
    'tie',
    types.map((type) => element('tie', { type })),
  );
  const xml = withNotations(tied, (all) => {
    const kept = all.filter(({ name }) => name !== 'tied');
    const old = all.filter(({ name }) => name === 'tied');
    const drawn = types.map(
      (type) => old.find(({ attributes }) => attributes['type'] === type) ?? element('tied', { type }),
    );
    return [...drawn, ...kept];
  });
  return { ...note, tieStop, tieStart, xml };
}

/** Another pitch for a note. What was drawn for the old one (its stem, places of ink) is left to the engraver. */
export function withPitch(note: NoteItem, pitch: Pitch): NoteItem {
  const bare = withNamed(withNamed(note.xml, 'pitch', [pitchElement(pitch)]), 'stem', []);
  return {
    ...note,
    pitch,
    xml: ['default-x', 'default-y', 'relative-x', 'relative-y'].reduce(
      (xml, name) => withAttribute(xml, name, undefined),
      bare,
    ),
  };
}

/** Whether a mark such as `staccato` stands at a note, or `fermata`, which stands by itself. */
export function hasSign(note: NoteItem, sign: string): boolean {
  return sign === 'fermata'
    ? notationsOf(note.xml).some(({ name }) => name === sign)
    : notationsOf(note.xml, 'articulations').some(({ name }) => name === sign);
}

/** Puts a mark at a note, or takes it away. */
export function withSign(note: NoteItem, sign: string, is: 'on' | 'off'): NoteItem {
  const changed = (marks: readonly XmlElement[]): readonly XmlElement[] => {
    const others = marks.filter(({ name }) => name !== sign);
    return is === 'on' ? [...others, element(sign)] : others;
  };
  return {
    ...note,
    xml: sign === 'fermata' ? withNotations(note.xml, changed) : withGroup(note.xml, 'articulations', changed),
  };
}

/** Changes the slurs at an entry; a rest has none. */
export function withSlurs(entry: Entry, change: (slurs: readonly XmlElement[]) => readonly XmlElement[]): Entry {
  const first = entry.notes[0];
  if (!first?.pitch) return entry;
  const xml = withNotations(first.xml, (all) => [
    ...change(all.filter(({ name }) => name === 'slur')),
    ...all.filter(({ name }) => name !== 'slur'),
  ]);
  return { ...entry, notes: entry.notes.with(0, { ...first, xml }) };
}

/** The syllable under a note. */
export function withLyric(note: NoteItem, words: string): NoteItem {
  const others = note.xml.children.filter(
    (child): child is XmlElement =>
      child.kind === 'element' && child.name === 'lyric' && (child.attributes['number'] ?? '1') !== '1',
  );
  const goesOn = words.endsWith('-');
  const lyric = element('lyric', { number: '1' }, [
    say('syllabic', goesOn ? 'begin' : 'single'),
    say('text', goesOn ? words.slice(0, -1) : words),
  ]);
  return { ...note, xml: withNamed(note.xml, 'lyric', words === '' ? others : [lyric, ...others]) };
}

/** Ids that no note of the score has yet. */
export function freshIds(score: Score, count: number): readonly NoteId[] {
  const taken = score.parts.flatMap(({ measures }) =>
    measures.flatMap(({ items }) =>
      items.flatMap((item) => (item.kind === 'note' ? [Number(/^e(\d+)$/.exec(item.id)?.[1] ?? 0)] : [])),
    ),
  );
  const from = taken.reduce((most, number) => Math.max(most, number), 0) + 1;
  return Array.from({ length: count }, (_, i) => `e${from + i}`);
}

/** Whether an entry is a rest. */
export function isRest(entry: Entry): boolean {
  return entry.notes.length > 0 && entry.notes.every(({ pitch }) => pitch === null);
}

/** Whether an entry is a rest for the whole bar. */
export function isBarRest(entry: Entry): boolean {
  const rest = entry.notes[0] && firstChild(entry.notes[0].xml, 'rest');
  return rest?.attributes['measure'] === 'yes';
}
