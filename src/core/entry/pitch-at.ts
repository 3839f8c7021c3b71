import { staffOfHand } from '../edit';
import { diatonicNumber, midiNumber, type Pitch, type Step } from '../pitch';
import type { Finger, Hand, NoteItem } from '../score';
import { signatureLine } from '../notation';
import { letterUnder, seatWith } from './seats';
import { caretOnset, currentEntry, voiceOfCaret, partOf, type Session } from './session';

/** Where a hand sits by the fingers entered up to the caret; null where none were. */
export function seatFromFingers(session: Session): number | null {
  const { hand } = session.typing.caret;
  const fingered = currentEntry(session)?.entry.notes.find(
    ({ pitch, fingers }) => pitch !== null && fingers.length > 0,
  );
  const finger = fingered?.fingers[0];
  return fingered?.pitch && finger ? seatWith(hand, finger, diatonicNumber(fingered.pitch)) : null;
}

/** The pitch of a letter where the caret is: as a sign says, else as it was altered before in this bar on its line, else by the signature. */
export function pitchAt(session: Session, letter: number, alter: number | null): Pitch {
  const step = (letter % 7) as Step;
  const octave = Math.floor(letter / 7);
  if (alter !== null) return { step, alter, octave };
  const { bar } = session.typing.caret;
  const part = partOf(session);
  const staff = staffOfHand(part, session.typing.caret.hand);
  const now = caretOnset(session);
  const standing = alteredBefore(session, staff, letter, now);
  return { step, alter: standing ?? signatureLine(part).alterAt(bar, now, staff, step), octave };
}

/** How a letter was altered last in the caret's bar: a sign holds until the bar line, for its octave and staff. */
function alteredBefore(session: Session, staff: number, letter: number, now: number): number | null {
  const { bar, index } = session.typing.caret;
  const measure = partOf(session).measures[bar];
  const own = new Set(
    voiceOfCaret(session)
      .entries.slice(index)
      .flatMap(({ notes }) => notes.map(({ id }) => id)),
  );
  const found = (measure?.items ?? [])
    .filter(
      (item): item is NoteItem & { readonly pitch: Pitch } =>
        item.kind === 'note' && item.pitch !== null && item.staff === staff && item.onset <= now && !own.has(item.id),
    )
    .filter(({ pitch }) => diatonicNumber(pitch) === letter)
    .sort((a, b) => a.onset - b.onset)
    .at(-1);
  return found ? found.pitch.alter : null;
}

/** The five keys under a hand as MIDI numbers, fingers 1 to 5, as they are at the caret. */
export function keysUnder(session: Session, hand: Hand): readonly number[] {
  const { seats, openings } = session.typing;
  const fingers: readonly Finger[] = [1, 2, 3, 4, 5];
  return fingers.map((finger) =>
    midiNumber(pitchAt(session, letterUnder(hand, seats[hand], finger, openings[hand]), null)),
  );
}
