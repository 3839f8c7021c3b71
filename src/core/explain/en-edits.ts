import type { BarMiscount, EditLabel } from '../edit';
import type { Notice } from '../entry';
import type { NoteValue } from '../time';
import { pitchPrint, type Pitch } from '../pitch';
import { assertNever } from '../base';
import { countWord, HAND, listed } from './en-common';

const SIGN_NAMES: Readonly<Record<string, string>> = {
  staccato: 'staccato',
  accent: 'accent',
  tenuto: 'tenuto',
  fermata: 'fermata',
};

/** What an edit was, for the list of edits and for “taken back: …”. */
export function editWords(label: EditLabel): string {
  switch (label.code) {
    case 'entered':
      return `${listed(label.pitches.map(pitchPrint))}${label.finger ? ` with ${label.finger}` : ''}, ${HAND[label.hand]}, bar ${label.bar}`;
    case 'rest':
      return `rest, ${HAND[label.hand]}, bar ${label.bar}`;
    case 'joined':
      return `${pitchPrint(label.pitch)} added to the chord, bar ${label.bar}`;
    case 'removed':
      return `${label.what} taken out, bar ${label.bar}`;
    case 'length':
      return `another length, bar ${label.bar}`;
    case 'pitch':
      return `${pitchPrint(label.from)} made ${pitchPrint(label.to)}, bar ${label.bar}`;
    case 'finger':
      return label.finger ? `finger ${label.finger}, bar ${label.bar}` : `finger taken away, bar ${label.bar}`;
    case 'tie':
      return `tie ${label.is === 'on' ? 'drawn' : 'taken away'}, bar ${label.bar}`;
    case 'slur':
      return `slur ${label.is === 'off' ? 'taken away' : label.is}, bar ${label.bar}`;
    case 'sign':
      return `${SIGN_NAMES[label.sign] ?? label.sign} ${label.is === 'on' ? 'set' : 'taken away'}, bar ${label.bar}`;
    case 'words':
      return label.text === ''
        ? `words taken away, bar ${label.bar}`
        : `“${label.text}” ${label.kind === 'lyric' ? 'under' : 'at'} a note, bar ${label.bar}`;
    case 'bars-added':
      return `${countWord(label.count)} ${label.count === 1 ? 'bar' : 'bars'} put in before bar ${label.bar}`;
    case 'bars-removed':
      return `${countWord(label.count)} ${label.count === 1 ? 'bar' : 'bars'} taken out from bar ${label.bar}`;
    case 'bar-repeated':
      return `the bar before repeated in bar ${label.bar}`;
    case 'pasted':
      return `what was copied put in, bar ${label.bar}`;
    case 'moved-passage':
      return `moved ${stepsWords(label.steps)}, bar ${label.bar}`;
    case 'other-hand':
      return `given to the ${HAND[label.hand]}, bar ${label.bar}`;
    case 'meter':
      return `${label.meter.beats}/${label.meter.beatType} from bar ${label.bar}`;
    case 'signature':
      return `${signsWords(label.fifths)} from bar ${label.bar}`;
    case 'pick-up':
      return label.quarters > 0 ? 'first bar made a pick-up' : 'pick-up made a full bar';
    case 'heading':
      return label.text === '' ? `${label.what} taken away` : `${label.what} “${label.text}”`;
    case 'tempo':
      return `tempo ${label.perMinute} quarters a minute`;
    case 'played-in':
      return `${countWord(label.notes)} ${label.notes === 1 ? 'note' : 'notes'} played in from bar ${label.bar}`;
    case 'abc':
      return `ABC from bar ${label.bar}`;
    default:
      return assertNever(label);
  }
}

function stepsWords(steps: number): string {
  const direction = steps > 0 ? 'up' : 'down';
  const size = Math.abs(steps);
  return size === 7 ? `an octave ${direction}` : `${countWord(size)} ${size === 1 ? 'step' : 'steps'} ${direction}`;
}

/** A signature by its signs. */
export function signsWords(fifths: number): string {
  if (fifths === 0) return 'no sharps or flats';
  const count = Math.abs(fifths);
  return `${countWord(count)} ${fifths > 0 ? 'sharp' : 'flat'}${count === 1 ? '' : 's'}`;
}

/** Why a key press did nothing, and what to do. */
export function noticeWords(notice: Notice): string {
  switch (notice.code) {
    case 'nothing-to-change':
      return 'There is nothing here to change. Enter a note first, or go to one with the arrows.';
    case 'nothing-to-tie':
      return 'A tie joins two notes of the same key: enter the key of the note before.';
    case 'off-keyboard':
      return 'That is beyond the ends of the keyboard. Move the hand the other way.';
    case 'nothing-copied':
      return 'Nothing was copied yet. Select notes with Shift and the arrows, then copy them.';
    case 'clip-too-fine':
      return 'These lengths cannot be written in this piece. Copy a passage without them.';
    case 'no-bar-before':
      return 'There is nothing in the bar before that could be repeated.';
    case 'one-hand-only':
      return 'This piece has one staff only, so there is no other hand.';
    case 'last-bar':
      return 'A piece keeps at least one bar. Take its notes out instead.';
    case 'nothing-to-undo':
      return 'Everything done to this piece is taken back already.';
    case 'nothing-to-redo':
      return 'There is nothing to do again.';
    default:
      return assertNever(notice);
  }
}

/** A bar that does not add up, in beats of its meter. `beat` is the length of one. */
export function miscountWords(miscount: BarMiscount, beat: number): string {
  return `Bar ${miscount.number}, ${HAND[miscount.hand]}: ${sumWords(miscount, beat)}`;
}

/** The same where bar and hand are seen: `5 beats, 4 wanted`. */
export function sumWords({ found, wanted }: BarMiscount, beat: number): string {
  const beats = (ticks: number): string => String(Math.round((ticks / beat) * 100) / 100);
  return `${beats(found)} beats, ${beats(wanted)} wanted`;
}

/** What was entered at one place. */
export interface EntryFacts {
  /** Empty for a rest. */
  readonly notes: readonly { readonly pitch: Pitch; readonly finger: number | null }[];
  /** Null where the length is none that is written as one note. */
  readonly value: NoteValue | null;
  readonly isTuplet: boolean;
  readonly bar: string;
}

/** What those hear who listen before anything is entered. */
export const NOTHING_ENTERED = 'nothing entered yet';

const DOTS = ['', 'dotted ', 'double dotted '];

/** An entry for those who listen: `C4 finger 1 and E4 finger 3, dotted quarter, bar 2`. */
export function entryWords({ notes, value, isTuplet, bar }: EntryFacts): string {
  const sounding = notes.map(
    ({ pitch, finger }) => `${pitchPrint(pitch)}${finger === null ? '' : ` finger ${finger}`}`,
  );
  const length = value ? `${DOTS[value.dots]}${value.type}${isTuplet ? ' of a triplet' : ''}` : '';
  return `${sounding.length > 0 ? sounding.join(' and ') : 'rest'}, ${length}, bar ${bar}`;
}
