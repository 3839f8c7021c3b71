import { groupBy } from '../base';
import type { PlacedPosition } from '../fingering';
import { signatureLine } from '../notation';
import { playedBars, playingOrder, type PlayedBar } from '../playback';
import { leftOutBefore, type Hand, type HandNote, type Measure, type NoteItem, type Part } from '../score';
import { beatTicks } from '../time';
import { childElements } from '../xml';
import type { AskedBar, AskedMusic, AskedNote, HandFrame } from './asked-music';
import { inOrder, momentsOf, SAME_TIME } from './moments';

/** A piece in one key, as far as a player meets it. Notes as `handNotes` gives them. */
export interface PlayedPiece {
  readonly part: Part;
  readonly ticksPerQuarter: number;
  readonly notes: readonly HandNote[];
  readonly positions: readonly PlacedPosition[];
}

/** What of it is asked for: which hand, and bars as indexes, from the first to the last; null for all, with the repeats. */
export interface AskedPart {
  readonly hand: Hand | 'both';
  readonly bars: { readonly from: number; readonly to: number } | null;
}

/** What a player is asked to play of a piece. Bars that are asked for by number come once, as in a drill. */
export function askedOf(piece: PlayedPiece, { hand, bars: span }: AskedPart): AskedMusic {
  const order = span === null ? playingOrder(piece.part.measures) : indexes(span.from, span.to);
  const played = playedBars(piece.part, order);
  const bars = askedBars(piece, played);
  const frames = framesOf(piece.positions);
  const all = joinTies(notesIn(piece, bars, frames.frameOf));
  const notes = hand === 'both' ? all : all.filter((note) => note.hand === hand);
  return {
    notes,
    moments: momentsOf(notes, bars, cutsIn(piece, played)),
    bars,
    frames: frames.byHand,
    others: hand === 'both' ? [] : all.filter((note) => note.hand !== hand),
  };
}

function indexes(from: number, to: number): readonly number[] {
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
}

function askedBars({ part, ticksPerQuarter }: PlayedPiece, played: readonly PlayedBar[]): readonly AskedBar[] {
  return played.map(({ measure, start }) => ({
    index: measure.index,
    number: measure.number,
    at: start / ticksPerQuarter,
    length: measure.length / ticksPerQuarter,
    beat: beatTicks(measure.meter, ticksPerQuarter) / ticksPerQuarter,
    fifths: signatureLine(part).at(measure.index, 0, 1).fifths,
  }));
}

/** The bars, by their places, in front of which bars were left out. */
function cutsIn({ ticksPerQuarter }: PlayedPiece, played: readonly PlayedBar[]): ReadonlySet<number> {
  const isCut = (before: Measure | undefined, measure: Measure): boolean =>
    leftOutBefore(before, measure, ticksPerQuarter) > 0;
  return new Set(played.flatMap(({ measure }, i) => (isCut(played[i - 1]?.measure, measure) ? [i] : [])));
}

interface Frames {
  readonly byHand: Readonly<Record<Hand, readonly HandFrame[]>>;
  readonly frameOf: ReadonlyMap<string, number>;
}

function framesOf(positions: readonly PlacedPosition[]): Frames {
  const frameOf = new Map<string, number>();
  const of = (hand: Hand): readonly HandFrame[] =>
    positions
      .filter(({ position }) => position.hand === hand)
      .map(({ notes, keyUnderFinger }, i) => {
        notes.forEach(({ id }) => frameOf.set(id, i));
        return { hand, keys: keyUnderFinger };
      });
  return { byHand: { right: of('right'), left: of('left') }, frameOf };
}

interface NoteToJoin extends AskedNote {
  readonly tieStop: boolean;
  readonly tieStart: boolean;
}

function notesIn(
  { part, notes, ticksPerQuarter }: PlayedPiece,
  bars: readonly AskedBar[],
  frameOf: Frames['frameOf'],
): readonly NoteToJoin[] {
  const byBar = groupBy(notes, ({ barIndex }) => barIndex);
  const signatures = signatureLine(part);
  return bars.flatMap(({ index, at }) =>
    (byBar.get(index) ?? []).map(({ item, ...note }) => ({
      id: note.id,
      hand: note.hand,
      bar: note.bar,
      barIndex: note.barIndex,
      beat: note.beat,
      at: at + item.onset / ticksPerQuarter,
      length: note.duration / ticksPerQuarter,
      pitch: note.pitch,
      midi: note.midi,
      finger: note.finger,
      signatureAlter: signatures.alterAt(index, item.onset, item.staff, note.pitch.step),
      isGrace: note.isGrace,
      tiedFrom: null,
      isDetached: note.detached,
      hasOrnament: isMarked(item, 'ornaments'),
      isRolled: isMarked(item, 'arpeggiate'),
      frame: frameOf.get(note.id) ?? null,
      tieStop: note.tieStop,
      tieStart: note.tieStart,
    })),
  );
}

function isMarked({ xml }: NoteItem, mark: string): boolean {
  return childElements(xml, 'notations').some((marks) => childElements(marks, mark).length > 0);
}

/** Tied notes as the one that is struck. */
function joinTies(notes: readonly NoteToJoin[]): readonly AskedNote[] {
  const struck: AskedNote[] = [];
  const open = new Map<string, number>();
  for (const { tieStop, tieStart, ...note } of notes) {
    const place = `${note.hand}/${note.midi}`;
    const at = open.get(place);
    const begun = at === undefined ? undefined : struck[at];
    const goesOn = tieStop && begun !== undefined && Math.abs(begun.at + begun.length - note.at) < SAME_TIME;
    if (goesOn && at !== undefined)
      struck[at] = { ...begun, length: begun.length + note.length, tiedFrom: begun.tiedFrom ?? note.at };
    else struck.push(note);
    if (tieStart) open.set(place, goesOn && at !== undefined ? at : struck.length - 1);
    else open.delete(place);
  }
  return inOrder(struck);
}
