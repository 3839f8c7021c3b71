import { placePosition, positionsOf, USUAL_PLAYER, type PlacedPosition, type Player } from '../fingering';
import { compareFlags, findFlags, type Flag, type FlagDetail, type PlayedHand } from '../flags';
import type { KeyboardSize } from '../keyboard';
import { decidedIn, NO_DECISIONS, setAsideIn, type Decisions, type SetAside } from './decisions';
import { handRemarks } from './hand-remarks';
import { octaveRemarks } from './octave-remarks';
import { playHands } from './play-hands';
import { diatonicNumber, keyText, type Interval, type Key } from '../pitch';
import { readPiece, readPlainPiece, type Grid, type Reading } from '../read';
import type { PlainPiece } from '../plain-piece';
import { err, ok, type Fault, type FileFormat, type Remark, type Result, memoLast } from '../base';
import {
  handNotes,
  handsOf,
  mapMeasures,
  pupilPart,
  struckNotes,
  tiedFrom,
  type Finger,
  type FoundKey,
  type Hand,
  type HandNote,
  type NoteId,
  type Part,
  type Score,
} from '../score';
import { beatTicks } from '../time';
import { drawAccidentals, signatureLine } from '../notation';
import { findKey, moveScore, type MoveRequest } from '../transpose';

/** A piece that was read, and what was found out about it once for all keys. */
export interface OpenedPiece {
  readonly score: Score;
  readonly part: Part;
  readonly hands: readonly Hand[];
  readonly key: FoundKey;
  readonly remarks: readonly Remark[];
  /** The pupil's notes as written, in order of time, ties apart. */
  readonly notes: readonly HandNote[];
  /** What a piece file of ours holds beside the music. */
  readonly carried: Readonly<Record<string, unknown>>;
}

/** What the teacher or a script may say of a piece that its file does not. */
export interface OpenOptions {
  readonly format: FileFormat | null;
  readonly key: string | null;
  readonly part: string | null;
  /** What the rhythm of a MIDI file is set to; found where nothing is said. */
  readonly grid?: Grid | null;
}

/** What becomes of the fingers: `plan` looks for better ones where the hand needs them, `keep` carries them over. */
export const FINGERINGS = ['plan', 'keep', 'none'] as const;
export type Fingering = (typeof FINGERINGS)[number];

/** How a piece is wanted: how it moves, and for which hands. */
export interface MoveOptions extends Omit<MoveRequest, 'from' | 'pupil'> {
  readonly fingering: Fingering;
  readonly player: Player;
  readonly keyboard: KeyboardSize;
  /** What the teacher decided, in this key and in others. */
  readonly decisions: Decisions;
}

/** A piece in one key, with everything that is known of the hands there. */
export interface Version {
  readonly score: Score;
  readonly key: Key;
  readonly interval: Interval;
  readonly octaves: Readonly<Record<Hand, number>>;
  readonly notes: readonly HandNote[];
  readonly positions: readonly PlacedPosition[];
  readonly flags: readonly Flag[];
  /** Flags that the teacher set aside here. */
  readonly setAside: readonly SetAside[];
  readonly remarks: readonly Remark[];
  /** How each hand plays; none where no fingers are wanted. */
  readonly hands: readonly PlayedHand[];
}

/** Reads a piece and finds its key, its hands and where they sit. Errors: the `read.*` codes, `query.part`. */
export function openPiece(bytes: Uint8Array, options: OpenOptions): Result<OpenedPiece, Fault> {
  const reading = readPiece(bytes, options.format, options.grid ?? null);
  return reading.ok ? openReading(reading.value, options) : reading;
}

/** The same for a piece that did not come as a file. */
export function openPlainPiece(piece: PlainPiece, options: OpenOptions): Result<OpenedPiece, Fault> {
  const reading = readPlainPiece(piece);
  return reading.ok ? openReading(reading.value, options) : reading;
}

function openReading(reading: Reading, options: OpenOptions): Result<OpenedPiece, Fault> {
  const { remarks, carried } = reading;
  const score = reading.signs === 'drawn' ? reading.score : withSigns(reading.score);
  const part = pupilPart(score, options.part);
  if (!part) return err({ code: 'query.part', value: options.part ?? '', parts: score.parts.map(({ id }) => id) });
  const key = findKey(score, part, options.key);
  const hands = handsOf(part);
  const notes = handNotes(part, score.ticksPerQuarter);
  return ok({ score, part, hands, key, notes, carried, remarks: [...remarks, ...keyRemarks(key)] });
}

