import { diatonicNumber, type Pitch, type Step } from '../pitch';
import { handOfStaff, type NoteId, type Part, type Score } from '../score';
import type { Ticks } from '../time';
import { signatureLine } from '../notation';
import { changeVoice, freeVoice, voiceAt, staffOfHand, voicesOf, type VoicePlace } from './change-voice';
import { withNewBars } from './bar-edits';
import { freshIds, isBarRest, lengthOf, withLength, withPitch, withTies } from './make-entry';
import { withAttribute, type XmlElement } from '../xml';
import { say, withNamed } from './note-xml';
import { openBar, withEntries, type Entry, type Voice } from './open-bar';
import { withoutEntry } from './entry-edits';
import { barCount } from './score-edit';

/** What was copied: bars of all voices of a part, or a passage of one voice, bar by bar. */
export type Clip =
  | { readonly kind: 'bars'; readonly ticksPerQuarter: number; readonly bars: readonly (readonly Voice[])[] }
  | { readonly kind: 'passage'; readonly ticksPerQuarter: number; readonly bars: readonly (readonly Entry[])[] };

/** A passage of one voice: from an entry in one bar up to, and with, an entry in the same or a later bar. */
export interface Region extends VoicePlace {
  readonly index: number;
  readonly toBar: number;
  readonly toIndex: number;
}

/** Copies bars with both hands. */
export function copyBars(score: Score, part: Part, from: number, to: number): Clip {
  const bars = part.measures.slice(from, to + 1).map((measure) => openBar(measure).voices);
  return { kind: 'bars', ticksPerQuarter: score.ticksPerQuarter, bars };
}

/** Copies a passage. */
export function copyRegion(score: Score, part: Part, region: Region): Clip {
  return {
    kind: 'passage',
    ticksPerQuarter: score.ticksPerQuarter,
    bars: placesOf(region).map((bar) => entriesIn(part, region, bar)),
  };
}

/** The bars of a passage. */
export function placesOf({ bar, toBar }: Pick<Region, 'bar' | 'toBar'>): readonly number[] {
  return Array.from({ length: toBar - bar + 1 }, (_, i) => bar + i);
}

function entriesIn(part: Part, region: Region, bar: number): readonly Entry[] {
  const { entries } = voiceAt(part, { ...region, bar });
  return entries.slice(bar === region.bar ? region.index : 0, bar === region.toBar ? region.toIndex + 1 : undefined);
}

/** Takes a passage out. */
export function removeRegion(score: Score, region: Region): Score {
  return placesOf(region).reduce(
    (at, bar) =>
      changeVoice(at, { ...region, bar }, (voice) => {
        const gone = voice.entries.flatMap((_, i) => (isIn(region, bar, i) ? [i] : []));
        return gone.reduceRight((left, i) => withoutEntry(left, i), voice);
      }),
    score,
  );
}

/** Puts what was copied in: bars as new bars in front of a bar; a passage at a place in a voice, its further bars in the bars that follow. */
export function paste(score: Score, at: VoicePlace & { readonly index: number }, clip: Clip): Score {
  if (clip.kind === 'bars') return pasteBars(score, at, clip.bars);
  const missing = Math.max(0, at.bar + clip.bars.length - barCount(score));
  const long = missing > 0 ? withNewBars(score, barCount(score), missing) : score;
  return clip.bars.reduce((result, entries, i) => {
    const index = i === 0 ? at.index : 0;
    const fresh = copied(result, entries, at.staff, at.voice);
    return changeVoice(result, { ...at, bar: at.bar + i }, (voice) => ({
      ...voice,
      entries: voice.entries.toSpliced(index, 0, ...fresh),
    }));
  }, long);
}

function pasteBars(score: Score, at: VoicePlace, bars: readonly (readonly Voice[])[]): Score {
  const empty = withNewBars(score, at.bar, bars.length);
  return bars.reduce((result, voices, i) => fillBar(result, at.partId, at.bar + i, voices), empty);
}

function fillBar(score: Score, partId: string, bar: number, voices: readonly Voice[]): Score {
  return voices.reduce((result, voice) => {
    const entries = copied(result, voice.entries, voice.staff, voice.voice);
    return changeVoice(result, { partId, bar, staff: voice.staff, voice: voice.voice }, (before) => ({
      ...before,
      entries,
    }));
  }, score);
}

/** The same entries as other notes: each with an id of its own, and in the voice they come into. */
function copied(score: Score, entries: readonly Entry[], staff: number, voice: string): readonly Entry[] {
  const ids = freshIds(
    score,
    entries.reduce((sum, { notes }) => sum + notes.length, 0),
  ).values();
  return entries.map((entry) => ({
    ...entry,
    ahead: entry.ahead.filter((item) => item.kind !== 'note'),
    notes: entry.notes.map((note) => {
      const id = ids.next().value as NoteId;
      return { ...note, id, staff, voice, xml: inVoice(withAttribute(note.xml, 'id', id), staff, voice) };
    }),
  }));
}

/** Writes what a hand plays in the bar before once more, in place of what it plays in this one. A bar behind the last is added. */
export function repeatBar(score: Score, part: Part, place: VoicePlace): Score {
  const voice = voiceAt(part, { ...place, bar: place.bar - 1 });
  if (voice.entries.length === 0) return score;
  const long = place.bar >= barCount(score) ? withNewBars(score, barCount(score), 1) : score;
  const untied = voice.entries.map((entry) => ({
    ...entry,
    notes: entry.notes.map((note) => withTies(note, false, false)),
  }));
  const entries = copied(long, untied, place.staff, place.voice);
  return changeVoice(long, place, (before) => withEntries(before, entries));
}

