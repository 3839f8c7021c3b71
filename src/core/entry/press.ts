import { freeVoice, staffOfHand, undoOrRedo, voicesOf } from '../edit';
import { assertNever } from '../base';
import {
  toggleDot,
  moveByHalfStep,
  removeBefore,
  removeHere,
  removeNote,
  setFinger,
  setLength,
  toggleSignHere,
  toggleSlurHere,
  moveByLetters,
  removeTies,
  setDynamic,
  setLyricOrDirection,
} from './amend';
import {
  insertBar,
  repeatBarHere,
  removeBars,
  copySelection,
  copyWholeBars,
  cutSelection,
  giveToOtherHand,
  setHeading,
  setMeter,
  moveSelection,
  pasteHere,
  setPickup,
  setSignature,
  takeIn,
  setTempo,
} from './bars';
import type { ChangingCommand, Command } from './command';
import { closeHand, openHand, seatBy, seatFinger, seatKey, seatLetter, thumbsTogether } from './hand-place';
import { refused, typingChanged, type Outcome } from './outcome';
import { barsOf, partOf, type Session } from './session';
import { enterAgain, enterBarRest, enterFinger, enterKeys, enterLetter, enterRest } from './sound';
import { caretTo, extendSelection, select, toBar, toNote, toOther, moveCaret } from './caret';

/** Does what a command asks. `atMs` is the time that the history notes. Never throws for what a teacher does: what cannot be done is told. */
// eslint-disable-next-line max-lines-per-function -- one case a code: all of them are wanted, in one place
export function press(session: Session, command: Command, atMs: number): Outcome {
  const { typing } = session;
  switch (command.kind) {
    case 'finger':
      return pressFinger(session, command, atMs);
    case 'rest':
      return enterRest(session, typing.rows[command.row], atMs);
    case 'plain-rest':
      return enterRest(session, typing.length, atMs);
    case 'bar-rest':
      return enterBarRest(session, atMs);
    case 'letter':
      return typing.moving ? seatLetter(session, command.letter) : enterLetter(session, command.letter, atMs);
    case 'keys':
      return enterKeys(session, command.midis, atMs);
    case 'again':
      return enterAgain(session, atMs);
    case 'alter':
      return typingChanged(session, {
        next: { ...typing.next, alter: typing.next.alter === command.alter ? null : command.alter },
      });
    case 'reach':
      return typingChanged(session, { next: { ...typing.next, letters: typing.next.letters + command.letters } });
    case 'octave':
      return typingChanged(session, { next: { ...typing.next, octaves: typing.next.octaves + command.octaves } });
    case 'join':
      return typingChanged(session, {
        next: { ...typing.next, joins: typing.next.joins === command.as ? null : command.as },
      });
    case 'triplet':
      return typingChanged(session, { triplet: typing.triplet === null ? 0 : null });
    case 'seat-by':
      return seatBy(session, command.letters);
    case 'seat-letter':
      return seatLetter(session, command.letter);
    case 'seat-key':
      return seatKey(session, command.midi, command.hand);
    case 'seat-finger':
      return seatFinger(session, command.finger, command.where);
    case 'thumbs-together':
      return thumbsTogether(session);
    case 'move':
      return typingChanged(session, { moving: typing.moving ? null : { kind: 'asked' } });
    case 'open-hand':
      return openHand(session);
    case 'close-hand':
      return closeHand(session);
    case 'way':
      return typingChanged(session, { method: command.method, moving: null });
    case 'mode':
      return typingChanged(session, { mode: command.mode });
    case 'row-length':
      return typingChanged(session, {
        rows: { ...typing.rows, [command.row]: command.quarters * session.edited.score.ticksPerQuarter },
      });
    case 'length':
      return typingChanged(session, { length: command.quarters * session.edited.score.ticksPerQuarter });
    case 'voice':
      return otherVoice(session);
    case 'walk':
      return moveCaret(session, command.by, command.to);
    case 'extend':
      return extendSelection(session, command.by);
    case 'other-hand':
      return toOther(session, command.at);
    case 'go-to':
      return toNote(session, command.noteId);
    case 'go-to-bar':
      return toBar(session, command.bar, command.hand);
    case 'select':
      return select(session, command.what);
    default:
      return change(session, command, atMs);
  }
}

