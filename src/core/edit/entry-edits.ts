import { element, type XmlElement } from '../xml';
import { diatonicNumber, midiNumber, type Pitch } from '../pitch';
import type { CarriedItem, Finger, NoteId, NoteItem, Score } from '../score';
import { changeVoice, type VoicePlace } from './change-voice';
import {
  asChord,
  hasSign,
  lengthOf,
  makeEntry,
  withLength,
  withPitch,
  withSign,
  withSlurs,
  type EntryPlace,
  type Length,
  type NewNote,
} from './make-entry';
import { notationsOf, withNamed, withNotations } from './note-xml';
import { carriedIn, type Entry, type Voice } from './open-bar';

/** An entry in a voice: the how-many-eth it is in its bar. */
export interface EntryAt extends VoicePlace {
  readonly index: number;
}

/** Puts an entry in front of the one at its place, or at the end of the voice. */
export function insertEntry(score: Score, at: EntryAt, entry: Entry): Score {
  return changeVoice(score, at, (voice) => ({ ...voice, entries: voice.entries.toSpliced(at.index, 0, entry) }));
}

/** Changes the entry at a place. */
export function changeEntry(score: Score, at: EntryAt, change: (entry: Entry) => Entry): Score {
  return changeVoice(score, at, (voice) => {
    const entry = voice.entries[at.index];
    const changed = entry && change(entry);
    return !changed || changed === entry ? voice : { ...voice, entries: voice.entries.with(at.index, changed) };
  });
}

/** Takes an entry out. What stood in front of it stays, in front of what comes after; a slur goes on to its neighbours. */
export function removeEntry(score: Score, at: EntryAt): Score {
  return changeVoice(score, at, (voice) => withoutEntry(voice, at.index));
}

export function withoutEntry(voice: Voice, index: number): Voice {
  const gone = voice.entries[index];
  if (!gone) return voice;
  const own = gone.notes.flatMap((note) => notationsOf(note.xml)).filter(({ name }) => name === 'slur');
  const ends = (type: string): readonly XmlElement[] =>
    own.filter(
      ({ attributes }) =>
        attributes['type'] === type &&
        !own.some((other) => other.attributes['type'] !== type && other.attributes['number'] === attributes['number']),
    );
  const entries = voice.entries.map((entry, i) => {
    if (i === index - 1) return withSlurs(entry, (slurs) => [...slurs, ...ends('stop')]);
    return i === index + 1
      ? {
          ...withSlurs(entry, (slurs) => [...slurs, ...ends('start')]),
          ahead: [...carriedIn(gone.ahead), ...entry.ahead],
        }
      : entry;
  });
  const isLast = index === voice.entries.length - 1;
  return {
    ...voice,
    entries: entries.toSpliced(index, 1),
    after: isLast ? [...carriedIn(gone.ahead), ...voice.after] : voice.after,
  };
}

/** Writes other notes and another length over an entry. It stays the same note to whatever hangs on it: its id, its slurs, its words. */
export function overwriteEntries(
  old: Entry,
  notes: readonly NewNote[],
  ids: readonly NoteId[],
  { length, place }: { readonly length: Length; readonly place: EntryPlace },
): Entry {
  const fresh = makeEntry([old.notes[0]?.id ?? (ids[0] as NoteId), ...ids.slice(1)], notes, length, place);
  const [first, made] = [old.notes[0], fresh.notes[0]];
  if (!first?.pitch || !made?.pitch) return { ...fresh, ahead: old.ahead };
  const kept = withPitch({ ...first, fingers: made.fingers }, made.pitch);
  return withLength(
    { ...fresh, ahead: old.ahead, notes: asChord([kept, ...fresh.notes.slice(1)]) },
    length,
    place.ticksPerQuarter,
  );
}

/** Adds a note to a chord, lowest first; a rest becomes the note. A key that is there already is not doubled. */
export function withNote(entry: Entry, note: NewNote, id: NoteId, place: EntryPlace): Entry {
  if (entry.notes.some(({ pitch }) => pitch && midiNumber(pitch) === midiNumber(note.pitch))) return entry;
  const sounding = entry.notes.filter(({ pitch }) => pitch !== null);
  if (sounding.length === 0) return overwriteEntries(entry, [note], [id], { length: lengthOf(entry), place });
  const added = makeEntry([id], [note], lengthOf(entry), place).notes;
  const notes = [...sounding, ...added].sort(
    (a, b) => diatonicNumber(a.pitch as Pitch) - diatonicNumber(b.pitch as Pitch),
  );
  return { ...entry, notes: chordWithFirst(notes, sounding[0] as NoteItem) };
}

