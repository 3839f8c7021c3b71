import {
  MAX_SIGNS,
  addIntervals,
  degreeOf,
  enharmonicKey,
  intervalToKey,
  keyOfSignature,
  keyPrint,
  sameKey,
  signatureOf,
  transposeBy,
  transposeName,
  type Direction,
  type Interval,
  type Key,
  type Pitch,
  type PitchName,
} from '../pitch';
import { assertNever, err, ok, type Fault, type Remark, type Result } from '../result';
import { handOfStaff, type Hand, type KeySignature, type Measure, type MeasureItem, type NoteItem, type Part, type Score } from '../score';
import { drawAccidentals, type Courtesy } from './accidentals';
import { withoutStaleInk } from './ink';
import { enharmonicTurn, isHardSpelling, respelled, type Spelling } from './respell';
import { signatureLine, withFirstSignature, type SignatureLine } from './signatures';

/** How a piece is to be moved. `pupil` is the part whose hands may take octaves of their own. */
export interface MoveRequest {
  readonly from: Key;
  readonly to: Key;
  readonly direction: Direction;
  readonly octaves: Readonly<Record<Hand, number>>;
  readonly spelling: Spelling;
  readonly courtesy: Courtesy;
  readonly pupil: Part;
}

export interface MovedScore {
  readonly score: Score;
  /** What every note was moved by, before the octaves of each hand. */
  readonly interval: Interval;
  readonly remarks: readonly Remark[];
}

/** Moves a piece to another key of its mode: notes, key signatures, chord symbols and drawn accidentals of all parts.
 * A piece that stays where it is comes back untouched.
 * Errors: `move.mode-change`, `move.out-of-range` where a note would leave the nine octaves of notation. */
export function moveScore(score: Score, request: MoveRequest): Result<MovedScore, Fault> {
  const { from, to, octaves } = request;
  if (from.mode !== to.mode) return err({ code: 'move.mode-change', from: from.mode, to: to.mode });
  const interval = intervalToKey(from, to, request.direction);
  const staysPut = sameKey(from, to) && octaves.right === 0 && octaves.left === 0 && request.spelling === 'strict';
  if (staysPut) return ok({ score, interval, remarks: [] });
  const remarks: Remark[] = [];
  const parts: Part[] = [];
  for (const part of score.parts) {
    const moved = movePart(part, interval, request, remarks);
    if (!moved.ok) return moved;
    parts.push(drawAccidentals(moved.value, request.courtesy));
  }
  return ok({ score: { ...score, parts }, interval, remarks });
}

function movePart(unmoved: Part, interval: Interval, request: MoveRequest, remarks: Remark[]): Result<Part, Fault> {
  const part = withFirstSignature(unmoved);
  const before = signatureLine(part);
  const withKeys: Part = { ...part, measures: part.measures.map((measure) => moveSignatures(measure, part, interval, request, remarks)) };
  const after = signatureLine(withKeys);
  const mover: Mover = { part, interval, request, before, after, remarks };
  const measures: Measure[] = [];
  for (const measure of withKeys.measures) {
    const items: MeasureItem[] = [];
    for (const item of measure.items) {
      const moved = moveItem(item, measure, mover);
      if (!moved.ok) return moved;
      items.push(moved.value);
    }
    measures.push({ ...measure, items });
  }
  return ok({ ...part, measures });
}

interface Mover {
  readonly part: Part;
  readonly interval: Interval;
  readonly request: MoveRequest;
  readonly before: SignatureLine;
  readonly after: SignatureLine;
  readonly remarks: Remark[];
}

function moveSignatures(measure: Measure, part: Part, interval: Interval, request: MoveRequest, remarks: Remark[]): Measure {
  const items = measure.items.map((item): MeasureItem => {
    if (item.kind !== 'attributes' || item.keys.length === 0) return item;
    return { ...item, keys: item.keys.map((key) => moveSignature(key, measure, part, interval, request, remarks)) };
  });
  return { ...measure, items };
}

