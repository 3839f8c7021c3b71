import { barTroubles, isIn, lengthOf, openBar, placesOf } from '../edit';
import { barNumber, caretOnset, currentEntry, keysUnder, laneOf, partOf, selection, type Next, type Outcome, type Row, type Session, type Typing, type Way } from '../enter';
import { editWords, noticeWords, troubleWords } from '../explain';
import { isBlackKey } from '../keyboard';
import { keyOfSignature, keyPrint, midiNumber, namePrint, pitchPrint, signatureAlter, type Mode, type Step } from '../pitch';
import { handOfStaff, type Finger, type Hand, type NoteItem } from '../score';
import { beatAt, beatTicks, noteValue, type Meter } from '../time';
import { signatureLine } from '../transpose';
import { enteredView, type EnteredView } from './entered-view';
import type { KeyDown, Moment } from './moments';
import { systemPages, type SystemPage } from './system-pages';

/** Where the caret is, by what stands around it: the note it is at (null behind the last of the bar), and the one before it in the bar. */
export interface CaretView {
  readonly hand: Hand;
  readonly staff: number;
  readonly bar: number;
  readonly number: string;
  readonly beat: number;
  readonly at: string | null;
  readonly behind: string | null;
  readonly voice: string;
  readonly isFurtherVoice: boolean;
}

/** A hand as the entering screen shows it: the name of its position, its keys under fingers 1 to 5, how far it is open. */
export interface HandPlace {
  readonly name: string;
  readonly keys: readonly number[];
  readonly onBlack: readonly Finger[];
  readonly openBy: number;
}

/** Everything that the entering screen shows after a key press. */
export interface EntryView {
  readonly title: string;
  readonly composer: string;
  readonly staves: number;
  readonly bars: number;
  readonly notes: number;
  readonly way: Way;
  readonly mode: Typing['mode'];
  readonly caret: CaretView;
  /** Signature and meter where the caret is. */
  readonly frame: { readonly fifths: number; readonly mode: Mode | null; readonly key: string; readonly meter: Meter; readonly pickupQuarters: number };
  /** Lengths in quarters: of each row, and of what is entered by letter or key. */
  readonly rows: Readonly<Record<Row, number>>;
  readonly length: number;
  readonly next: Next;
  readonly triplet: 'off' | 'on';
  readonly moving: Typing['moving'];
  readonly hands: Readonly<Record<Hand, HandPlace>>;
  readonly moment: Moment;
  /** The notes that changes are for, and those selected. */
  readonly current: readonly string[];
  /** The current entry in words, for those who listen. */
  readonly words: string;
  readonly selected: readonly string[];
  readonly systems: readonly SystemPage[];
  /** What was entered by this key press, to be shown until its line is engraved; null where nothing was. */
  readonly entered: EnteredView | null;
  readonly troubles: readonly TroubleView[];
  /** What was done, and what was taken back: the last done and the next to be done again at the end. */
  readonly done: readonly string[];
  readonly undone: readonly string[];
}

export interface TroubleView {
  readonly bar: number;
  readonly hand: Hand;
  readonly staff: number;
  readonly words: string;
}

/** How the page is set out. */
export interface EntryPage {
  readonly columns: number;
  readonly prefix: string;
}

/** Puts a session into what the screen shows. */
export function entryView(session: Session, page: EntryPage): EntryView {
  const { edited, typing } = session;
  const part = partOf(session);
  const { score } = edited;
  const perQuarter = score.ticksPerQuarter;
  const current = currentEntry(session);
  const { bar } = typing.caret;
  const measure = part.measures[Math.min(bar, part.measures.length - 1)];
  const meter = measure?.meter ?? { beats: 4, beatType: 4 };
  const key = signatureLine(part).at(bar, caretOnset(session), 1);
  const named = keyOfSignature(key.fifths, key.mode ?? 'major');
  const first = part.measures[0];
  return {
    title: score.title,
    composer: score.composer,
    staves: part.staves,
    bars: part.measures.length,
    notes: part.measures.reduce((sum, { items }) => sum + items.filter((item) => item.kind === 'note' && item.pitch !== null).length, 0),
    way: typing.way,
    mode: typing.mode,
    caret: caretView(session),
    frame: {
      fifths: key.fifths,
      mode: key.mode,
      key: named.ok ? keyPrint(named.value) : '',
      meter,
      pickupQuarters: first?.xml.attributes['implicit'] === 'yes' ? (first.meter.beats * 4) / first.meter.beatType - first.lead / perQuarter : 0,
    },
    rows: { beat: typing.rows.beat / perQuarter, longer: typing.rows.longer / perQuarter, bar: typing.rows.bar / perQuarter, shorter: typing.rows.shorter / perQuarter },
    length: typing.length / perQuarter,
    next: typing.next,
    triplet: typing.triplet === null ? 'off' : 'on',
    moving: typing.moving,
    hands: { right: handPlace(session, 'right'), left: handPlace(session, 'left') },
    moment: momentAt(session),
    current: current?.entry.notes.map(({ id }) => id) ?? [],
    words: current ? entryWords(session, current.bar, current.entry.notes) : 'nothing entered yet',
    selected: typing.anchor ? selectedIds(session) : [],
    systems: systemPages(score, part, page.columns, page.prefix),
    entered: typing.caret.fresh ? enteredView(session) : null,
    troubles: troublesOf(session),
    done: edited.history.done.map(({ label }) => editWords(label)),
    undone: edited.history.undone.map(({ label }) => editWords(label)),
  };
}

