import { askedOf, type AskedMusic, type AskedPart } from '@/core/asked';
import { expect } from '@jest/globals';
import { unwrap } from '@/core/base';
import { languageOf, readRote, roteLines, USUAL_WORDING, type RoteStyle } from '@/core/explain';
import { askedIn, fingersById, openPlainPiece, type OpenedPiece, type Version } from '@/core/piece';
import { pitchText } from '@/core/pitch';
import { pieceOfRote, roteOf } from '@/core/rote';
import type { Finger, NoteId } from '@/core/score';

/** The rote sheet of a piece in a key, as text. */
export function roteText(piece: OpenedPiece, version: Version, style: RoteStyle): string {
  const names = style.names === 'none' ? 'letters' : style.names;
  const says = languageOf({ ...USUAL_WORDING, names }).inKey(version.key);
  return roteLines(says.roteWords(roteOf(piece, version), style)).join('\n');
}

/** Every note of a piece as it is played: hand, key, finger, place and length, in order of time. Keys by their names, or as keys alone. */
export function playedNotes(piece: OpenedPiece, version: Version, keys: 'spelled' | 'sounding'): readonly string[] {
  return toldNotes(askedIn(piece, version, wholeOf(piece)), fingersById(version), keys);
}

/** The same of a piece as its fingers are printed; nothing is planned. */
function printedNotes({ part, notes, score }: OpenedPiece, keys: 'spelled' | 'sounding'): readonly string[] {
  const { ticksPerQuarter } = score;
  return toldNotes(askedOf({ part, notes, positions: [], ticksPerQuarter }, wholeOf({ part })), new Map(), keys);
}

function wholeOf({ part }: Pick<OpenedPiece, 'part'>): AskedPart {
  return { hand: 'both', bars: { from: 0, to: part.measures.length - 1 } };
}

function toldNotes(
  { notes }: AskedMusic,
  fingers: ReadonlyMap<NoteId, Finger>,
  keys: 'spelled' | 'sounding',
): readonly string[] {
  return notes
    .map((note) => {
      const key = keys === 'spelled' ? pitchText(note.pitch) : String(note.midi);
      const finger = fingers.get(note.id) ?? note.finger;
      const length = note.isGrace ? 'grace' : note.length.toFixed(3);
      return `${note.barIndex + 1}|${note.beat.toFixed(3)} ${note.hand} ${key}/${finger} ${length}`;
    })
    .toSorted();
}

/** Holds the words of a rote sheet to the piece that they are of: read back, they give every note, finger, length and beat. */
export function expectRebuilt(text: string, piece: OpenedPiece, version: Version, keys: 'spelled' | 'sounding'): void {
  const sheet = unwrap(readRote(text));
  const rebuilt = unwrap(openPlainPiece(pieceOfRote(sheet), { format: null, key: null, part: null }));
  expect(printedNotes(rebuilt, keys)).toEqual(playedNotes(piece, version, keys));
}