// eslint-disable-next-line max-lines-per-function -- one case a code: all of them are wanted, in one place
function change(session: Session, command: ChangingCommand, atMs: number): Outcome {
  switch (command.kind) {
    case 'dot':
      return toggleDot(session, atMs);
    case 'set-length':
      return setLength(session, command.quarters, atMs);
    case 'step':
      return moveByLetters(session, command.letters, atMs);
    case 'half-step':
      return moveByHalfStep(session, command.by, atMs);
    case 'set-finger':
      return setFinger(session, command.finger, atMs);
    case 'tie-off':
      return removeTies(session, atMs);
    case 'sign':
      return toggleSignHere(session, command.sign, atMs);
    case 'slur':
      return toggleSlurHere(session, atMs);
    case 'dynamic':
      return setDynamic(session, command.dynamic, atMs);
    case 'words':
      return setLyricOrDirection(session, command.place, command.text, atMs);
    case 'remove-before':
      return session.typing.anchor ? { ...cutSelection(session, atMs), clip: undefined } : removeBefore(session, atMs);
    case 'remove-here':
      return session.typing.anchor ? { ...cutSelection(session, atMs), clip: undefined } : removeHere(session, atMs);
    case 'remove-note':
      return removeNote(session, command.noteId, atMs);
    case 'copy':
      return copySelection(session);
    case 'copy-bars':
      return copyWholeBars(session);
    case 'cut':
      return cutSelection(session, atMs);
    case 'paste':
      return pasteHere(session, command.clip, atMs);
    case 'repeat-bar':
      return repeatBarHere(session, atMs);
    case 'insert-bar':
      return insertBar(session, atMs);
    case 'remove-bars':
      return removeBars(session, atMs);
    case 'move-passage':
      return moveSelection(session, command.letters, atMs);
    case 'give-to-other-hand':
      return giveToOtherHand(session, atMs);
    case 'meter':
      return setMeter(session, command.meter, atMs);
    case 'signature':
      return setSignature(session, command.fifths, command.mode, atMs);
    case 'pick-up':
      return setPickup(session, command.quarters, atMs);
    case 'heading':
      return setHeading(session, command.what, command.text, atMs);
    case 'tempo':
      return setTempo(session, command.perMinute, atMs);
    case 'take-in':
      return takeIn(session, command.from, command.music, atMs);
    case 'undo':
      return undoOrRedoHere(session, 'undo');
    case 'redo':
      return undoOrRedoHere(session, 'redo');
    default:
      return assertNever(command);
  }
}

/** While a hand is being moved, fingers say where it goes: first the finger, then the one on whose key it is to be. */
function pressFinger(
  session: Session,
  { finger, row }: Extract<Command, { readonly kind: 'finger' }>,
  atMs: number,
): Outcome {
  const { moving, rows } = session.typing;
  if (moving?.kind === 'asked') return typingChanged(session, { moving: { kind: 'finger', finger } });
  if (moving?.kind === 'finger') return seatFinger(session, moving.finger, finger);
  return enterFinger(session, finger, rows[row], atMs);
}

function undoOrRedoHere(session: Session, undoRedo: 'undo' | 'redo'): Outcome {
  const result = undoOrRedo(session.edited, undoRedo, session.typing.caret);
  if (!result) return refused(session, { code: undoRedo === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo' });
  const {
    score,
    history,
    change: { caret },
  } = result;
  const after: Session = { edited: { score, history }, typing: { ...session.typing, anchor: null } };
  const bar = Math.min(caret.bar, barsOf(after));
  return { ...caretTo(after, { ...caret, bar }), sounds: [] };
}

/** The next voice of the hand; behind the last one a new one. */
function otherVoice(session: Session): Outcome {
  const { caret } = session.typing;
  const part = partOf(session);
  const staff = staffOfHand(part, caret.hand);
  const voices = voicesOf(part, staff);
  const at = voices.indexOf(caret.voice);
  const voice = at < 0 ? voices[0] : (voices[at + 1] ?? (at === 0 ? freeVoice(part, staff) : voices[0]));
  return caretTo(session, { ...caret, voice: voice ?? caret.voice, index: 0, fresh: false });
}
