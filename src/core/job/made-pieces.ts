import { composeMusicXml, PLAIN_BAR, PLAIN_EVENT, PLAIN_TICKS, readDraft, type PlainEvent, type PlainPiece } from '../read';
import { firstChild, mapChildren, withAttribute, type XmlDocument, type XmlElement } from '../markup';
import { drillTitle } from '../explain';
import { drillPiece, type DrillWish } from '../drill';
import { keyPrint, signatureOf, type Key, type Pitch } from '../pitch';
import { unwrap } from '../result';
import type { Finger, Hand, Score } from '../score';
import { engravingPage, NO_TEXTS, serialiseXml, systemBreaks, type EngravingPage } from '../write';

/** A piece that was made here and not read from a file. */
export interface MadePiece {
  readonly title: string;
  readonly musicXml: string;
  readonly page: EngravingPage;
}

/** Makes a drill. `columns` is how many note columns a line of its page has room for. */
export function drillView(wish: DrillWish, columns: number): MadePiece {
  const title = drillTitle(wish.kind, wish.keys);
  return madePiece(drillPiece(wish, { title, keyName: keyPrint }), columns);
}

/** Chords of one hand in order, each with its fingers; a single note is a chord of one. */
export interface MadeLine {
  readonly key: Key;
  readonly hand: Hand;
  readonly chords: readonly { readonly pitches: readonly Pitch[]; readonly fingers: readonly (Finger | null)[] }[];
}

/** Writes a line of notes without a meter: one bar, as long as its notes, on the staff of its hand. */
export function linePiece(title: string, { key, hand, chords }: MadeLine): MadePiece {
  const event = ({ pitches, fingers }: MadeLine['chords'][number], i: number): PlainEvent => ({
    ...PLAIN_EVENT,
    onset: i * PLAIN_TICKS,
    duration: PLAIN_TICKS,
    notes: pitches.map((pitch, n) => ({ pitch, finger: fingers[n] ?? null, tiesOn: false })),
  });
  const length = chords.length * PLAIN_TICKS;
  const bar = { ...PLAIN_BAR, start: 0, length, meter: { beats: Math.max(1, chords.length), beatType: 4 }, key: { fifths: signatureOf(key), mode: key.mode }, style: 'final' as const, meterSign: 'hidden' as const };
  return madePiece({ title, composer: '', bars: [bar], staves: [{ clef: hand === 'right' ? 'G' : 'F', voices: [chords.map(event)] }], tempos: [] }, LONG_LINE);
}

/** More columns than any line of this kind has. */
const LONG_LINE = 400;

/** Notes for both hands that are only looked at: each on the staff that reads it with fewer ledger lines. */
export function notesPage(key: Key, pitches: readonly Pitch[]): MadePiece {
  const length = Math.max(1, pitches.length) * PLAIN_TICKS;
  const events = (isWanted: (pitch: Pitch) => boolean): readonly PlainEvent[] =>
    pitches.flatMap((pitch, i) => (isWanted(pitch) ? [{ ...PLAIN_EVENT, onset: i * PLAIN_TICKS, duration: PLAIN_TICKS, notes: [{ pitch, finger: null, tiesOn: false }] }] : []));
  const bar = { ...PLAIN_BAR, start: 0, length, meter: { beats: Math.max(1, pitches.length), beatType: 4 }, key: { fifths: signatureOf(key), mode: key.mode }, style: 'final' as const, meterSign: 'hidden' as const };
  const isHigh = ({ octave }: Pitch): boolean => octave >= 4;
  const plain = { title: keyPrint(key), composer: '', bars: [bar], staves: [{ clef: 'G' as const, voices: [events(isHigh)] }, { clef: 'F' as const, voices: [events((pitch) => !isHigh(pitch))] }], tempos: [] };
  return madePiece(plain, LONG_LINE, withoutRests);
}

/** Rests that only keep the staves together are not printed. */
function withoutRests(document: XmlDocument): XmlDocument {
  const change = (node: XmlElement): XmlElement => {
    if (node.name === 'note') return firstChild(node, 'rest') ? withAttribute(node, 'print-object', 'no') : node;
    return node.name === 'part' || node.name === 'measure' ? mapChildren(node, change) : node;
  };
  return { ...document, root: mapChildren(document.root, change) };
}

function madePiece(plain: PlainPiece, columns: number, change: (document: XmlDocument) => XmlDocument = (document) => document): MadePiece {
  const musicXml = serialiseXml(change(composeMusicXml(plain)));
  const score: Score = unwrap(readDraft(musicXml)).score;
  return { title: plain.title, musicXml, page: engravingPage([{ score, prefix: '', label: '', texts: NO_TEXTS }], systemBreaks(score, columns)) };
}