/** A file that has no signs of print of its own gets those of the bar rule. */
function withSigns(score: Score): Score {
  return { ...score, parts: score.parts.map((part) => drawAccidentals(part, 'bar')) };
}

/** A key that is hardly ahead of another is told of, so that the teacher can overrule it. */
function keyRemarks({ key, runnerUp, certainty }: FoundKey): readonly Remark[] {
  return certainty === 'open' && runnerUp
    ? [{ code: 'key-guessed', key: keyText(key), runnerUp: keyText(runnerUp) }]
    : [];
}

/** The piece where it stands. */
export function asWritten(piece: OpenedPiece, player: Player = USUAL_PLAYER, keyboard: KeyboardSize = 88): Version {
  return describedAsWritten(piece, player, keyboard);
}

/** The last answer for a piece is kept: all its keys are compared with it. */
const describedAsWritten = memoLast((piece: OpenedPiece, player: Player, keyboard: KeyboardSize): Version => {
  const octaves = { right: 0, left: 0 };
  const version = describe(piece, piece.score, {
    key: piece.key.key,
    showing: 'as-written',
    player,
    keyboard,
    detail: 'full',
    decisions: NO_DECISIONS,
  });
  return { ...version, setAside: [], key: piece.key.key, interval: { fifths: 0, octaves: 0 }, octaves, remarks: [] };
});

/** Moves a piece to another key and tells how the hands sit there. `before` is the piece where it stands: what was so
 * already there is marked; `detail` is how much its flags carry. Errors: those of moving. */
export function moveTo(
  piece: OpenedPiece,
  before: Version,
  options: MoveOptions,
  detail: FlagDetail = 'full',
): Result<Version, Fault> {
  const request = {
    ...options,
    respelled: withTied(piece.notes, options.respelled),
    from: piece.key.key,
    pupil: piece.part,
  };
  const moved = moveScore(piece.score, request);
  if (!moved.ok) return moved;
  const score = options.fingering === 'none' ? withoutFingers(moved.value.score) : moved.value.score;
  const described = describe(piece, score, { ...options, key: options.to, showing: options.fingering, detail });
  return ok({
    ...described,
    ...setAsideIn(compareFlags(described.flags, before.flags), options.decisions, options.to),
    key: options.to,
    interval: moved.value.interval,
    octaves: options.octaves,
    remarks: [...moved.value.remarks, ...described.remarks, ...octaveRemarks(described.notes, options.octaves)],
  });
}

/** A note that is tied on takes its spelling along to the notes it is tied to. */
function withTied(notes: readonly HandNote[], ids: readonly NoteId[]): readonly NoteId[] {
  const wanted = new Set(ids);
  if (wanted.size === 0) return ids;
  for (const [i, note] of notes.entries()) {
    if (!wanted.has(note.id) || !note.tieStart) continue;
    const next = notes
      .slice(i + 1)
      .find(
        (other) =>
          other.tieStop &&
          other.hand === note.hand &&
          other.midi === note.midi &&
          other.onset === note.onset + note.duration,
      );
    if (next) wanted.add(next.id);
  }
  return [...wanted];
}

function withoutFingers(score: Score): Score {
  return mapMeasures(score, (measure) => ({
    ...measure,
    items: measure.items.map((item) => (item.kind === 'note' ? { ...item, fingers: [] } : item)),
  }));
}

/** `as-written`: the piece where it stands, of which nothing is proposed. */
type Showing = Fingering | 'as-written';

/** In which key a score is described, whose fingers it shows, and for whom. */
interface DescribeOptions extends Pick<MoveOptions, 'player' | 'keyboard' | 'decisions'> {
  readonly key: Key;
  readonly showing: Showing;
  readonly detail: FlagDetail;
}