/** Moves a passage up or down the scale, by letters; an octave is seven. */
export function moveRegion(score: Score, part: Part, region: Region, letters: number): Score {
  const signatures = signatureLine(part);
  return placesOf(region).reduce(
    (at, bar) =>
      changeVoice(at, { ...region, bar }, (voice) => {
        const entries = voice.entries.map((entry, i) => {
          if (!isIn(region, bar, i)) return entry;
          const notes = entry.notes.map((note) =>
            note.pitch
              ? withPitch(
                  note,
                  movedPitch(note.pitch, letters, (step) => signatures.alterAt(bar, note.onset, note.staff, step)),
                )
              : note,
          );
          return { ...entry, notes };
        });
        return { ...voice, entries };
      }),
    score,
  );
}

/** A pitch so many letters away. What it was altered against the signature it stays altered by there. */
function movedPitch(pitch: Pitch, letters: number, plain: (step: Step) => number): Pitch {
  const target = Math.min(62, Math.max(0, diatonicNumber(pitch) + letters));
  const step = (target % 7) as Step;
  const alter = Math.min(2, Math.max(-2, plain(step) + pitch.alter - plain(pitch.step)));
  return { step, alter, octave: Math.floor(target / 7) };
}

/** Gives a passage to the other hand, in the same bars and at the same beats. Where that hand is silent it takes the notes as its own; where it
 * plays already they become one more voice of it. Either way nothing is lost, and what is left behind is silence. */
export function toOtherHand(score: Score, part: Part, region: Region): Score {
  if (part.staves < 2) return score;
  const other = staffOfHand(part, handOfStaff(part, region.staff) === 'right' ? 'left' : 'right');
  const [usual] = voicesOf(part, other);
  const fresh = freeVoice(part, other);
  return placesOf(region).reduce((at, bar) => {
    const own = voiceAt(part, { ...region, bar });
    const there = voiceAt(part, { bar, staff: other, voice: usual ?? fresh });
    const isSilent = there.entries.every(({ notes }) => notes.every(({ pitch }) => pitch === null));
    const voice = isSilent && usual !== undefined ? usual : fresh;
    const given = own.entries.map((entry, i) =>
      isIn(region, bar, i) ? placedIn(entry, other, voice) : silence(entry),
    );
    const kept = own.entries.map((entry, i) => (isIn(region, bar, i) ? silence(entry) : entry));
    const taken = changeVoice(at, { partId: region.partId, bar, staff: other, voice }, (one) => ({
      ...one,
      entries: given,
    }));
    return changeVoice(taken, { ...region, bar }, (one) => ({
      ...one,
      entries: kept.some(({ notes }) => notes.length > 0) ? kept : [],
    }));
  }, score);
}

function silence(entry: Entry): Entry {
  return { ahead: [], notes: [], duration: entry.duration };
}

function placedIn(entry: Entry, staff: number, voice: string): Entry {
  return {
    ...entry,
    notes: entry.notes.map((note) => ({ ...note, staff, voice, xml: inVoice(note.xml, staff, voice) })),
  };
}

/** A note's element in another voice; on another staff its stem is left to the engraver. */
function inVoice(xml: XmlElement, staff: number, voice: string): XmlElement {
  const placed = withNamed(withNamed(xml, 'staff', [say('staff', staff)]), 'voice', [say('voice', voice)]);
  return withNamed(placed, 'stem', []);
}

/** Whether the entry at this place of a bar belongs to a passage. */
export function isIn(region: Pick<Region, 'bar' | 'index' | 'toBar' | 'toIndex'>, bar: number, i: number): boolean {
  return (bar > region.bar || i >= region.index) && (bar < region.toBar || i <= region.toIndex);
}

/** What was copied, counted in another piece's ticks; null where a length has none there. */
export function rescale(clip: Clip, ticksPerQuarter: number): Clip | null {
  if (clip.ticksPerQuarter === ticksPerQuarter) return clip;
  // Multiplied before it is divided, so that what comes out whole is whole.
  const inTicks = (ticks: Ticks): Ticks => (ticks * ticksPerQuarter) / clip.ticksPerQuarter;
  const scaled = (entry: Entry): Entry => {
    const { printed, tuplet } = lengthOf(entry);
    if (entry.notes.length === 0 || isBarRest(entry))
      return {
        ...entry,
        duration: inTicks(entry.duration),
        notes: entry.notes.map((note) => ({
          ...note,
          duration: inTicks(note.duration),
          xml: withNamed(note.xml, 'duration', [say('duration', inTicks(note.duration))]),
        })),
      };
    return withLength(entry, { printed: inTicks(printed), tuplet }, ticksPerQuarter);
  };
  const bars =
    clip.kind === 'bars'
      ? clip.bars.map((voices) => voices.map((voice) => ({ ...voice, entries: voice.entries.map(scaled) })))
      : clip.bars.map((entries) => entries.map(scaled));
  const entries =
    clip.kind === 'bars'
      ? (bars as readonly (readonly Voice[])[]).flatMap((voices) => voices.flatMap((voice) => voice.entries))
      : (bars as readonly (readonly Entry[])[]).flat();
  return entries.every(({ duration }) => Number.isInteger(duration))
    ? ({ ...clip, ticksPerQuarter, bars } as Clip)
    : null;
}
