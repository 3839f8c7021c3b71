import type { AskedMusic } from '../asked';
import { askedIn, fingersById, type OpenedPiece, type Version } from '../piece';
import { PLAIN_TICKS } from '../plain-piece';
import { instructionsOf, playingOrder } from '../playback';
import type { Finger, Hand, Measure, NoteId, Part } from '../score';
import { linesOf } from '../stages';
import { barTicks, type Meter } from '../time';
import { handRows, ticksOf, type HandRows, type RoteHand } from './hand-rows';
import { likeLine, likeRow } from './likeness';
import type { RoteBar, RoteLine, RoteRow, RoteSeat, RoteSheet, RoteStretch } from './rote-sheet';

const HANDS: readonly Hand[] = ['right', 'left'];

/** A piece in a key as it is told by rote. Bars stand once, in the order of the page; repeats are told after them. */
export function roteOf(piece: OpenedPiece, version: Version): RoteSheet {
  const part = version.score.parts.find(({ id }) => id === piece.part.id) ?? piece.part;
  const last = part.measures.length - 1;
  const music = askedIn(piece, version, { hand: 'both', bars: { from: 0, to: last } });
  const fingers = fingersById(version);
  const told = HANDS.map((hand) => [hand, handRows(handOf(music, version, hand, fingers), music.bars)] as const);
  const hands = told.filter(([, { rows }]) => rows.some((row) => row.some(({ kind }) => kind === 'strike')));
  const bars = part.measures.map((measure, i) =>
    barOf(measure, part, { length: ticksOf(music.bars[i]?.length ?? 0), hands: withLikeness(hands, part, i) }),
  );
  return {
    title: piece.score.title,
    key: version.key,
    meter: part.measures[0]?.meter ?? { beats: 4, beatType: 4 },
    quartersPerMinute: tempoOf(part),
    begins: Object.fromEntries(hands.flatMap(([hand, { begins }]) => (begins === null ? [] : [[hand, begins]]))),
    lines: linesIn(bars, linesOf({ part })),
    order: orderOf(part),
  };
}

function handOf(music: AskedMusic, version: Version, hand: Hand, fingers: ReadonlyMap<NoteId, Finger>): RoteHand {
  const seats = version.positions.filter(({ position }) => position.hand === hand).map(({ keys }): RoteSeat => keys);
  const notes = music.notes
    .filter((note) => note.hand === hand)
    .map((note) => ({ ...note, finger: fingers.get(note.id) ?? note.finger }));
  return { notes, seats };
}

/** The tempo with which the piece begins, where its page says one. */
function tempoOf({ measures }: Part): number | null {
  const said = measures
    .slice(0, 1)
    .flatMap(instructionsOf)
    .find(({ kind, onset }) => kind === 'tempo' && onset === 0);
  return said?.kind === 'tempo' ? said.quartersPerMinute : null;
}

function withLikeness(
  hands: readonly (readonly [Hand, HandRows])[],
  part: Part,
  index: number,
): Readonly<Partial<Record<Hand, RoteRow>>> {
  const numbers = part.measures.map(({ number }) => number);
  return Object.fromEntries(
    hands.map(([hand, told]) => [
      hand,
      { like: likeRow(told, numbers, index), sayings: told.rows[index] ?? [] } satisfies RoteRow,
    ]),
  );
}

function barOf(measure: Measure, part: Part, told: Pick<RoteBar, 'length' | 'hands'>): RoteBar {
  const before = part.measures[measure.index - 1];
  return {
    ...told,
    number: measure.number,
    isShort: told.length !== barTicks(measure.meter, PLAIN_TICKS),
    meter: before && !sameMeter(before.meter, measure.meter) ? measure.meter : null,
    key: before ? keyIn(measure) : null,
  };
}

function sameMeter(a: Meter, b: Meter): boolean {
  return a.beats === b.beats && a.beatType === b.beatType;
}

function keyIn({ items }: Measure): RoteBar['key'] {
  const [key] = items.flatMap((item) => (item.kind === 'attributes' ? item.keys : []));
  return key ? { fifths: key.fifths, mode: key.mode } : null;
}

/** The bars by lines; a piece of one line has one. */
function linesIn(bars: readonly RoteBar[], lines: readonly (readonly number[])[]): readonly RoteLine[] {
  const indexes = lines.length === 0 ? [bars.map((_, i) => i)] : lines;
  const told: RoteLine[] = [];
  for (const [i, line] of indexes.entries()) {
    const own = line.flatMap((index) => bars[index] ?? []);
    told.push({ number: i + 1, like: likeLine(told, own), bars: own });
  }
  return told;
}

/** The order in which the bars are played, where it is not that of the page. */
function orderOf({ measures }: Part): readonly RoteStretch[] | null {
  const stretches: { from: number; to: number }[] = [];
  for (const index of playingOrder(measures)) {
    const last = stretches.at(-1);
    if (last && last.to + 1 === index) last.to = index;
    else stretches.push({ from: index, to: index });
  }
  return stretches.length === 1 && stretches[0]?.to === measures.length - 1 ? null : stretches;
}
