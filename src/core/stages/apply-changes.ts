import {
  asChord,
  carriedIn,
  changeVoices,
  freshIds,
  lengthOf,
  makeBarRest,
  makeEntry,
  withLength,
  withPitch,
  withTies,
  type Entry,
  type Voice,
} from '../edit';
import type { Measure, MeasureItem, NoteId, NoteItem, Score } from '../score';
import type { Ticks } from '../time';
import type { NoteChanges } from './note-changes';
import { restLengths } from './rest-lengths';

/** A stretch of a voice as it becomes: what sounds there, or silence that has to be filled. */
interface Stretch {
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly ahead: readonly MeasureItem[];
  /** What stands there. Null where a note was left out; `instead` is then what a rest in its place is as long as. */
  readonly entry: Entry | null;
  readonly instead: Entry | null;
}

function isSilent({ entry }: Stretch): boolean {
  return entry === null || entry.notes.every(({ pitch }) => pitch === null);
}

/** What is applied, and what rests are made with. */
interface Applying {
  readonly changes: NoteChanges;
  readonly ticksPerQuarter: number;
  readonly nextId: () => NoteId;
}

/** Applies changes to the notes of a part. Where notes are left out, rests stand; words, dynamics and chord symbols stay. */
export function applyChanges(score: Score, partId: string, changes: NoteChanges): Score {
  const touched = new Set([
    ...changes.dropped,
    ...changes.octaves.keys(),
    ...changes.fingers.keys(),
    ...changes.times.keys(),
  ]);
  if (touched.size === 0) return score;
  const applying = { changes, ticksPerQuarter: score.ticksPerQuarter, nextId: idMaker(score) };
  return changeVoices(score, partId, (voice, measure) =>
    voice.entries.some(({ notes }) => notes.some(({ id }) => touched.has(id)))
      ? stagedVoice(voice, measure, applying)
      : voice,
  );
}

function idMaker(score: Score): () => NoteId {
  let next = Number((freshIds(score, 1)[0] as NoteId).slice(1));
  return () => `e${next++}`;
}

function stagedVoice(voice: Voice, measure: Measure, applying: Applying): Voice {
  const stretches = uncovered(stretchesOf(voice, applying));
  const hasNothing = stretches.every(isSilent);
  const carried = stretches.flatMap(({ ahead }) => carriedIn(ahead));
  // A further voice of a staff that has nothing to say any more is not written.
  if (hasNothing && isFurtherVoice(voice, measure) && carried.length === 0) return { ...voice, entries: [] };
  return { ...voice, entries: filled(stretches, voice, measure, applying) };
}

function isFurtherVoice({ staff, voice }: Voice, { items }: Measure): boolean {
  const first = items.find((item) => item.kind === 'note' && item.staff === staff);
  return first?.kind === 'note' && first.voice !== voice;
}

/** The stretches of a voice in order of time. Notes that are struck at another time join those that are struck then. */
function stretchesOf(voice: Voice, { changes, ticksPerQuarter }: Applying): readonly Stretch[] {
  const timed = new Map<Ticks, { readonly notes: readonly NoteItem[]; readonly duration: Ticks }>();
  const stretches: Stretch[] = [];
  let now: Ticks = 0;
  for (const entry of voice.entries) {
    const left = entry.notes.filter(({ id }) => !changes.dropped.has(id)).map((note) => changedNote(note, changes));
    for (const note of left) {
      const time = changes.times.get(note.id);
      if (time)
        timed.set(time.onset, { duration: time.duration, notes: [...(timed.get(time.onset)?.notes ?? []), note] });
    }
    const staying = left.filter(({ id }) => !changes.times.has(id));
    const isSilence = entry.notes.length === 0;
    const octaves = changes.octaves.get(entry.notes[0]?.id ?? '') ?? 0;
    const place = { onset: now, duration: entry.duration };
    if (staying.length === 0 && !isSilence)
      stretches.push({ ...place, ahead: carriedIn(entry.ahead), entry: null, instead: entry });
    else
      stretches.push({
        ...place,
        ahead: graceAlong(entry.ahead, octaves),
        entry: { ...entry, ahead: [], notes: asChord(staying) },
        instead: null,
      });
    now += entry.duration;
  }
  const struck = [...timed].map(([onset, { notes, duration }]): Stretch => ({
    onset,
    duration,
    ahead: [],
    entry: withLength(
      { ahead: [], notes: asChord(notes.map((note) => withTies(note, false, false))), duration },
      { printed: duration, tuplet: null },
      ticksPerQuarter,
    ),
    instead: null,
  }));
  // What sounds goes before the silence that it covers.
  return [...stretches, ...struck].sort((a, b) => a.onset - b.onset || Number(isSilent(a)) - Number(isSilent(b)));
}

