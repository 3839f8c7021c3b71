import { signatureOf } from '../pitch';
import {
  PLAIN_BAR,
  PLAIN_EVENT,
  withTriplets,
  type PlainBar,
  type PlainEvent,
  type PlainNote,
  type PlainPiece,
  type PlainStaff,
} from '../plain-piece';
import type { Hand } from '../score';
import type { Ticks } from '../time';
import type { RoteBar, RoteNote, RoteSheet, RoteStretch, Saying } from './rote-sheet';

/** A piece as its rote sheet tells it: every note with its finger, length and place. */
export function pieceOfRote(sheet: RoteSheet): PlainPiece {
  const bars = sheet.lines.flatMap((line) => line.bars);
  const plain = plainBars(sheet, bars);
  const hands = (['right', 'left'] as const).filter((hand) => bars.some((bar) => bar.hands[hand]));
  const staves = hands.map((hand): PlainStaff => {
    const notes = notesOfHand(bars, plain, hand);
    return { clef: hand === 'right' ? 'G' : 'F', voices: voicesOf(notes) };
  });
  return {
    title: sheet.title,
    composer: '',
    bars: plain,
    staves,
    tempos: sheet.quartersPerMinute === null ? [] : [{ onset: 0, quartersPerMinute: sheet.quartersPerMinute }],
  };
}

function plainBars(sheet: RoteSheet, bars: readonly RoteBar[]): readonly PlainBar[] {
  const marks = repeatMarks(sheet.order ?? []);
  let start: Ticks = 0;
  return bars.map(({ length, isShort, meter, key }, i) => {
    const bar: PlainBar = {
      ...PLAIN_BAR,
      start,
      length,
      isPickup: i === 0 && isShort,
      meter: i === 0 ? sheet.meter : meter,
      key: i === 0 ? { fifths: signatureOf(sheet.key), mode: sheet.key.mode } : key,
      style: i === bars.length - 1 ? 'final' : 'regular',
      ...marks.get(i),
    };
    start += length;
    return bar;
  });
}

type Marks = Partial<Pick<PlainBar, 'repeatStart' | 'repeatEnd' | 'endingStart' | 'endingStop'>>;

/** The repeat signs that make bars come in this order: a stretch played twice, or twice with two endings. */
function repeatMarks(order: readonly RoteStretch[]): ReadonlyMap<number, Marks> {
  const marks = new Map<number, Marks>();
  const mark = (bar: number, more: Marks): void => void marks.set(bar, { ...marks.get(bar), ...more });
  order.forEach(({ to }, i) => {
    const [again, after] = [order[i + 1], order[i + 2]];
    if (!again || again.from > to) return;
    mark(again.from, { repeatStart: true });
    mark(to, { repeatEnd: true });
    if (again.to >= to || after?.from !== to + 1) return;
    mark(again.to + 1, { endingStart: '1' });
    mark(to, { endingStop: '1' });
    mark(to + 1, { endingStart: '2', endingStop: '2' });
  });
  return marks;
}

/** Notes that begin and end together. */
interface Chord {
  readonly onset: Ticks;
  readonly ticks: Ticks;
  readonly notes: readonly PlainNote[];
  readonly graces: readonly PlainNote[];
}

function notesOfHand(bars: readonly RoteBar[], plain: readonly PlainBar[], hand: Hand): readonly Chord[] {
  let graces: PlainNote[] = [];
  return bars.flatMap((bar, i) => {
    const chords: Chord[] = [];
    let at = plain[i]?.start ?? 0;
    for (const saying of bar.hands[hand]?.sayings ?? []) {
      if (saying.kind === 'grace') graces.push(plainNote(saying.note));
      if (saying.kind === 'strike') {
        chords.push(...chordsOf(saying.strike.notes, at, graces));
        graces = [];
      }
      at += timeOf(saying);
    }
    return chords;
  });
}

/** How much time something that is said takes until the next. */
export function timeOf(saying: Saying): Ticks {
  switch (saying.kind) {
    case 'rest':
    case 'hold':
      return saying.ticks;
    case 'strike':
      return saying.strike.next ?? Math.min(...saying.strike.notes.map(({ ticks }) => ticks));
    default:
      return 0;
  }
}

function chordsOf(notes: readonly RoteNote[], onset: Ticks, graces: readonly PlainNote[]): readonly Chord[] {
  const lengths = [...new Set(notes.map(({ ticks }) => ticks))];
  return lengths.map((ticks, i) => ({
    onset,
    ticks,
    notes: notes.filter((note) => note.ticks === ticks).map(plainNote),
    graces: i === 0 ? graces : [],
  }));
}

function plainNote({ pitch, finger }: RoteNote): PlainNote {
  return { pitch, finger, tiesOn: false };
}

/** Voices in which nothing begins before the last is over. */
function voicesOf(chords: readonly Chord[]): readonly (readonly PlainEvent[])[] {
  const voices: { events: PlainEvent[]; until: Ticks }[] = [];
  for (const { onset, ticks, notes, graces } of chords.toSorted((a, b) => a.onset - b.onset)) {
    let voice = voices.find(({ until }) => until <= onset);
    if (!voice) {
      voice = { events: [], until: 0 };
      voices.push(voice);
    }
    voice.events.push({ ...PLAIN_EVENT, onset, duration: ticks, notes, graces });
    voice.until = onset + ticks;
  }
  return voices.map(({ events }) => withTriplets(events));
}
