import { heldIn, sameHeld, type Field, type Held } from '../records/field';
import { recordName, type RecordPlace } from '../records/place';
import type { Wanted } from '../door/view';
import { joined, valuesOf, type Register } from './register';
import { registersOf, stampOf, THERE, valueAt, type Stamp } from './stamp';

/** A record as one side has it. `undefined` where it is not there. */
export interface Sided {
  readonly record: Held;
  readonly stamp: Stamp | null;
}

/** A field that was written on both sides without knowing of each other: what stands here first, then the others. The field `[]` is whether the record
 * is there at all. */
export interface Conflict extends RecordPlace {
  readonly field: Field;
  readonly values: readonly Held[];
}

/** What becomes of one record: the fields to be written, what is known of it from now on, and what nobody has chosen between. */
export interface JoinedRecord {
  readonly wanted: readonly Wanted[];
  readonly stamp: Stamp | null;
  readonly conflicts: readonly Conflict[];
}

/** Joins what two sides know of one record. */
export function joinRecord(place: RecordPlace, own: Sided, theirs: Sided): JoinedRecord {
  const registers = joinedRegisters(own, theirs);
  const stamp = stampOf(recordName(place), registers, whose(own) ?? whose(theirs));
  return {
    wanted: wantedHere(place, own.record, theirs.record, registers),
    stamp,
    conflicts: conflictsIn(place, registers),
  };
}

/** Whose a record is, or was. */
function whose({ record, stamp }: Sided): string | undefined {
  const pupil = heldIn(record, ['pupil']) ?? stamp?.pupil;
  return typeof pupil === 'string' ? pupil : undefined;
}

function joinedRegisters(own: Sided, theirs: Sided): ReadonlyMap<string, Register> {
  const [ours, others] = [registersOf(own.record, own.stamp), registersOf(theirs.record, theirs.stamp)];
  const names = [...new Set([...ours.keys(), ...others.keys()])];
  return new Map(
    names.flatMap((name) => {
      const register = joined(ours.get(name) ?? null, others.get(name) ?? null);
      return register ? [[name, name === THERE ? thereFirst(register) : register] as const] : [];
    }),
  );
}

/** What anyone goes on with stays, whoever took it out. */
function thereFirst({ seen, stands }: Register): Register {
  return { seen, stands: stands.toSorted((a, b) => Number(b.value) - Number(a.value)) };
}

function isThere(registers: ReadonlyMap<string, Register>): boolean {
  return registers.get(THERE)?.stands[0]?.value === true;
}

function wantedHere(
  place: RecordPlace,
  own: Held,
  theirs: Held,
  registers: ReadonlyMap<string, Register>,
): readonly Wanted[] {
  if (!isThere(registers)) return own === undefined ? [] : [{ ...place, field: [], value: undefined }];
  // It comes whole from the side that has it; what this side knows better is put in below.
  const base = own ?? theirs;
  const whole: readonly Wanted[] =
    own === undefined && base !== undefined ? [{ ...place, field: [], value: base }] : [];
  const fields = [...registers].flatMap(([name, { stands }]): readonly Wanted[] => {
    const value = stands[0]?.value;
    if (name === THERE || sameHeld(valueAt(base, name), value)) return [];
    return [{ ...place, field: JSON.parse(name) as string[], value }];
  });
  return [...whole, ...fields];
}

/** What nobody has chosen between. */
export function conflictsIn(place: RecordPlace, registers: ReadonlyMap<string, Register>): readonly Conflict[] {
  return [...registers].flatMap(([name, register]) => {
    const values = valuesOf(register);
    return values.length < 2 ? [] : [{ ...place, field: JSON.parse(name) as string[], values }];
  });
}