/** Grace notes go by the octave of the note that they lead to. */
function graceAlong(ahead: readonly MeasureItem[], octaves: number): readonly MeasureItem[] {
  if (octaves === 0) return ahead;
  return ahead.map((item) => (item.kind === 'note' ? inOctave(item, octaves) : item));
}

function inOctave(note: NoteItem, by: number): NoteItem {
  return by === 0 || !note.pitch ? note : withPitch(note, { ...note.pitch, octave: note.pitch.octave + by });
}

function changedNote(note: NoteItem, { octaves, fingers }: NoteChanges): NoteItem {
  const finger = fingers.get(note.id);
  const placed = inOctave(note, octaves.get(note.id) ?? 0);
  return finger === undefined ? placed : { ...placed, fingers: finger === null ? [] : [finger] };
}

/** Stretches in which nothing sounds any more and that a longer chord now covers go; what stood in front of them goes to the chord. */
function uncovered(stretches: readonly Stretch[]): readonly Stretch[] {
  const kept: Stretch[] = [];
  let end: Ticks = 0;
  for (const stretch of stretches) {
    const last = kept.at(-1);
    if (last && stretch.onset < end) kept.splice(-1, 1, { ...last, ahead: [...last.ahead, ...stretch.ahead] });
    else kept.push(stretch);
    end = Math.max(end, stretch.onset + stretch.duration);
  }
  return kept;
}

/** The entries of a voice, with rests where something was left out. Neighbouring rests become one where nothing stands between them. */
function filled(stretches: readonly Stretch[], voice: Voice, measure: Measure, applying: Applying): readonly Entry[] {
  const entries: Entry[] = [];
  for (let i = 0; i < stretches.length;) {
    const stretch = stretches[i] as Stretch;
    const run = silenceFrom(stretches, i);
    if (run.some(({ entry }) => entry === null)) {
      entries.push(...withAhead(restsOf(run, voice, measure, applying), stretch.ahead));
      i += run.length;
    } else {
      entries.push(...(stretch.entry ? withAhead([stretch.entry], stretch.ahead) : []));
      i += 1;
    }
  }
  return entries;
}

function withAhead(entries: readonly Entry[], ahead: readonly MeasureItem[]): readonly Entry[] {
  const [first, ...rest] = entries;
  return first && ahead.length > 0 ? [{ ...first, ahead: [...ahead, ...first.ahead] }, ...rest] : entries;
}

/** Silence that follows on without anything standing in front of its later parts. */
function silenceFrom(stretches: readonly Stretch[], from: number): readonly Stretch[] {
  const run = stretches.slice(from);
  const end = run.findIndex((stretch, i) => !isSilent(stretch) || (i > 0 && stretch.ahead.length > 0));
  return end < 0 ? run : run.slice(0, end);
}

function restsOf(run: readonly Stretch[], voice: Voice, measure: Measure, applying: Applying): readonly Entry[] {
  const onset = (run[0] as Stretch).onset;
  const duration = run.reduce((sum, stretch) => sum + stretch.duration, 0);
  const place = { staff: voice.staff, voice: voice.voice, ticksPerQuarter: applying.ticksPerQuarter };
  if (onset === 0 && duration === measure.length) return [makeBarRest(applying.nextId(), duration, place)];
  const lengths = restLengths(onset + measure.lead, duration, measure.meter, applying.ticksPerQuarter);
  if (lengths) return lengths.map((printed) => makeEntry([applying.nextId()], [], { printed, tuplet: null }, place));
  // A part of a triplet has no rest of its own length: each note is rested by itself, within its bracket.
  return run.map(
    ({ entry, instead }) => entry ?? makeEntry([applying.nextId()], [], lengthOf(instead as Entry), place),
  );
}