function caretView(session: Session): CaretView {
  const { caret } = session.typing;
  const part = partOf(session);
  const { staff, entries } = laneOf(session);
  const measure = part.measures[caret.bar];
  const perQuarter = session.edited.score.ticksPerQuarter;
  const lead = measure?.xml.attributes['implicit'] === 'yes' ? measure.lead : 0;
  return {
    hand: caret.hand,
    staff,
    bar: caret.bar,
    number: barNumber(session, caret.bar),
    beat: Math.round(beatAt(caretOnset(session), lead, measure?.meter ?? { beats: 4, beatType: 4 }, perQuarter) * 100) / 100,
    at: entries[caret.index]?.notes[0]?.id ?? null,
    behind: entries[caret.index - 1]?.notes.at(-1)?.id ?? null,
    voice: caret.voice,
    isFurtherVoice: caret.voice !== String(4 * (staff - 1) + 1) && part.measures.some((one) => openBar(one).lanes.some((lane) => lane.staff === staff && lane.voice !== caret.voice)),
  };
}

function handPlace(session: Session, hand: Hand): HandPlace {
  const { seats, openings } = session.typing;
  const keys = keysUnder(session, hand);
  const step = (seats[hand] % 7) as Step;
  const signature = signatureLine(partOf(session)).at(session.typing.caret.bar, 0, 1);
  const fingers: readonly Finger[] = [1, 2, 3, 4, 5];
  return {
    name: `${namePrint({ step, alter: signatureAlter(signature.fifths, step) })}${Math.floor(seats[hand] / 7)}`,
    keys,
    onBlack: fingers.filter((_, i) => isBlackKey(keys[i] as number)),
    openBy: openings[hand]?.letters ?? 0,
  };
}

/** What sounds where the current entry begins, in both hands, and where the hands sit. */
function momentAt(session: Session): Moment {
  const part = partOf(session);
  const current = currentEntry(session);
  const bar = current?.bar ?? session.typing.caret.bar;
  const measure = part.measures[bar];
  const first = measure?.items.find((item): item is NoteItem => item.kind === 'note' && item.id === current?.entry.notes[0]?.id);
  const onset = first?.onset ?? 0;
  const sounding = (measure?.items ?? []).filter((item): item is NoteItem => item.kind === 'note' && item.pitch !== null && !item.isGrace && first !== undefined && item.onset <= onset && item.onset + item.duration > onset);
  const keys = sounding.map((note): KeyDown => {
    const pitch = note.pitch as NonNullable<NoteItem['pitch']>;
    const midi = midiNumber(pitch);
    return { noteId: note.id, hand: handOfStaff(part, note.staff), midi, finger: note.fingers[0] ?? null, isBlack: isBlackKey(midi), isStruck: note.onset === onset, name: pitchPrint(pitch), otherName: null };
  });
  const meter = measure?.meter ?? { beats: 4, beatType: 4 };
  return {
    barIndex: bar,
    bar: barNumber(session, bar),
    beat: beatAt(onset, 0, meter, session.edited.score.ticksPerQuarter),
    keys,
    frames: { right: keysUnder(session, 'right'), left: part.staves < 2 ? null : keysUnder(session, 'left') },
  };
}

function entryWords(session: Session, bar: number, notes: readonly NoteItem[]): string {
  const sounding = notes.flatMap(({ pitch, fingers }) => (pitch ? [`${pitchPrint(pitch)}${fingers[0] ? ` finger ${fingers[0]}` : ''}`] : []));
  const { printed, tuplet } = lengthOf({ ahead: [], notes, duration: notes[0]?.duration ?? 0 });
  const value = noteValue(printed, session.edited.score.ticksPerQuarter);
  const length = value ? `${['', 'dotted ', 'double dotted '][value.dots]}${value.type}${tuplet ? ' of a triplet' : ''}` : '';
  return `${sounding.length > 0 ? sounding.join(' and ') : 'rest'}, ${length}, bar ${barNumber(session, bar)}`;
}

function selectedIds(session: Session): readonly string[] {
  const found = selection(session);
  if (!found) return [];
  return placesOf(found).flatMap((bar) =>
    laneOf(session, bar)
      .entries.filter((_, i) => isIn(found, bar, i))
      .flatMap(({ notes }) => notes.map(({ id }) => id)),
  );
}

/** The bars that do not add up. The one that is being filled is none as long as it is the last of its hand and not too long. */
function troublesOf(session: Session): readonly TroubleView[] {
  const part = partOf(session);
  const { caret } = session.typing;
  const perQuarter = session.edited.score.ticksPerQuarter;
  const isBeingFilled = (bar: number, hand: Hand): boolean => bar === caret.bar && hand === caret.hand;
  return barTroubles(part, perQuarter)
    .filter(({ bar, hand, found, wanted }) => found > wanted || !isBeingFilled(bar, hand))
    .map((trouble) => {
      const measure = part.measures[trouble.bar];
      const beat = beatTicks(measure?.meter ?? { beats: 4, beatType: 4 }, perQuarter);
      return { bar: trouble.bar, hand: trouble.hand, staff: trouble.hand === 'right' ? 1 : part.staves, words: troubleWords(trouble, beat) };
    });
}

/** What a key press came to, for the screen. */
export interface PressedView {
  readonly view: EntryView;
  readonly sounds: readonly number[];
  readonly notice: string | null;
}

export function pressedView(outcome: Outcome, page: EntryPage): PressedView {
  return { view: entryView(outcome.session, page), sounds: outcome.sounds, notice: outcome.notice && noticeWords(outcome.notice) };
}
