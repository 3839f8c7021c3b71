import { barMiscounts, isIn, lengthOf, openBar, placesOf } from '../edit';
import {
  barNumber,
  caretOnset,
  currentEntry,
  voiceOfCaret,
  partOf,
  selection,
  type Next,
  type Outcome,
  type Row,
  type Session,
  type Typing,
  type InputMethod,
} from '../entry';
import { type Language } from '../explain';
import { keyOfSignature, type Mode } from '../pitch';
import { type Hand, type NoteItem } from '../score';
import { beatAt, beatTicks, noteValue, type Meter } from '../time';
import { signatureLine } from '../notation';
import { abcKey } from '../write';
import { handPlace, momentAt, type HandPlace } from './entry-hands';
import { enteredView, type EnteredView } from './entered-view';
import type { Moment } from './moments';
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

/** Everything that the entering screen shows after a key press. */
export interface EntryView {
  readonly title: string;
  readonly composer: string;
  readonly staves: number;
  readonly bars: number;
  readonly notes: number;
  readonly method: InputMethod;
  readonly mode: Typing['mode'];
  readonly caret: CaretView;
  /** Signature and meter where the caret is. */
  readonly inForce: {
    readonly fifths: number;
    readonly mode: Mode | null;
    readonly key: string;
    /** The same key as ABC writes it; empty where the signature names none. */
    readonly abcKey: string;
    readonly meter: Meter;
    readonly pickupQuarters: number;
  };
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
  readonly miscounts: readonly MiscountView[];
  /** What was done, and what was taken back: the last done and the next to be done again at the end. */
  readonly done: readonly string[];
  readonly undone: readonly string[];
}

export interface MiscountView {
  readonly bar: number;
  readonly hand: Hand;
  readonly staff: number;
  readonly words: string;
  /** What is wrong alone: `5 beats, 4 wanted`. */
  readonly sum: string;
}

/** How the page is set out. */
export interface EntryPage {
  readonly columns: number;
  readonly prefix: string;
}

/** Puts a session into what the screen shows. */
export function entryView(language: Language, session: Session, page: EntryPage): EntryView {
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
  const says = named.ok ? language.inKey(named.value) : language;
  return {
    title: score.title,
    composer: score.composer,
    staves: part.staves,
    bars: part.measures.length,
    notes: part.measures.reduce(
      (sum, { items }) => sum + items.filter((item) => item.kind === 'note' && item.pitch !== null).length,
      0,
    ),
    method: typing.method,
    mode: typing.mode,
    caret: caretView(session),
    inForce: {
      fifths: key.fifths,
      mode: key.mode,
      key: named.ok ? says.key(named.value) : '',
      abcKey: named.ok ? abcKey(named.value) : '',
      meter,
      pickupQuarters:
        first?.xml.attributes['implicit'] === 'yes'
          ? (first.meter.beats * 4) / first.meter.beatType - first.lead / perQuarter
          : 0,
    },
    rows: {
      beat: typing.rows.beat / perQuarter,
      longer: typing.rows.longer / perQuarter,
      bar: typing.rows.bar / perQuarter,
      shorter: typing.rows.shorter / perQuarter,
    },
    length: typing.length / perQuarter,
    next: typing.next,
    triplet: typing.triplet === null ? 'off' : 'on',
    moving: typing.moving,
    hands: { right: handPlace(says, session, 'right'), left: handPlace(says, session, 'left') },
    moment: momentAt(says, session),
    current: current?.entry.notes.map(({ id }) => id) ?? [],
    words: current ? wordsOf(says, session, current.bar, current.entry.notes) : says.nothingEntered,
    selected: typing.anchor ? selectedIds(session) : [],
    systems: systemPages(score, part, page.columns, page.prefix),
    entered: typing.caret.fresh ? enteredView(session) : null,
    miscounts: miscountsOf(says, session),
    done: edited.history.done.map(({ label }) => says.editWords(label)),
    undone: edited.history.undone.map(({ label }) => says.editWords(label)),
  };
}

function caretView(session: Session): CaretView {
  const { caret } = session.typing;
  const part = partOf(session);
  const { staff, entries } = voiceOfCaret(session);
  const measure = part.measures[caret.bar];
  const perQuarter = session.edited.score.ticksPerQuarter;
  const lead = measure?.xml.attributes['implicit'] === 'yes' ? measure.lead : 0;
  return {
    hand: caret.hand,
    staff,
    bar: caret.bar,
    number: barNumber(session, caret.bar),
    beat:
      Math.round(beatAt(caretOnset(session), lead, measure?.meter ?? { beats: 4, beatType: 4 }, perQuarter) * 100) /
      100,
    at: entries[caret.index]?.notes[0]?.id ?? null,
    behind: entries[caret.index - 1]?.notes.at(-1)?.id ?? null,
    voice: caret.voice,
    isFurtherVoice:
      caret.voice !== String(4 * (staff - 1) + 1) &&
      part.measures.some((one) =>
        openBar(one).voices.some((voice) => voice.staff === staff && voice.voice !== caret.voice),
      ),
  };
}

function wordsOf(says: Language, session: Session, bar: number, notes: readonly NoteItem[]): string {
  const { printed, tuplet } = lengthOf({ ahead: [], notes, duration: notes[0]?.duration ?? 0 });
  return says.entryWords({
    notes: notes.flatMap(({ pitch, fingers }) => (pitch ? [{ pitch, finger: fingers[0] ?? null }] : [])),
    value: noteValue(printed, session.edited.score.ticksPerQuarter) ?? null,
    isTuplet: tuplet !== null,
    bar: barNumber(session, bar),
  });
}

function selectedIds(session: Session): readonly string[] {
  const found = selection(session);
  if (!found) return [];
  return placesOf(found).flatMap((bar) =>
    voiceOfCaret(session, bar)
      .entries.filter((_, i) => isIn(found, bar, i))
      .flatMap(({ notes }) => notes.map(({ id }) => id)),
  );
}

/** The bars that do not add up. The one that is being filled is none as long as it is the last of its hand and not too long. */
function miscountsOf(says: Language, session: Session): readonly MiscountView[] {
  const part = partOf(session);
  const { caret } = session.typing;
  const perQuarter = session.edited.score.ticksPerQuarter;
  const isBeingFilled = (bar: number, hand: Hand): boolean => bar === caret.bar && hand === caret.hand;
  return barMiscounts(part, perQuarter)
    .filter(({ bar, hand, found, wanted }) => found > wanted || !isBeingFilled(bar, hand))
    .map((trouble) => {
      const measure = part.measures[trouble.bar];
      const beat = beatTicks(measure?.meter ?? { beats: 4, beatType: 4 }, perQuarter);
      return {
        bar: trouble.bar,
        hand: trouble.hand,
        staff: trouble.hand === 'right' ? 1 : part.staves,
        words: says.miscountWords(trouble, beat),
        sum: says.sumWords(trouble, beat),
      };
    });
}

/** What a key press came to, for the screen. */
export interface PressedView {
  readonly view: EntryView;
  readonly sounds: readonly number[];
  readonly notice: string | null;
}

export function pressedView(says: Language, outcome: Outcome, page: EntryPage): PressedView {
  return {
    view: entryView(says, outcome.session, page),
    sounds: outcome.sounds,
    notice: outcome.notice && says.noticeWords(outcome.notice),
  };
}
