import type { BarMiscount, EditLabel } from '../../edit';
import type { Notice } from '../../entry';
import type { NoteValue } from '../../time';
import { type Pitch } from '../../pitch';
import { assertNever } from '../../base';
import { countWord, HAND, listed } from './common';
import { valueWords } from './values';
import type { Terms } from './terms';

const SIGN_NAMES: Readonly<Record<string, string>> = {
  staccato: 'staccato',
  accent: 'accent',
  tenuto: 'tenuto',
  fermata: 'fermata',
};

/** What an edit was, for the list of edits and for “taken back: …”. */
export function editWords(t: Terms, label: EditLabel): string {
  switch (label.code) {
    case 'entered':
      return `${listed(label.pitches.map(t.pitch))}${label.finger ? ` with ${label.finger}` : ''}, ${HAND[label.hand]}, ${t.bar} ${label.bar}`;
    case 'rest':
      return `rest, ${HAND[label.hand]}, ${t.bar} ${label.bar}`;
    case 'joined':
      return `${t.pitch(label.pitch)} added to the chord, ${t.bar} ${label.bar}`;
    case 'removed':
      return `${label.what} taken out, ${t.bar} ${label.bar}`;
    case 'length':
      return `another length, ${t.bar} ${label.bar}`;
    case 'pitch':
      return `${t.pitch(label.from)} made ${t.pitch(label.to)}, ${t.bar} ${label.bar}`;
    case 'finger':
      return label.finger
        ? `finger ${label.finger}, ${t.bar} ${label.bar}`
        : `finger taken away, ${t.bar} ${label.bar}`;
    case 'tie':
      return `tie ${label.is === 'on' ? 'drawn' : 'taken away'}, ${t.bar} ${label.bar}`;
    case 'slur':
      return `slur ${label.is === 'off' ? 'taken away' : label.is}, ${t.bar} ${label.bar}`;
    case 'sign':
      return `${SIGN_NAMES[label.sign] ?? label.sign} ${label.is === 'on' ? 'set' : 'taken away'}, ${t.bar} ${label.bar}`;
    case 'words':
      return label.text === ''
        ? `words taken away, ${t.bar} ${label.bar}`
        : `“${label.text}” ${label.kind === 'lyric' ? 'under' : 'at'} a note, ${t.bar} ${label.bar}`;
    case 'bars-added':
      return `${countWord(label.count)} ${label.count === 1 ? t.bar : t.bars} put in before ${t.bar} ${label.bar}`;
    case 'bars-removed':
      return `${countWord(label.count)} ${label.count === 1 ? t.bar : t.bars} taken out from ${t.bar} ${label.bar}`;
    case 'bar-repeated':
      return `the ${t.bar} before repeated in ${t.bar} ${label.bar}`;
    case 'pasted':
      return `what was copied put in, ${t.bar} ${label.bar}`;
    case 'moved-passage':
      return `moved ${stepsWords(label.steps)}, ${t.bar} ${label.bar}`;
    case 'other-hand':
      return `given to the ${HAND[label.hand]}, ${t.bar} ${label.bar}`;
    case 'meter':
      return `${label.meter.beats}/${label.meter.beatType} from ${t.bar} ${label.bar}`;
    case 'signature':
      return `${signsWords(label.fifths)} from ${t.bar} ${label.bar}`;
    case 'pick-up':
      return label.quarters > 0 ? `first ${t.bar} made a pick-up` : `pick-up made a full ${t.bar}`;
    case 'heading':
      return label.text === '' ? `${label.what} taken away` : `${label.what} “${label.text}”`;
    case 'tempo':
      return `tempo ${label.perMinute} ${t.values('quarter')} a minute`;
    case 'played-in':
      return `${countWord(label.notes)} ${label.notes === 1 ? 'note' : 'notes'} played in from ${t.bar} ${label.bar}`;
    case 'abc':
      return `ABC from ${t.bar} ${label.bar}`;
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
export function noticeWords(t: Terms, notice: Notice): string {
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
      return `There is nothing in the ${t.bar} before that could be repeated.`;
    case 'one-hand-only':
      return 'This piece has one staff only, so there is no other hand.';
    case 'last-bar':
      return `A piece keeps at least one ${t.bar}. Take its notes out instead.`;
    case 'nothing-to-undo':
      return 'Everything done to this piece is taken back already.';
    case 'nothing-to-redo':
      return 'There is nothing to do again.';
    default:
      return assertNever(notice);
  }
}

/** A bar that does not add up, in beats of its meter. `beat` is the length of one. */
export function miscountWords(t: Terms, miscount: BarMiscount, beat: number): string {
  return `${t.Bar} ${miscount.number}, ${HAND[miscount.hand]}: ${sumWords(miscount, beat)}`;
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

/** An entry for those who listen: `C4 finger 1 and E4 finger 3, dotted quarter, bar 2`. */
export function entryWords(t: Terms, { notes, value, isTuplet, bar }: EntryFacts): string {
  const sounding = notes.map(({ pitch, finger }) => `${t.pitch(pitch)}${finger === null ? '' : ` finger ${finger}`}`);
  const length = value ? valueWords(t, value, isTuplet) : '';
  return `${sounding.length > 0 ? sounding.join(' and ') : 'rest'}, ${length}, ${t.bar} ${bar}`;
}
