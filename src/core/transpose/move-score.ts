import {
  MAX_SIGNS,
  addIntervals,
  degreeOf,
  enharmonicKey,
  intervalToKey,
  keyOfSignature,
  keyText,
  nameText,
  sameKey,
  samePitch,
  signatureOf,
  transposeBy,
  transposeName,
  type Direction,
  type Interval,
  type Key,
  type Pitch,
  type PitchName,
} from '../pitch';
import { assertNever, err, ok, type Fault, type Remark, type Result } from '../base';
import {
  handOfStaff,
  type Hand,
  type HarmonyItem,
  type Measure,
  type MeasureItem,
  type NoteId,
  type NoteItem,
  type Part,
  type Score,
} from '../score';
import { element, firstChild, mapChildren, textOf, type XmlElement } from '../xml';
import {
  modeShift,
  nameByDegree,
  pitchByDegree,
  triadKind,
  type DegreeForm,
  type ModeChange,
  type Signatures,
} from './by-degree';
import { drawAccidentals, type Courtesy, signatureLine, withFirstSignature, type SignatureLine } from '../notation';
import { withoutStaleInk } from './ink';
import { moveSignatures } from './move-signatures';
import { enharmonicTurn, isHardSpelling, otherSpelling, respelled, type Spelling } from './respell';

/** How a piece is to be moved. `pupil` is the part whose hands may take octaves of their own. */
export interface MoveRequest {
  readonly from: Key;
  readonly to: Key;
  readonly direction: Direction;
  readonly octaves: Readonly<Record<Hand, number>>;
  readonly spelling: Spelling;
  readonly courtesy: Courtesy;
  /** Which sixth and seventh a minor key gets from another mode. */
  readonly sixth: DegreeForm;
  readonly seventh: DegreeForm;
  /** Ids of notes that the teacher wants under the other letter. */
  readonly respelled: readonly NoteId[];
  readonly pupil: Part;
}

export interface MovedScore {
  readonly score: Score;
  /** What every note was moved by, before the octaves of each hand. */
  readonly interval: Interval;
  readonly remarks: readonly Remark[];
}

/** Moves a piece to another key: notes, key signatures, chord symbols and drawn accidentals of all parts. Within its mode
 * every interval is kept; into another mode it goes degree by degree, and a remark says so. A piece that stays where it
 * is comes back untouched. Errors: `move.out-of-range` where a note would leave the nine octaves of notation. */
export function moveScore(score: Score, request: MoveRequest): Result<MovedScore, Fault> {
  const { from, to, octaves } = request;
  const interval = intervalToKey(from, to, request.direction);
  const staysPut =
    sameKey(from, to) &&
    octaves.right === 0 &&
    octaves.left === 0 &&
    request.spelling === 'strict' &&
    request.respelled.length === 0;
  if (staysPut) return ok({ score, interval, remarks: [] });
  const change: ModeChange | null =
    from.mode === to.mode ? null : { from: from.mode, to: to.mode, sixth: request.sixth, seventh: request.seventh };
  const remarks: Remark[] = change ? [{ code: 'other-mode', from: keyText(from), to: keyText(to) }] : [];
  const parts: Part[] = [];
  for (const part of score.parts) {
    const moved = movePart(part, interval, { change, request, remarks });
    if (!moved.ok) return moved;
    parts.push(drawAccidentals(moved.value, request.courtesy));
  }
  return ok({ score: { ...score, parts }, interval, remarks });
}

function movePart(
  unmoved: Part,
  interval: Interval,
  {
    change,
    request,
    remarks,
  }: { readonly change: ModeChange | null; readonly request: MoveRequest; readonly remarks: Remark[] },
): Result<Part, Fault> {
  const part = withFirstSignature(unmoved);
  const before = signatureLine(part);
  const fifthsMoved = interval.fifths + (change ? modeShift(change) : 0);
  const withKeys: Part = {
    ...part,
    measures: part.measures.map((measure) => moveSignatures(measure, part, { fifthsMoved, request, remarks })),
  };
  const after = signatureLine(withKeys);
  const mover: Mover = { part, interval, fifthsMoved, change, request, before, after, remarks };
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
  /** By how much every signature moves on the line of fifths. */
  readonly fifthsMoved: number;
  readonly change: ModeChange | null;
  readonly request: MoveRequest;
  readonly before: SignatureLine;
  readonly after: SignatureLine;
  readonly remarks: Remark[];
}