function describe(
  piece: OpenedPiece,
  moved: Score,
  { key, showing, player, keyboard, detail, decisions }: DescribeOptions,
): Pick<Version, 'score' | 'key' | 'notes' | 'positions' | 'flags' | 'remarks' | 'hands'> {
  const movedNotes = moved === piece.score ? piece.notes : handNotes(pupilsPart(piece, moved), moved.ticksPerQuarter);
  const hands =
    showing === 'none'
      ? []
      : playHands(piece, movedNotes, { player, showing, detail, decided: decidedIn(decisions, key) });
  const score =
    showing === 'plan'
      ? withFingers(moved, piece.part.id, alongTies(fingersOf(hands), movedNotes))
      : withFingers(moved, piece.part.id, alongTies(decidedFingers(hands), movedNotes));
  const part = pupilsPart(piece, score);
  const notes = score === moved ? movedNotes : withItems(movedNotes, part);
  const struck = struckNotes(notes);
  const byId = new Map(struck.map((note) => [note.id, note]));
  const signatures = signatureLine(part);
  const positions = hands
    .flatMap(({ played }) => positionsOf(played, piece.key.key.tonic.step))
    .map((position) =>
      placePosition(
        position,
        (id) => byId.get(id),
        (note, step) => signatures.alterAt(note.barIndex, note.item.onset, note.item.staff, step),
      ),
    );
  const writtenLetters = new Map(piece.notes.map((note) => [note.id, diatonicNumber(note.pitch)]));
  const flags = findFlags({
    notes: struck,
    hands: hands.map((hand) => ({ ...hand, notes: hand.notes.map((note) => byId.get(note.id) ?? note) })),
    positions,
    detail,
    school: player.outer,
    keyboard,
    letterOf: (note) => writtenLetters.get(note.id) ?? diatonicNumber(note.pitch),
    beat: (note) =>
      beatTicks(piece.part.measures[note.barIndex]?.meter ?? { beats: 4, beatType: 4 }, score.ticksPerQuarter),
  });
  return { score, key, notes, positions, flags, remarks: handRemarks(hands), hands };
}

function pupilsPart(piece: OpenedPiece, score: Score): Part {
  return score.parts.find((candidate) => candidate.id === piece.part.id) ?? piece.part;
}

/** The same notes with the fingers that were put on them: nothing else of a note changes by that. */
function withItems(notes: readonly HandNote[], part: Part): readonly HandNote[] {
  const items = new Map(
    part.measures.flatMap((measure) =>
      measure.items.flatMap((item) => (item.kind === 'note' ? [[item.id, item] as const] : [])),
    ),
  );
  return notes.map((note) => {
    const item = items.get(note.id);
    return !item || item === note.item ? note : { ...note, item, finger: item.fingers[0] ?? null };
  });
}

function fingersOf(hands: readonly PlayedHand[]): ReadonlyMap<NoteId, Finger> {
  return new Map(
    hands.flatMap(({ played, notes }) =>
      notes.flatMap((note, i) => (played.fingering[i] ? [[note.id, played.fingering[i]] as const] : [])),
    ),
  );
}

/** A finger that is printed where a tie goes on is that of the note it comes from. */
function alongTies(fingers: ReadonlyMap<NoteId, Finger>, notes: readonly HandNote[]): ReadonlyMap<NoteId, Finger> {
  const printed = new Set(notes.flatMap(({ id, finger }) => (finger === null ? [] : [id])));
  const tied = [...tiedFrom(notes)].flatMap(([id, first]) => {
    const finger = printed.has(id) ? fingers.get(first) : undefined;
    return finger === undefined ? [] : [[id, finger] as const];
  });
  return tied.length === 0 ? fingers : new Map([...fingers, ...tied]);
}

/** Only the fingers that the teacher decided on: all others stay as they are printed. */
function decidedFingers(hands: readonly PlayedHand[]): ReadonlyMap<NoteId, Finger> {
  return new Map(
    hands.flatMap(({ study, notes }) =>
      notes.flatMap((note, i) => (study.decided[i] ? [[note.id, study.decided[i]] as const] : [])),
    ),
  );
}

/** Puts fingers on the notes of a part; notes without one keep what they have. */
function withFingers(score: Score, partId: string, fingers: ReadonlyMap<NoteId, Finger>): Score {
  if (fingers.size === 0) return score;
  return mapMeasures(score, (measure, part) => {
    if (part.id !== partId) return measure;
    const items = measure.items.map((item) => {
      if (item.kind !== 'note') return item;
      const finger = fingers.get(item.id);
      return finger === undefined || item.fingers[0] === finger ? item : { ...item, fingers: [finger] };
    });
    return { ...measure, items };
  });
}
