import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '../asked';
import { midiNumber, signatureAlter, spellKey, type Pitch } from '../pitch';
import type { HeardNote } from './heard-moments';
import type { PlayFault, PlayFaultKind } from './play-fault';

/** A fault before it has its place and words: the keys that were struck for notes; or, where there are none, the notes that did not come and where that was. */
export interface FaultFacts {
  readonly kind: PlayFaultKind;
  readonly heard: readonly HeardNote[];
  readonly run: number;
  readonly offMs: number | null;
  /** For what has no key that stands for a note: the moment at which it was, and the key that was struck there for nothing. */
  readonly place?: { readonly moment: number; readonly key?: number };
  /** Notes that did not come, and keys that nothing was asked of. */
  readonly absent?: readonly number[];
  readonly extra?: readonly number[];
  readonly hand?: AskedNote['hand'] | null;
  readonly againAt?: string | null;
}

/** A fault with its place in the piece. */
export function faultAt(music: AskedMusic, keys: readonly StruckKey[], facts: FaultFacts): PlayFault {
  const { kind, run, offMs, place, absent = [], extra = [] } = facts;
  const heard = facts.heard.toSorted((a, b) => a.note - b.note);
  const notes = [...heard.map(({ note }) => note), ...absent];
  const firstNote = notes.length > 0 ? (music.notes[notes[0] as number] as AskedNote) : null;
  const moment = place ? (music.moments[place.moment] as AskedMoment) : null;
  const at = firstNote ?? (music.notes[moment?.notes[0] ?? 0] as AskedNote);
  const firstKey = heard[0]?.key ?? extra[0];
  const hands = new Set(notes.map((note) => (music.notes[note] as AskedNote).hand));
  const [only] = hands;
  return {
    kind,
    hand: facts.hand !== undefined ? facts.hand : hands.size === 1 && only ? only : null,
    bar: at.bar,
    barIndex: at.barIndex,
    beat: at.beat,
    notes: [...new Set(notes.map((note) => (music.notes[note] as AskedNote).id))],
    written: firstNote?.pitch ?? null,
    played: firstKey === undefined ? null : spelled(music, at, (keys[firstKey] as StruckKey).midi),
    finger: firstNote?.finger ?? null,
    offMs: offMs === null ? null : Math.round(offMs),
    run,
    keys: [...heard.map(({ key }) => key), ...extra],
    againAt: facts.againAt ?? null,
    stretch: null,
  };
}

/** A key that was struck, named as a teacher would: as the signature has it where it is one of its own; else by the note's own letter with another sign; else as is
 * usual in the key. */
function spelled({ bars }: AskedMusic, { pitch, barIndex }: AskedNote, midi: number): Pitch {
  const fifths = bars.find(({ index }) => index === barIndex)?.fifths ?? 0;
  const inKey = spellKey({ midi, next: null, before: null }, fifths, 'major');
  if (inKey.alter === signatureAlter(fifths, inKey.step)) return inKey;
  const alter = [0, -1, 1].find((sign) => midiNumber({ ...pitch, alter: sign }) === midi);
  return alter === undefined ? inKey : { ...pitch, alter };
}