function moveSignature(
  key: KeySignature,
  measure: Measure,
  part: Part,
  interval: Interval,
  request: MoveRequest,
  remarks: Remark[],
): KeySignature {
  const strict = key.fifths + interval.fifths;
  const turn = enharmonicTurn(strict);
  const fifths = strict + turn.fifths;
  if (turn.fifths !== 0) {
    const mode = key.mode ?? request.from.mode;
    remarks.push({ code: 'respelled-key', bar: measure.number, part: part.name, from: keyName(strict, mode), to: keyName(fifths, mode) });
  }
  return { ...key, fifths };
}

function keyName(fifths: number, mode: Key['mode']): string {
  const key = keyOfSignature(fifths, mode);
  return key.ok ? keyPrint(key.value) : `${Math.abs(fifths)} ${fifths > 0 ? 'sharps' : 'flats'}`;
}

function moveItem(item: MeasureItem, measure: Measure, mover: Mover): Result<MeasureItem, Fault> {
  switch (item.kind) {
    case 'note':
      return moveNote(item, measure, mover);
    case 'harmony': {
      const interval = intervalAt(measure, item.onset, 1, mover);
      return ok({ ...item, roots: moveNames(item.roots, interval), basses: moveNames(item.basses, interval) });
    }
    case 'attributes':
    case 'carried':
      return ok(item);
    default:
      return assertNever(item);
  }
}

function moveNames(names: readonly PitchName[], interval: Interval): readonly PitchName[] {
  return names.map((name) => {
    const moved = transposeName(name, interval);
    return moved.ok ? moved.value : name;
  });
}

/** The interval at a place: turned enharmonically where the signature in force was. */
function intervalAt(measure: Measure, onset: number, staff: number, mover: Mover): Interval {
  const old = mover.before.at(measure.index, onset, staff).fifths;
  return addIntervals(mover.interval, enharmonicTurn(old + mover.interval.fifths));
}

function moveNote(note: NoteItem, measure: Measure, mover: Mover): Result<NoteItem, Fault> {
  if (!note.pitch) return ok(note);
  const { request, part } = mover;
  const isPupils = part.id === request.pupil.id;
  const octaves = isPupils ? request.octaves[handOfStaff(part, note.staff)] : 0;
  const interval = addIntervals(intervalAt(measure, note.onset, note.staff, mover), { fifths: 0, octaves });
  const strict = transposeBy(note.pitch, interval);
  if (!strict.ok) return err({ code: 'move.out-of-range', bar: measure.number });
  const pitch = spell(strict.value, note, measure, mover);
  if (pitch.octave < 0 || pitch.octave > 9) return err({ code: 'move.out-of-range', bar: measure.number });
  return ok({ ...note, pitch, xml: withoutStaleInk(note.xml) });
}

function spell(strict: Pitch, note: NoteItem, measure: Measure, mover: Mover): Pitch {
  // A triple sign cannot be printed: the neighbouring letter is taken, whatever the spelling asked for.
  if (Math.abs(strict.alter) > 2) return respelled(strict);
  if (mover.request.spelling === 'strict') return strict;
  const plain = mover.after.alterAt(measure.index, note.onset, note.staff, strict.step);
  if (!isHardSpelling(strict, plain)) return strict;
  const key = keyAt(measure, note, mover);
  if (!isRaisedDegree(key, strict, plain)) return respelled(strict);
  if (Math.abs(strict.alter) >= 2) proposeEnharmonic(key, mover.remarks);
  return strict;
}

function keyAt(measure: Measure, note: NoteItem, mover: Mover): Key {
  const signature = mover.after.at(measure.index, note.onset, note.staff);
  const key = keyOfSignature(signature.fifths, mover.request.to.mode);
  return key.ok ? key.value : mover.request.to;
}

/** The raised sixth and seventh of a minor key are never respelled: they say where the key is going. */
function isRaisedDegree(key: Key, pitch: Pitch, plain: number): boolean {
  return key.mode === 'minor' && [6, 7].includes(degreeOf(key, pitch.step)) && pitch.alter === plain + 1;
}

function proposeEnharmonic(key: Key, remarks: Remark[]): void {
  if (remarks.some((remark) => remark.code === 'enharmonic-proposed')) return;
  const other = enharmonicKey(key);
  if (other.ok && Math.abs(signatureOf(other.value)) <= MAX_SIGNS) remarks.push({ code: 'enharmonic-proposed', to: keyPrint(other.value) });
}
