import { sameHeld, type Held } from '../records/field';

/** One writing of a field: the device that wrote it, and how often that device had written this field by then. `null` is what was there before anyone
 * changed it. */
export type Dot = readonly [device: string, count: number] | null;

/** A value that a field was given, and that nobody who knew of it replaced. `undefined`: it was taken out. */
export interface Written {
  readonly dot: Dot;
  readonly value?: Held;
}

/** What is known of one field: the writings that stand, the one that counts here first, and how many writings of each device are known of. More than one
 * value stands where devices wrote without knowing of each other. Nothing stands where nothing is known. */
export interface Register {
  readonly seen: Readonly<Record<string, number>>;
  readonly stands: readonly Written[];
}

/** A field that nobody ever changed. */
export function unchanged(value: Held): Register {
  return { seen: {}, stands: [{ dot: null, value }] };
}

/** The field after a device wrote it: whoever wrote it had seen everything that stood. */
export function written(register: Register | null, device: string, value: Held): Register {
  const seen = register?.seen ?? {};
  const count = (seen[device] ?? 0) + 1;
  return { seen: { ...seen, [device]: count }, stands: [{ dot: [device, count], value }] };
}

/**
 * Everything that is known of a field on either side. What one side wrote stands unless the other knew of it and replaced it. The same whichever side comes
 * first, however often, and in whatever order devices meet: only which of several values counts here is the own side’s, until somebody chooses.
 */
export function joined(own: Register | null, theirs: Register | null): Register | null {
  if (!own || !theirs) return own ?? theirs;
  const kept = own.stands.filter((one) => survives(one, theirs));
  const added = theirs.stands.filter((one) => survives(one, own) && !kept.some((other) => sameWriting(one, other)));
  const names = [...new Set([...Object.keys(own.seen), ...Object.keys(theirs.seen)])];
  const seen = Object.fromEntries(names.map((name) => [name, Math.max(own.seen[name] ?? 0, theirs.seen[name] ?? 0)]));
  return { seen, stands: kept.length > 0 ? [...kept, ...added] : newestFirst(added) };
}

function survives({ dot, value }: Written, other: Register): boolean {
  // What was there before anyone changed it stands while neither side changed it.
  if (dot === null) return other.stands.some((one) => one.dot === null);
  const [device, count] = dot;
  return (other.seen[device] ?? 0) < count || other.stands.some((one) => sameWriting(one, { dot, value }));
}

/** Two writings are one where they have the same dot; what was there before counts as one where it is the same. */
function sameWriting(a: Written, b: Written): boolean {
  if (a.dot === null || b.dot === null) return a.dot === b.dot && sameHeld(a.value, b.value);
  return a.dot[0] === b.dot[0] && a.dot[1] === b.dot[1];
}

/** In an order that is the same on every device. */
function newestFirst(stands: readonly Written[]): readonly Written[] {
  const name = ({ dot, value }: Written): string => JSON.stringify(dot ?? value ?? null);
  return stands.toSorted((a, b) => (b.dot?.[1] ?? 0) - (a.dot?.[1] ?? 0) || (name(a) < name(b) ? -1 : 1));
}

/** The values that stand, each once, the one that counts here first. */
export function valuesOf({ stands }: Register): readonly Held[] {
  return stands
    .map(({ value }) => value)
    .filter((value, i, all) => all.findIndex((other) => sameHeld(other, value)) === i);
}
