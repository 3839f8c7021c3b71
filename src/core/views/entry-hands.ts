import { barNumber, currentEntry, keysUnder, partOf, type Session } from '../entry';
import { isBlackKey } from '../keyboard';
import { signatureLine } from '../notation';
import { midiNumber, signatureAlter, type Step } from '../pitch';
import { handOfStaff, type Finger, type Hand, type NoteItem } from '../score';
import { beatAt } from '../time';
import type { KeyDown, Moment } from './moments';
import type { Language } from '../explain';

/** A hand as the entering screen shows it: the name of its position, its keys under fingers 1 to 5, how far it is open. */
export interface HandPlace {
  readonly name: string;
  readonly keys: readonly number[];
  readonly onBlack: readonly Finger[];
  readonly openBy: number;
}

/** Where a hand is while a piece is entered. */
export function handPlace(says: Language, session: Session, hand: Hand): HandPlace {
  const { seats, openings } = session.typing;
  const keys = keysUnder(session, hand);
  const step = (seats[hand] % 7) as Step;
  const signature = signatureLine(partOf(session)).at(session.typing.caret.bar, 0, 1);
  const fingers: readonly Finger[] = [1, 2, 3, 4, 5];
  return {
    name: `${says.place({ step, alter: signatureAlter(signature.fifths, step) })}${Math.floor(seats[hand] / 7)}`,
    keys,
    onBlack: fingers.filter((_, i) => isBlackKey(keys[i] as number)),
    openBy: openings[hand]?.letters ?? 0,
  };
}

/** What sounds where the current entry begins, in both hands, and where the hands sit. */
export function momentAt(says: Language, session: Session): Moment {
  const part = partOf(session);
  const current = currentEntry(session);
  const bar = current?.bar ?? session.typing.caret.bar;
  const measure = part.measures[bar];
  const first = measure?.items.find(
    (item): item is NoteItem => item.kind === 'note' && item.id === current?.entry.notes[0]?.id,
  );
  const onset = first?.onset ?? 0;
  const sounding = (measure?.items ?? []).filter(
    (item): item is NoteItem =>
      item.kind === 'note' &&
      item.pitch !== null &&
      !item.isGrace &&
      first !== undefined &&
      item.onset <= onset &&
      item.onset + item.duration > onset,
  );
  const keys = sounding.map((note): KeyDown => {
    const pitch = note.pitch as NonNullable<NoteItem['pitch']>;
    const midi = midiNumber(pitch);
    return {
      noteId: note.id,
      hand: handOfStaff(part, note.staff),
      midi,
      finger: note.fingers[0] ?? null,
      isBlack: isBlackKey(midi),
      isStruck: note.onset === onset,
      name: says.pitch(pitch),
      otherName: null,
    };
  });
  const meter = measure?.meter ?? { beats: 4, beatType: 4 };
  return {
    barIndex: bar,
    bar: barNumber(session, bar),
    beat: beatAt(onset, 0, meter, session.edited.score.ticksPerQuarter),
    keys,
    keysUnderFingers: { right: keysUnder(session, 'right'), left: part.staves < 2 ? null : keysUnder(session, 'left') },
  };
}