/** What belongs to a chord as a whole stands at its first note: it goes along when another note becomes the first. */
function chordWithFirst(notes: readonly NoteItem[], before: NoteItem): readonly NoteItem[] {
  const first = notes[0] as NoteItem;
  if (first.id === before.id) return asChord(notes);
  const whole = notationsOf(before.xml).filter(({ name }) => OF_THE_CHORD.includes(name));
  const lyrics = before.xml.children.filter(
    (child): child is XmlElement => child.kind === 'element' && child.name === 'lyric',
  );
  return asChord(
    notes.map((note) => {
      if (note.id === before.id)
        return {
          ...note,
          xml: withNamed(
            withNamed(
              withNotations(note.xml, (all) => all.filter(({ name }) => !OF_THE_CHORD.includes(name))),
              'lyric',
              [],
            ),
            'beam',
            [],
          ),
        };
      return note.id === first.id
        ? {
            ...note,
            xml: withNamed(
              withNotations(note.xml, (all) => [...all, ...whole]),
              'lyric',
              lyrics,
            ),
          }
        : note;
    }),
  );
}

const OF_THE_CHORD = ['slur', 'articulations', 'fermata', 'tuplet'];

/** Takes one note out of a chord; the last one leaves a rest of its length. */
export function withoutNote(entry: Entry, id: NoteId, place: EntryPlace): Entry {
  const left = entry.notes.filter((note) => note.id !== id);
  if (left.length === entry.notes.length) return entry;
  if (left.length === 0) return overwriteEntries(entry, [], [id], { length: lengthOf(entry), place });
  return { ...entry, notes: chordWithFirst(left, entry.notes[0] as NoteItem) };
}

/** Another finger for a note, or none. */
export function withFinger(entry: Entry, id: NoteId, finger: Finger | null): Entry {
  const notes = entry.notes.map((note) =>
    note.id === id ? { ...note, fingers: finger === null ? [] : [finger] } : note,
  );
  return { ...entry, notes };
}

/** Puts a mark at an entry, or takes it away where it is. */
export function toggleSign(entry: Entry, sign: string): Entry {
  const first = entry.notes[0];
  if (!first || (first.pitch === null && sign !== 'fermata')) return entry;
  return { ...entry, notes: entry.notes.with(0, withSign(first, sign, hasSign(first, sign) ? 'off' : 'on')) };
}

/** The dynamics that can be entered. Source: MusicXML 4.0, `dynamics`. */
export const DYNAMICS = ['pp', 'p', 'mp', 'mf', 'f', 'ff'] as const;
export type Dynamic = (typeof DYNAMICS)[number];

/** Sets a dynamic at an entry, in place of one that is there; null takes it away. */
export function withDynamic(entry: Entry, dynamic: Dynamic | null, staff: number): Entry {
  return withDirection(entry, 'dynamics', dynamic && element('dynamics', {}, [element(dynamic)]), {
    placement: 'below',
    staff,
  });
}

/** Sets words over an entry, in place of those that are there; none takes them away. */
export function withWords(entry: Entry, words: string, staff: number): Entry {
  return withDirection(entry, 'words', words === '' ? null : element('words', {}, [words]), {
    placement: 'above',
    staff,
  });
}

function withDirection(
  entry: Entry,
  kind: string,
  content: XmlElement | null,
  { placement, staff }: { readonly placement: string; readonly staff: number },
): Entry {
  const others = entry.ahead.filter((item) => !isDirection(item, kind));
  if (!content) return others.length === entry.ahead.length ? entry : { ...entry, ahead: others };
  const node = element('direction', { placement }, [
    element('direction-type', {}, [content]),
    element('staff', {}, [String(staff)]),
  ]);
  const item: CarriedItem = { kind: 'carried', onset: 0, node };
  return { ...entry, ahead: [...others, item] };
}

/** Whether an item is a direction with one thing to say, of this kind. */
function isDirection(item: Entry['ahead'][number], kind: string): boolean {
  if (item.kind !== 'carried' || item.node.kind !== 'element' || item.node.name !== 'direction') return false;
  const types = item.node.children.filter(
    (child): child is XmlElement => child.kind === 'element' && child.name === 'direction-type',
  );
  const said = types.flatMap((type) => type.children.filter((child): child is XmlElement => child.kind === 'element'));
  return said.length === 1 && said[0]?.name === kind;
}
