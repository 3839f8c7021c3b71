import { freeVoice, staffOfHand, turn, voicesOf } from '../edit';
import { assertNever } from '../result';
import { dotted, halfStepped, removedBefore, removedHere, removedNote, setFinger, setLength, signed, slurred, stepped, untied, withLoudness, worded } from './amend';
import { barInserted, barRepeated, barsRemoved, copied, copiedBars, cutOut, givenToOther, headingSet, meterSet, passageMoved, pastedHere, pickupSet, signatureSet, takenIn, tempoSet } from './bars';
import type { ChangingCommand, Command } from './command';
import { closeHand, openHand, seatBy, seatFinger, seatKey, seatLetter, thumbsTogether } from './hand-place';
import { refused, typed, type Outcome } from './outcome';
import { barsOf, partOf, type Session } from './session';
import { enterAgain, enterBarRest, enterFinger, enterKeys, enterLetter, enterRest } from './sound';
import { caretTo, extended, selected, toBar, toNote, toOther, walked } from './walk';

/** Does what a command asks. `atMs` is the time that the history notes. Never throws for what a teacher does: what cannot be done is told. */
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
      return typed(session, { next: { ...typing.next, alter: typing.next.alter === command.alter ? null : command.alter } });
    case 'reach':
      return typed(session, { next: { ...typing.next, letters: typing.next.letters + command.letters } });
    case 'octave':
      return typed(session, { next: { ...typing.next, octaves: typing.next.octaves + command.octaves } });
    case 'join':
      return typed(session, { next: { ...typing.next, joins: typing.next.joins === command.as ? null : command.as } });
    case 'triplet':
      return typed(session, { triplet: typing.triplet === null ? 0 : null });
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
      return typed(session, { moving: typing.moving ? null : { kind: 'asked' } });
    case 'open-hand':
      return openHand(session);
    case 'close-hand':
      return closeHand(session);
    case 'way':
      return typed(session, { way: command.way, moving: null });
    case 'mode':
      return typed(session, { mode: command.mode });
    case 'row-length':
      return typed(session, { rows: { ...typing.rows, [command.row]: command.quarters * session.edited.score.ticksPerQuarter } });
    case 'length':
      return typed(session, { length: command.quarters * session.edited.score.ticksPerQuarter });
    case 'voice':
      return otherVoice(session);
    case 'walk':
      return walked(session, command.by, command.to);
    case 'extend':
      return extended(session, command.by);
    case 'other-hand':
      return toOther(session, command.at);
    case 'go-to':
      return toNote(session, command.noteId);
    case 'go-to-bar':
      return toBar(session, command.bar, command.hand);
    case 'select':
      return selected(session, command.what);
    default:
      return change(session, command, atMs);
  }
}

function change(session: Session, command: ChangingCommand, atMs: number): Outcome {
  switch (command.kind) {
    case 'dot':
      return dotted(session, atMs);
    case 'set-length':
      return setLength(session, command.quarters, atMs);
    case 'step':
      return stepped(session, command.letters, atMs);
    case 'half-step':
      return halfStepped(session, command.by, atMs);
    case 'set-finger':
      return setFinger(session, command.finger, atMs);
    case 'tie-off':
      return untied(session, atMs);
    case 'sign':
      return signed(session, command.sign, atMs);
    case 'slur':
      return slurred(session, atMs);
    case 'dynamic':
      return withLoudness(session, command.dynamic, atMs);
    case 'words':
      return worded(session, command.place, command.text, atMs);
    case 'remove-before':
      return session.typing.anchor ? { ...cutOut(session, atMs), clip: undefined } : removedBefore(session, atMs);
    case 'remove-here':
      return session.typing.anchor ? { ...cutOut(session, atMs), clip: undefined } : removedHere(session, atMs);
    case 'remove-note':
      return removedNote(session, command.noteId, atMs);
    case 'copy':
      return copied(session);
    case 'copy-bars':
      return copiedBars(session);
    case 'cut':
      return cutOut(session, atMs);
    case 'paste':
      return pastedHere(session, command.clip, atMs);
    case 'repeat-bar':
      return barRepeated(session, atMs);
    case 'insert-bar':
      return barInserted(session, atMs);
    case 'remove-bars':
      return barsRemoved(session, atMs);
    case 'move-passage':
      return passageMoved(session, command.letters, atMs);
    case 'give-to-other-hand':
      return givenToOther(session, atMs);
    case 'meter':
      return meterSet(session, command.meter, atMs);
    case 'signature':
      return signatureSet(session, command.fifths, command.mode, atMs);
    case 'pick-up':
      return pickupSet(session, command.quarters, atMs);
    case 'heading':
      return headingSet(session, command.what, command.text, atMs);
    case 'tempo':
      return tempoSet(session, command.perMinute, atMs);
    case 'take-in':
      return takenIn(session, command.from, command.music, atMs);
    case 'undo':
      return turned(session, 'undo');
    case 'redo':
      return turned(session, 'redo');
    default:
      return assertNever(command);
  }
}

/** While a hand is being moved, fingers say where it goes: first the finger, then the one on whose key it is to be. */
function pressFinger(session: Session, { finger, row }: Extract<Command, { readonly kind: 'finger' }>, atMs: number): Outcome {
  const { moving, rows } = session.typing;
  if (moving?.kind === 'asked') return typed(session, { moving: { kind: 'finger', finger } });
  if (moving?.kind === 'finger') return seatFinger(session, moving.finger, finger);
  return enterFinger(session, finger, rows[row], atMs);
}

function turned(session: Session, way: 'undo' | 'redo'): Outcome {
  const result = turn(session.edited, way, session.typing.caret);
  if (!result) return refused(session, { code: way === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo' });
  const { score, history, change: { caret } } = result;
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
