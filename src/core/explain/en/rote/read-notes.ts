import type { Key, Pitch } from '../../../pitch';
import {
  keyPlace,
  nextNamedAbove,
  nextPlaceAbove,
  pitchInOctave,
  spelledPlace,
  type RoteNote,
  type RoteSeat,
} from '../../../rote';
import type { Finger, Hand } from '../../../score';
import { BY_BLACK_KEYS, octaveOf } from './key-places';
import type { NamesRead } from './names-read';

/** What is known where a note is read: what the keys are called, the key of the piece, and where the hand sits. */
export interface NoteGround {
  readonly names: NamesRead;
  readonly key: Key;
  readonly seat: RoteSeat | null;
}

/** Words of a place with its octave: `F♯ above middle C`. */
const PLACE = /^(.+?) (at middle C|(?:above|below) middle C|in the \w+ octave (?:above|below) middle C)$/;

/** A key with its place on the keyboard; null where the words are no such place. */
export function readPlace({ names, key }: NoteGround, words: string): Pitch | null {
  if (words === 'middle C') return { step: 0, alter: 0, octave: 4 };
  const [, name = '', region = ''] = PLACE.exec(words) ?? [];
  const octave = region === 'at middle C' ? 0 : octaveOf(region);
  if (name === '' || octave === null) return null;
  const named = names.get(name);
  if (named) return pitchInOctave(named, octave);
  const place = BY_BLACK_KEYS.indexOf(name);
  return place < 0 ? null : spelledPlace(key, { place, octave });
}

/** A note of a strike, `2 on E`: its finger and key; its length comes later. Null where the words are no note. */
export function readNote(ground: NoteGround, words: string): Omit<RoteNote, 'ticks'> | null {
  const [, who = '', where = ''] = /^((?:finger )?[1-5]|any finger) on (.+)$/i.exec(words) ?? [];
  if (who === '') return null;
  const finger = /\d/.test(who) ? (Number(who.at(-1)) as Finger) : null;
  const pitch = readPlace(ground, where);
  if (pitch) return { finger, pitch, isSeated: false };
  const under = finger === null ? null : (ground.seat?.[finger - 1] ?? null);
  return under && isCalled(ground, under, where) ? { finger, pitch: under, isSeated: true } : null;
}

/** Whether a key under a finger is what the words say: its name, or its colour where keys have no names. */
function isCalled({ names }: NoteGround, key: Pitch, words: string): boolean {
  if (words === 'black' || words === 'white') return keyPlace(key).isBlack === (words === 'black');
  const name = names.get(words);
  return name !== undefined && name.step === key.step && name.alter === key.alter;
}

/** Keys under fingers from left to right, `2 on A, 3 on B`, put into a seat in which some stand already; null where the words are none. */
export function readSeat(ground: NoteGround, hand: Hand, words: string): RoteSeat | null {
  const seat: (Pitch | null)[] = [...(ground.seat ?? [null, null, null, null, null])];
  const order = hand === 'right' ? [0, 1, 2, 3, 4] : [4, 3, 2, 1, 0];
  for (const part of words.split(', ')) {
    const [, finger = '', where = ''] = /^([1-5]) on (.+)$/.exec(part) ?? [];
    const place = order.indexOf(Number(finger) - 1);
    const below = order
      .slice(0, Math.max(0, place))
      .flatMap((at) => seat[at] ?? [])
      .at(-1);
    const key = readPlace(ground, where) ?? (below ? readAbove(ground, where, below) : null);
    if (place < 0 || key === null) return null;
    seat[Number(finger) - 1] = key;
  }
  return seat;
}

/** The next key of a name above another. */
function readAbove({ names, key }: NoteGround, name: string, below: Pitch): Pitch | null {
  const named = names.get(name);
  if (named) return nextNamedAbove(named, below);
  const place = BY_BLACK_KEYS.indexOf(name);
  return place < 0 ? null : nextPlaceAbove(key, place, below);
}
