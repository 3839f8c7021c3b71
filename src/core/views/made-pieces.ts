import {
  composeMusicXml,
  PLAIN_BAR,
  PLAIN_EVENT,
  PLAIN_TICKS,
  type PlainBar,
  type PlainEvent,
  type PlainPiece,
} from '../plain-piece';
import { readDraft } from '../read';
import { firstChild, mapChildren, withAttribute, type XmlDocument, type XmlElement, serialiseXml } from '../xml';
import { type Language } from '../explain';
import { drillPiece, type DrillOptions } from '../practice';
import { signatureOf, type Key, type Pitch } from '../pitch';
import { unwrap } from '../base';
import type { Finger, Hand, Score } from '../score';
import { engravingPage, NO_TEXTS, systemBreaks, type EngravingPage } from '../write';

/** A piece that was made here and not read from a file. */
export interface MadePiece {
  readonly title: string;
  readonly musicXml: string;
  readonly page: EngravingPage;
}

/** Makes a drill. `columns` is how many note columns a line of its page has room for. */
export function drillView(says: Language, options: DrillOptions, columns: number): MadePiece {
  const title = says.drillTitle(options.kind, options.keys);
  return madePiece(drillPiece(options, { title, keyName: says.key }), columns);
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
  return madePiece(
    {
      title,
      composer: '',
      bars: [barWithoutMeter(key, chords.length)],
      staves: [{ clef: hand === 'right' ? 'G' : 'F', voices: [chords.map(event)] }],
      tempos: [],
    },
    LONG_LINE,
  );
}

/** One bar that holds so many quarters; no meter is printed. */
function barWithoutMeter(key: Key, quarters: number): PlainBar {
  return {
    ...PLAIN_BAR,
    start: 0,
    length: quarters * PLAIN_TICKS,
    meter: { beats: Math.max(1, quarters), beatType: 4 },
    key: { fifths: signatureOf(key), mode: key.mode },
    style: 'final',
    meterSign: 'hidden',
  };
}

/** More columns than any line of this kind has. */
const LONG_LINE = 400;

/** Notes for both hands that are only looked at: each on the staff that reads it with fewer ledger lines. */
export function notesPage(key: Key, pitches: readonly Pitch[]): MadePiece {
  const events = (isWanted: (pitch: Pitch) => boolean): readonly PlainEvent[] =>
    pitches.flatMap((pitch, i) =>
      isWanted(pitch)
        ? [
            {
              ...PLAIN_EVENT,
              onset: i * PLAIN_TICKS,
              duration: PLAIN_TICKS,
              notes: [{ pitch, finger: null, tiesOn: false }],
            },
          ]
        : [],
    );
  const isHigh = ({ octave }: Pitch): boolean => octave >= 4;
  const plain = {
    title: '',
    composer: '',
    bars: [barWithoutMeter(key, Math.max(1, pitches.length))],
    staves: [
      { clef: 'G' as const, voices: [events(isHigh)] },
      { clef: 'F' as const, voices: [events((pitch) => !isHigh(pitch))] },
    ],
    tempos: [],
  };
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

function madePiece(
  plain: PlainPiece,
  columns: number,
  change: (document: XmlDocument) => XmlDocument = (document) => document,
): MadePiece {
  const musicXml = serialiseXml(change(composeMusicXml(plain)));
  const score: Score = unwrap(readDraft(musicXml)).score;
  return {
    title: plain.title,
    musicXml,
    page: engravingPage([{ score, prefix: '', label: '', texts: NO_TEXTS }], systemBreaks(score, columns)),
  };
}
