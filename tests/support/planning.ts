import { demandsOf, USUAL_PLAYER, type HandPlan, type Passage, type Player } from '@/core/fingering';
import { fingerChanges, forcedMoves, baselineOf, studyHand, type FingerChange, type HandStudy } from '@/core/forced';
import { parseKey, pitchText, signatureAlter, signatureOf, type Key, type Mode, type Step } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { handLine, passageOfLine } from './passages';

/** A player as usual, but for what is said. */
export function player(options: Partial<Player> = {}): Player {
  return { ...USUAL_PLAYER, ...options };
}

export function keyOf(name: string, mode: Mode = 'major'): Key {
  const key = parseKey(name, mode);
  if (!key) throw new Error(`no key ${name}`);
  return key;
}

/** The planned fingers of a line of text, low notes first in chords: `1 2 3`, `531 521`. */
export function planned(hand: Hand, text: string, options: Partial<Player> = {}, key: string = 'C'): string {
  return fingersText(planOf(passageOfLine(hand, handLine(hand, text), keyOf(key)), options));
}

export function planOf(passage: Passage, options: Partial<Player> = {}): HandPlan {
  const midis = passage.notes.map(({ note }) => note.midi);
  return studyHand(baselineOf(passage, demandsOf(player(options))), midis).plan;
}

/** Fingers of a plan, one word a moment, low notes first. */
export function fingersText({ steps, lattice }: HandPlan): string {
  return steps
    .map(({ grip }) => (lattice.passage.hand === 'left' ? grip.fingers.toReversed() : grip.fingers).join(''))
    .join(' ');
}

/** A line of text with fingers printed at its notes, one digit each; those of a plan where none are given. */
export function printed(hand: Hand, text: string, fingers: string = planned(hand, text).replaceAll(' ', '')): string {
  const lowFirst = [...fingers];
  return text.replace(/[A-G][#b]*\d/g, (note) => `${note}=${lowFirst.shift()}`);
}

/** A line of text studied in another key, so many semitones away, with the fingers it brings along. */
export function studied(
  hand: Hand,
  text: string,
  semitones: number,
  options: Partial<Player> = {},
): { readonly study: HandStudy; readonly changes: readonly FingerChange[]; readonly added: readonly number[] } {
  const passage = passageOfLine(hand, handLine(hand, text), keyOf('C'));
  const study = studyHand(
    baselineOf(passage, demandsOf(player(options))),
    passage.notes.map(({ note }) => note.midi + semitones),
  );
  return { study, changes: fingerChanges(study), added: forcedMoves(study).added };
}

/** The pitch of a degree of a key, 0 for the tonic, in harmonic minor where the key is minor. */
export function degreePitch(key: Key, degree: number, octave: number): string {
  const letter = key.tonic.step + degree;
  const step = (((letter % 7) + 7) % 7) as Step;
  const isRaised = key.mode === 'minor' && ((degree % 7) + 7) % 7 === 6;
  return pitchText({
    step,
    alter: signatureAlter(signatureOf(key), step) + (isRaised ? 1 : 0),
    octave: octave + Math.floor(letter / 7),
  });
}

/** There and back: the top note once. */
export function upAndDown<T>(up: readonly T[]): readonly T[] {
  return [...up, ...up.slice(0, -1).toReversed()];
}
