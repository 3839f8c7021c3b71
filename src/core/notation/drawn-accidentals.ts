import { pitchText, type Pitch } from '../pitch';
import type { AccidentalSign, DrawnAccidental, Measure, NoteItem, Part } from '../score';
import { signatureLine, type SignatureLine } from './signature-line';

/** Which courtesy signs are drawn. `bar`: a pitch altered in one bar and plain again in the next, same octave and
 * staff, gets its sign in parentheses; a sign already cancelled in its own bar owes none. `octaves`: also a letter that
 * was altered in another octave, in the same bar or the one before. `-plain`: the same without parentheses. */
export const COURTESIES = ['none', 'bar', 'octaves', 'bar-plain', 'octaves-plain'] as const;
export type Courtesy = (typeof COURTESIES)[number];

/** The sign of print for each alteration. A single sign follows a double one without a natural in front.
 * Source: E. Gould, Behind Bars (2011), chapter on accidentals, from memory; MusicXML 4.0, `accidental-value`. */
const SIGN_OF_ALTER: Readonly<Record<number, AccidentalSign>> = {
  [-2]: 'flat-flat',
  [-1]: 'flat',
  0: 'natural',
  1: 'sharp',
  2: 'double-sharp',
};

/** What one staff remembers: for each line or space (letter and octave), the alteration that holds. */
type Alterations = Map<string, number>;

interface StaffMemory {
  inBar: Alterations;
  previousBar: Alterations;
  readonly openTies: Set<string>;
}

/** Draws the accidentals of a part afresh by the bar rule: a sign holds for its letter, octave and staff until the bar
 * line; a tied note takes its sign across the bar line and leaves nothing behind. */
export function drawAccidentals(part: Part, courtesy: Courtesy): Part {
  const signatures = signatureLine(part);
  const staves = new Map<number, StaffMemory>();
  const measures = part.measures.map((measure) => drawMeasure(measure, signatures, staves, courtesy));
  return { ...part, measures };
}

function drawMeasure(
  measure: Measure,
  signatures: SignatureLine,
  staves: Map<number, StaffMemory>,
  courtesy: Courtesy,
): Measure {
  const signs = new Map<NoteItem, DrawnAccidental | null>();
  for (const memory of staves.values()) {
    memory.previousBar = memory.inBar;
    memory.inBar = new Map();
  }
  for (const note of inReadingOrder(measure)) {
    const memory = memoryOf(staves, note.staff);
    const plain = signatures.alterAt(measure.index, note.onset, note.staff, note.pitch.step);
    signs.set(note, signFor(note, note.pitch, { plain, memory, courtesy }));
  }
  forgetSignature(measure, signatures, staves);
  const items = measure.items.map((item) =>
    item.kind === 'note' && signs.has(item) ? { ...item, accidental: signs.get(item) ?? null } : item,
  );
  return { ...measure, items };
}

type PitchedNote = NoteItem & { readonly pitch: Pitch };

/** By time; grace notes stand before the note they lead to. */
function inReadingOrder(measure: Measure): readonly PitchedNote[] {
  return measure.items
    .filter((item): item is PitchedNote => item.kind === 'note' && item.pitch !== null)
    .sort((a, b) => a.onset - b.onset || Number(b.isGrace) - Number(a.isGrace));
}

function signFor(
  note: NoteItem,
  pitch: Pitch,
  { plain, memory, courtesy }: { readonly plain: number; readonly memory: StaffMemory; readonly courtesy: Courtesy },
): DrawnAccidental | null {
  const place = `${pitch.step}/${pitch.octave}`;
  const holding = memory.inBar.get(place);
  const sign = SIGN_OF_ALTER[pitch.alter];
  if (continuesTie(note, pitch, memory) && holding === undefined) return null;
  memory.inBar.set(place, pitch.alter);
  if (!sign || pitch.alter === (holding ?? plain)) {
    const isOwed = courtesy !== 'none' && holding === undefined && owesCourtesy(place, pitch, memory, courtesy);
    return sign && isOwed ? { sign, courtesy: true, parentheses: !courtesy.endsWith('-plain') } : null;
  }
  return { sign, courtesy: false, parentheses: false };
}

/** A tie that nothing began (in a second ending, or in a faulty file) does not save the sign. */
function continuesTie(note: NoteItem, pitch: Pitch, memory: StaffMemory): boolean {
  const tied = pitchText(pitch);
  const continues = note.tieStop && memory.openTies.delete(tied);
  if (note.tieStart) memory.openTies.add(tied);
  return continues;
}

function owesCourtesy(place: string, { step, alter }: Pitch, memory: StaffMemory, courtesy: Courtesy): boolean {
  const before = memory.previousBar.get(place);
  if (before !== undefined && before !== alter) return true;
  if (!courtesy.startsWith('octaves')) return false;
  return [...memory.inBar, ...memory.previousBar].some(
    ([other, altered]) => other !== place && other.startsWith(`${step}/`) && altered !== alter,
  );
}

/** What the signature itself says is no alteration: after the bar only true alterations are remembered,
 * those of notes tied in from the bar before among them. */
function forgetSignature(measure: Measure, signatures: SignatureLine, staves: Map<number, StaffMemory>): void {
  const notes = inReadingOrder(measure);
  for (const { staff, pitch } of notes) {
    const { inBar } = memoryOf(staves, staff);
    const place = `${pitch.step}/${pitch.octave}`;
    if (!inBar.has(place)) inBar.set(place, pitch.alter);
  }
  for (const note of notes) {
    const memory = memoryOf(staves, note.staff);
    const place = `${note.pitch.step}/${note.pitch.octave}`;
    const plain = signatures.alterAt(measure.index, measure.length, note.staff, note.pitch.step);
    if (memory.inBar.get(place) === plain) memory.inBar.delete(place);
  }
}

function memoryOf(staves: Map<number, StaffMemory>, staff: number): StaffMemory {
  const memory = staves.get(staff) ?? { inBar: new Map(), previousBar: new Map(), openTies: new Set() };
  staves.set(staff, memory);
  return memory;
}
