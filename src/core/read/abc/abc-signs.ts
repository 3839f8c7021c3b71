import { signatureAlter, type Pitch, type Step } from '../../pitch';
import type { AbcPitch } from './abc-tree';

/** How far an accidental reaches within its bar: its letter in all octaves, its own octave only, or its note only.
 * Source: ABC standard 2.1, `%%propagate-accidentals`, from memory; without the directive the first holds. */
export type Propagation = 'pitch' | 'octave' | 'not';

export function propagationOf(text: string): Propagation {
  const said = /^(?:%%|I:)\s*propagate-accidentals\s+(\w+)/m.exec(text)?.[1];
  return said === 'octave' || said === 'not' ? said : 'pitch';
}

const ALTERS: Readonly<Record<string, number>> = { dblflat: -2, flat: -1, natural: 0, sharp: 1, dblsharp: 2 };

/** Middle C counted in letters from C0. */
const MIDDLE_C = 28;

/** What the signs of a bar do, for one staff. */
export interface SignMemory {
  fifths: number;
  /** Letters that the key field alters beyond its signature. */
  extra: ReadonlyMap<Step, number>;
  readonly inBar: Map<string, number>;
  /** Alterations of notes tied into the next bar, by their place on the staff. */
  readonly tied: Map<number, number>;
  /** Whether a sign was carried to another octave, which not all readers do. */
  hasDoubt: boolean;
}

export function newMemory(fifths: number): SignMemory {
  return { fifths, extra: new Map(), inBar: new Map(), tied: new Map(), hasDoubt: false };
}

/** The pitch of a note; null for one between the keys. Takes the note's own sign into the memory. */
export function pitchOf(note: AbcPitch, memory: SignMemory, propagation: Propagation): Pitch | null {
  const letters = MIDDLE_C + note.pitch;
  const step = (((letters % 7) + 7) % 7) as Step;
  const octave = Math.floor(letters / 7);
  const tied = memory.tied.get(letters);
  memory.tied.delete(letters);
  const alter = alterOf(note, step, { letters, tied, memory, propagation });
  if (alter === undefined) return null;
  if (note.startTie) memory.tied.set(letters, alter);
  return { step, alter, octave };
}

function alterOf(
  note: AbcPitch,
  step: Step,
  {
    letters,
    tied,
    memory,
    propagation,
  }: {
    readonly letters: number;
    readonly tied: number | undefined;
    readonly memory: SignMemory;
    readonly propagation: Propagation;
  },
): number | undefined {
  const plain = memory.extra.get(step) ?? signatureAlter(memory.fifths, step);
  if (note.accidental !== undefined) {
    const alter = ALTERS[note.accidental];
    if (alter === undefined) return undefined;
    if (propagation !== 'not') {
      memory.inBar.set(`at ${letters}`, alter);
      memory.inBar.set(`of ${step}`, alter);
    }
    return alter;
  }
  if (tied !== undefined) return tied;
  const here = memory.inBar.get(`at ${letters}`);
  const anywhere = memory.inBar.get(`of ${step}`);
  if (propagation === 'pitch') {
    if (anywhere !== undefined && anywhere !== (here ?? plain)) memory.hasDoubt = true;
    return anywhere ?? plain;
  }
  return here ?? plain;
}
