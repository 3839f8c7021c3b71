import { diatonicNumber, spellKey, type Letter } from '../pitch';
import type { Finger, Hand } from '../score';
import { signatureLine } from '../notation';
import { typingChanged, type Outcome } from './outcome';
import { letterUnder, seatNamed, seatWith, THUMBS_TOGETHER, within } from './seats';
import { currentEntry, partOf, type Session } from './session';

/** Sits a hand down somewhere; it is closed there. */
function placeHand(session: Session, hand: Hand, seat: number): Outcome {
  const { seats, openings } = session.typing;
  return typingChanged(session, {
    seats: { ...seats, [hand]: within(seat) },
    openings: { ...openings, [hand]: null },
    moving: null,
  });
}

/** The hand so many letters up or down. */
export function seatBy(session: Session, letters: number): Outcome {
  const { hand } = session.typing.caret;
  return placeHand(session, hand, session.typing.seats[hand] + letters);
}

/** The hand to the nearest position of that name. */
export function seatLetter(session: Session, letter: Letter): Outcome {
  const { hand } = session.typing.caret;
  return placeHand(session, hand, seatNamed(session.typing.seats[hand], letter));
}

/** One finger where another one is now: “1 where 4 was”. */
export function seatFinger(session: Session, finger: Finger, where: Finger): Outcome {
  const {
    caret: { hand },
    seats,
    openings,
  } = session.typing;
  return placeHand(session, hand, seatWith(hand, finger, letterUnder(hand, seats[hand], where, openings[hand])));
}

/** A hand with its lowest finger on a key. */
export function seatKey(session: Session, midi: number, hand: Hand): Outcome {
  const { fifths, mode } = signatureLine(partOf(session)).at(session.typing.caret.bar, 0, 1);
  const pitch = spellKey({ midi, next: null, before: null }, fifths, mode === 'minor' ? 'minor' : 'major');
  return placeHand(session, hand, diatonicNumber(pitch));
}

export function thumbsTogether(session: Session): Outcome {
  return typingChanged(session, { seats: THUMBS_TOGETHER, openings: { right: null, left: null }, moving: null });
}

/** Opens the hand by one letter more, beside the finger that was entered last; before any was, beside the outer finger at its low end. */
export function openHand(session: Session): Outcome {
  const {
    caret: { hand },
    openings,
  } = session.typing;
  const before = openings[hand];
  const finger = currentEntry(session)?.entry.notes.at(-1)?.fingers[0] ?? (hand === 'right' ? 1 : 5);
  const opening =
    before && before.beside === finger ? { ...before, letters: before.letters + 1 } : { beside: finger, letters: 1 };
  return typingChanged(session, { openings: { ...openings, [hand]: opening } });
}

export function closeHand(session: Session): Outcome {
  const {
    caret: { hand },
    openings,
  } = session.typing;
  return typingChanged(session, { openings: { ...openings, [hand]: null } });
}
