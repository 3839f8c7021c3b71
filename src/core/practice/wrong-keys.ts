import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import { isBlackKey } from '../keyboard';
import { diatonicNumber, midiNumber } from '../pitch';
import type { Hand } from '../score';
import type { HeardNote } from './heard-moments';
import { oldKeyOf } from './look-up';
import type { PlayFaultKind } from './play-fault';

/** A wrong key that was struck for a note, with its cause. Keys and notes as indexes. */
export interface WrongKey {
  readonly kind: PlayFaultKind;
  readonly heard: readonly HeardNote[];
}

/** Why a single key is wrong. */
export function wrongKeyKind(note: AskedNote, played: number): PlayFaultKind {
  const { pitch, midi, signatureAlter } = note;
  const asLetter = [-1, 0, 1].find((alter) => midiNumber({ ...pitch, alter }) === played);
  if (asLetter !== undefined && asLetter !== pitch.alter) {
    // Where the sign is the signature's own, that was forgotten; where the page has another sign, that one was.
    const isSignature = pitch.alter === signatureAlter && asLetter === 0;
    const isAccidental = pitch.alter !== signatureAlter && (asLetter === signatureAlter || asLetter === 0);
    if (isSignature) return 'forgot-signature';
    if (isAccidental) return 'forgot-accidental';
  }
  if (isNextKey(midi, played)) return 'neighbour-key';
  return Math.abs(midi - played) % 12 === 0 ? 'octave' : 'wrong-key';
}

/** Whether a key is the next one, white or black. */
function isNextKey(midi: number, played: number): boolean {
  const off = Math.abs(midi - played);
  if (off <= 1) return true;
  const step = Math.sign(played - midi);
  let next = midi + step;
  while (isBlackKey(next) !== isBlackKey(midi)) next += step;
  return played === next;
}

/** Fewer notes than these tell nothing of the hand: two wrong keys may be two mistakes. */
const LEAST_OFF = 3;
const LEAST_OLD = 2;

/** The wrong keys of one hand, in the order in which they were struck, with those that have one cause together. `heard` has all keys of that hand, the right ones too. */
export function wrongKeysOf(
  music: AskedMusic,
  keys: readonly StruckKey[],
  hand: Hand,
  heard: readonly HeardNote[],
): readonly WrongKey[] {
  const found: WrongKey[] = [];
  for (let i = 0; i < heard.length;) {
    const run = handRun(music, keys, hand, heard.slice(i));
    if (run) {
      found.push(run);
      i += run.heard.length;
      continue;
    }
    const one = heard[i] as HeardNote;
    const note = music.notes[one.note] as AskedNote;
    const { midi } = keys[one.key] as StruckKey;
    if (midi !== note.midi) found.push({ kind: wrongKeyKind(note, midi), heard: [one] });
    i += 1;
  }
  return joinForgotten(music, heard, found);
}

/** What begins here and goes on for several notes: the hand that stayed where it was before it moved, or all fingers one beside. */
function handRun(
  music: AskedMusic,
  keys: readonly StruckKey[],
  hand: Hand,
  heard: readonly HeardNote[],
): WrongKey | null {
  const noteOf = ({ note }: HeardNote): AskedNote => music.notes[note] as AskedNote;
  const keyOf = ({ key }: HeardNote): number => (keys[key] as StruckKey).midi;
  const isWrong = (one: HeardNote): boolean => keyOf(one) !== noteOf(one).midi;
  if (!heard[0] || !isWrong(heard[0])) return null;
  const old = leading(heard, (one) => isWrong(one) && oldKeyOf(music, noteOf(one)) === keyOf(one));
  const off = [1, -1]
    .map((fingers) => leading(heard, (one) => isWrong(one) && isLettersOff(noteOf(one), keyOf(one), fingers)))
    .reduce((longest, other) => (other.length > longest.length ? other : longest));
  const isMoved = isFirstOfFrame(music, hand, noteOf(heard[0]));
  if (isMoved && old.length >= LEAST_OLD && old.length >= off.length) return { kind: 'old-position', heard: old };
  if (isRunOff(music, off)) return { kind: 'finger-off', heard: off };
  return null;
}

/** A run of neighbours is more than chance where it goes over several letters: one note that is repeated is one mistake. */
function isRunOff(music: AskedMusic, off: readonly HeardNote[]): boolean {
  const letters = new Set(off.map(({ note }) => diatonicNumber((music.notes[note] as AskedNote).pitch)));
  return off.length >= LEAST_OFF && letters.size >= 2;
}

function leading(heard: readonly HeardNote[], belongs: (one: HeardNote) => boolean): readonly HeardNote[] {
  const end = heard.findIndex((one) => !belongs(one));
  return end < 0 ? heard : heard.slice(0, end);
}

/** Whether a key is so many letters away from the note, as the signature has that letter, or as a white key. */
function isLettersOff(note: AskedNote, played: number, letters: number): boolean {
  const letter = diatonicNumber(note.pitch) + letters;
  const plain = { step: (((letter % 7) + 7) % 7) as AskedNote['pitch']['step'], octave: Math.floor(letter / 7) };
  return [-1, 0, 1].some((alter) => midiNumber({ ...plain, alter }) === played);
}

function isFirstOfFrame({ notes }: AskedMusic, hand: Hand, note: AskedNote): boolean {
  const before = notes.findLast((other) => other.hand === hand && other.at < note.at && !other.isGrace);
  return before !== undefined && before.frame !== note.frame;
}

/** A sign that is forgotten each time it comes is forgotten once: until the same letter is right again. */
function joinForgotten(
  music: AskedMusic,
  heard: readonly HeardNote[],
  wrong: readonly WrongKey[],
): readonly WrongKey[] {
  const joined: WrongKey[] = [];
  const open = new Map<number, number>();
  const wrongAt = new Map(wrong.map((one) => [one.heard[0]?.key, one]));
  const single = new Set(wrong.flatMap(({ heard: own }) => own.map(({ key }) => key)));
  for (const one of heard) {
    const { step } = (music.notes[one.note] as AskedNote).pitch;
    const fault = wrongAt.get(one.key);
    if (!single.has(one.key)) open.delete(step);
    if (!fault) continue;
    const at = fault.kind === 'forgot-signature' ? open.get(step) : undefined;
    const begun = at === undefined ? undefined : joined[at];
    if (begun && at !== undefined) joined[at] = { ...begun, heard: [...begun.heard, ...fault.heard] };
    else joined.push(fault);
    if (fault.kind === 'forgot-signature' && !begun) open.set(step, joined.length - 1);
  }
  return joined;
}
