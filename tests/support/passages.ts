import { passageOf, type Passage } from '@/core/fingering';
import {
  midiNumber,
  parseKey,
  parsePitch,
  signatureAlter,
  signatureOf,
  type Key,
  type Pitch,
  type Step,
} from '@/core/pitch';
import type { Finger, Hand, HandNote, NoteItem } from '@/core/score';

/** One tick a twelfth of a quarter. */
export const QUARTER = 12;

/** Bars of four quarters. */
const BAR = 4 * QUARTER;

/** Notes of one hand from a line of text, for tests of the planner. A note is `C4`, a quarter long, `C4:2` two quarters, `C4=1` with a
 * printed finger, `C4'` staccato; a chord is `[C3 E3 G3]`, with fingers `[C3=5 E3=3 G3=1]`, `[C3~4 E3]` has a note of its own length;
 * `r:2` is a rest and `|` ends a phrase. */
export function handLine(hand: Hand, text: string): readonly HandNote[] {
  const notes: HandNote[] = [];
  let onset = 0;
  for (const token of text.match(/\[[^\]]*\][^\s]*|\S+/g) ?? []) {
    if (token === '|') {
      const last = notes.at(-1)?.onset;
      notes.forEach((note, i) => note.onset === last && (notes[i] = { ...note, slurEnds: true }));
      continue;
    }
    const [, body, length = '1', dot] = /^(\[[^\]]*\]|[^:']+)(?::([\d.]+))?(')?$/.exec(token) ?? [];
    if (body === undefined) throw new Error(`not a note: ${token}`);
    const duration = Number(length) * QUARTER;
    if (body !== 'r') {
      for (const name of body.replace(/[[\]]/g, ' ').trim().split(/\s+/))
        notes.push(handNote(hand, name, onset, duration, dot !== undefined, notes.length));
    }
    onset += duration;
  }
  return notes;
}

function handNote(hand: Hand, name: string, onset: number, usual: number, detached: boolean, index: number): HandNote {
  const [, text = '', own, finger] = /^([A-G][#b]*\d)(?:~([\d.]+))?(?:=([1-5]))?$/.exec(name) ?? [];
  const pitch = parsePitch(text) as Pitch;
  return {
    id: `n${index}`,
    hand,
    pitch,
    midi: midiNumber(pitch),
    barIndex: Math.floor(onset / BAR),
    bar: String(1 + Math.floor(onset / BAR)),
    beat: 1 + onset / QUARTER,
    onset,
    duration: own ? Number(own) * QUARTER : usual,
    isGrace: false,
    tieStop: false,
    tieStart: false,
    finger: finger ? (Number(finger) as Finger) : null,
    slurBegins: false,
    slurEnds: false,
    detached,
    ledgerLines: 0,
    item: { kind: 'note', id: `n${index}` } as NoteItem,
  };
}

/** A passage of one hand in a key. */
export function passage(hand: Hand, text: string, key: string = 'C'): Passage {
  return passageOfLine(hand, handLine(hand, text), parseKey(key, 'major') as Key);
}

export function passageOfLine(hand: Hand, notes: readonly HandNote[], key: Key): Passage {
  return passageOf(hand, notes, QUARTER, {
    tonic: key.tonic.step,
    alterOf: (_, step: Step) => signatureAlter(signatureOf(key), step),
  });
}