function moveItem(item: MeasureItem, measure: Measure, mover: Mover): Result<MeasureItem, Fault> {
  switch (item.kind) {
    case 'note':
      return moveNote(item, measure, mover);
    case 'harmony': {
      return ok(moveHarmony(item, measure, mover));
    }
    case 'attributes':
    case 'carried':
      return ok(item);
    default:
      return assertNever(item);
  }
}

function moveHarmony(item: HarmonyItem, measure: Measure, mover: Mover): HarmonyItem {
  const interval = intervalAt(measure, item.onset, 1, mover);
  const { change } = mover;
  if (!change) return { ...item, roots: moveNames(item.roots, interval), basses: moveNames(item.basses, interval) };
  const signatures = signaturesAt(measure, item.onset, 1, mover);
  const roots = item.roots.map((root) => nameByDegree(root, interval, signatures, change));
  const key = keyOfSignature(signatures.after, change.to);
  const kind = roots[0] && key.ok ? triadKind(roots[0], signatures.after, key.value, change) : null;
  return {
    ...item,
    roots,
    basses: item.basses.map((bass) => nameByDegree(bass, interval, signatures, change)),
    xml: withTriad(item.xml, kind),
  };
}

/** A plain triad becomes the triad of its degree in the new mode; other chords keep their kind. */
function withTriad(harmony: XmlElement, kind: string | null): XmlElement {
  const plain = ['major', 'minor', 'diminished', 'augmented'];
  const old = firstChild(harmony, 'kind');
  if (kind === null || !old || !plain.includes(textOf(old)) || textOf(old) === kind) return harmony;
  return mapChildren(harmony, (child) => (child === old ? element('kind', {}, [kind]) : child));
}

function signaturesAt(measure: Measure, onset: number, staff: number, mover: Mover): Signatures {
  return {
    before: mover.before.at(measure.index, onset, staff).fifths,
    after: mover.after.at(measure.index, onset, staff).fifths,
  };
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
  return addIntervals(mover.interval, enharmonicTurn(old + mover.fifthsMoved));
}

function moveNote(note: NoteItem, measure: Measure, mover: Mover): Result<NoteItem, Fault> {
  if (!note.pitch) return ok(note);
  const { request, part } = mover;
  const isPupils = part.id === request.pupil.id;
  const octaves = isPupils ? request.octaves[handOfStaff(part, note.staff)] : 0;
  const interval = addIntervals(intervalAt(measure, note.onset, note.staff, mover), { fifths: 0, octaves });
  const strict = mover.change
    ? ok(pitchByDegree(note.pitch, interval, signaturesAt(measure, note.onset, note.staff, mover), mover.change))
    : transposeBy(note.pitch, interval);
  if (!strict.ok) return err({ code: 'move.out-of-range', bar: measure.number });
  const spelled = spell(strict.value, note, measure, mover);
  const pitch = request.respelled.includes(note.id) ? (otherSpelling(spelled) ?? spelled) : spelled;
  if (!samePitch(spelled, strict.value)) tellRespelled(strict.value, spelled, measure.number, mover.remarks);
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

/** Each respelling is listed once, with its bars. */
function tellRespelled(from: Pitch, to: Pitch, bar: string, remarks: Remark[]): void {
  const names = { from: nameText(from), to: nameText(to) };
  const at = remarks.findIndex(
    (remark) => remark.code === 'respelled-note' && remark.from === names.from && remark.to === names.to,
  );
  const told = remarks[at];
  if (told?.code !== 'respelled-note') remarks.push({ code: 'respelled-note', bars: [bar], ...names });
  else if (told.bars.at(-1) !== bar) remarks[at] = { ...told, bars: [...told.bars, bar] };
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
  if (other.ok && Math.abs(signatureOf(other.value)) <= MAX_SIGNS)
    remarks.push({ code: 'enharmonic-proposed', to: keyText(other.value) });
}
