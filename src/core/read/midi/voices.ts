import { groupBy } from '../../base';
import { fifthsOf, intervalOf, spellKey, transposeBy, type Pitch } from '../../pitch';
import type { Ticks } from '../../time';
import { PLAIN_EVENT, withTriplets, type PlainEvent, type PlainLyric } from '../../plain-piece';
import type { GridNote } from './grid';

/** How a stretch of the piece is spelled. */
export interface Spelling {
  readonly from: Ticks;
  readonly fifths: number;
  readonly mode: 'major' | 'minor';
}

/** The most voices of one hand; what does not fit is shortened to let the next begin. */
const MOST_VOICES = 2;

/** Turns the notes of one hand into voices: notes that begin and end together are a chord, what sounds on under others
 * gets a voice of its own. */
export function voicesOf(
  notes: readonly GridNote[],
  spellings: readonly Spelling[],
  words: ReadonlyMap<Ticks, PlainLyric>,
): readonly (readonly PlainEvent[])[] {
  const pitches = spelled(notes, spellings);
  const chords = [
    ...groupBy(
      notes.toSorted((a, b) => a.onset - b.onset || b.end - a.end || a.key - b.key),
      ({ onset, end }) => `${onset}/${end}`,
    ).values(),
  ];
  const voices: { events: PlainEvent[]; until: Ticks }[] = [];
  for (const chord of chords) {
    const { onset, end } = chord[0] as GridNote;
    const free = voices.find(({ until }) => until <= onset);
    const voice = free ?? (voices.length < MOST_VOICES ? newVoice(voices) : shortened(voices, onset));
    const members = chord
      .toSorted((a, b) => a.key - b.key)
      .map((note) => ({ pitch: pitches.get(note) as Pitch, finger: null, tiesOn: false }));
    const lyric = voice === voices[0] ? words.get(onset) : undefined;
    voice.events.push({ ...PLAIN_EVENT, onset, duration: end - onset, notes: members, lyrics: lyric ? [lyric] : [] });
    voice.until = end;
  }
  return voices.map(({ events }) => withTriplets(events));
}

interface Voice {
  events: PlainEvent[];
  until: Ticks;
}

function newVoice(voices: Voice[]): Voice {
  const voice = { events: [], until: 0 };
  voices.push(voice);
  return voice;
}

/** The voice that ends first is cut off so that the next chord can begin. A chord at the very same moment joins it. */
function shortened(voices: readonly Voice[], onset: Ticks): Voice {
  const voice = voices.toSorted((a, b) => a.until - b.until)[0] as Voice;
  const last = voice.events.at(-1);
  if (last && last.onset < onset) voice.events[voice.events.length - 1] = { ...last, duration: onset - last.onset };
  else voice.events.pop();
  return voice;
}

function spelled(notes: readonly GridNote[], spellings: readonly Spelling[]): ReadonlyMap<GridNote, Pitch> {
  const inTime = notes.toSorted((a, b) => a.onset - b.onset || b.key - a.key);
  const first = inTime.map((note, i) => {
    const spelling = spellings.findLast(({ from }) => from <= note.onset) ?? {
      from: 0,
      fifths: 0,
      mode: 'major' as const,
    };
    const before = inTime
      .slice(Math.max(0, i - 4), i)
      .findLast((other) => other.onset < note.onset && other.key !== note.key);
    const next = inTime.slice(i + 1, i + 5).find((other) => other.onset > note.onset && other.key !== note.key);
    return spellKey(
      { midi: note.key, before: before?.key ?? null, next: next?.key ?? null },
      spelling.fifths,
      spelling.mode,
    );
  });
  const second = first.map((pitch, i) => nearNeighbours(pitch, first.slice(Math.max(0, i - NEAR), i + NEAR + 1)));
  return new Map(inTime.map((note, i) => [note, second[i] as Pitch]));
}

/** How many notes to either side a note is spelled like. Our own choice. */
const NEAR = 8;

/** Puts a note under its other letter where the notes around it lie that way: a piece may change its key without saying. */
function nearNeighbours(pitch: Pitch, around: readonly Pitch[]): Pitch {
  const other = otherLetter(pitch);
  const middle = around.reduce((sum, near) => sum + fifthsOf(near), 0) / around.length;
  return other && Math.abs(fifthsOf(other) - middle) + 2 < Math.abs(fifthsOf(pitch) - middle) ? other : pitch;
}

function otherLetter(pitch: Pitch): Pitch | null {
  const turned = transposeBy(
    pitch,
    pitch.alter > 0 || (pitch.alter === 0 && fifthsOf(pitch) > 2) ? intervalOf(1, 0) : intervalOf(-1, 0),
  );
  return turned.ok && Math.abs(turned.value.alter) <= 1 ? turned.value : null;
}
