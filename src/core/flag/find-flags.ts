import type { KeyboardSize } from '../keyboard';
import type { PlacedPosition } from '../finger';
import type { HandNote } from '../score';
import type { Ticks } from '../time';
import { blackFingerFlags, doubleDutyFlags } from './black-key-flags';
import { SEVERITIES, type Flag, type OuterSchool } from './flag';
import { overlapFlags } from './overlap-flags';
import { doubleAccidentalFlags, ledgerFlags, offKeyboardFlags } from './register-flags';
import { sharedKeyFlags } from './shared-key-flags';

/** A piece in one key, as the flags need it. Notes are struck and in order of time, both hands together. */
export interface FlagInput {
  readonly notes: readonly HandNote[];
  readonly positions: readonly PlacedPosition[];
  readonly school: OuterSchool;
  readonly keyboard: KeyboardSize;
  readonly letterOf: (note: HandNote) => number;
  readonly beat: (note: HandNote) => Ticks;
}

/** Everything that the player should know, in order of the music; at one place the weightiest first. */
export function findFlags(input: FlagInput): readonly Flag[] {
  const order = new Map(input.notes.map((note, i) => [note.id, i]));
  const placeInMusic = (flag: Flag): number => order.get(flag.notes[0] ?? '') ?? 0;
  return [
    ...input.positions.flatMap((placed) => blackFingerFlags(placed, input.school)),
    ...input.positions.flatMap((placed) => doubleDutyFlags(placed, input.letterOf)),
    ...sharedKeyFlags(input.notes, input.beat),
    ...ledgerFlags(input.notes),
    ...overlapFlags(input.notes),
    ...offKeyboardFlags(input.notes, input.keyboard),
    ...doubleAccidentalFlags(input.notes),
  ].sort((a, b) => placeInMusic(a) - placeInMusic(b) || SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/** Marks the flags whose kind stood at the same notes already before the piece was moved. */
export function compareFlags(after: readonly Flag[], before: readonly Flag[]): readonly Flag[] {
  const known = new Set(before.flatMap((old) => old.notes.map((id) => `${old.evidence.kind}/${id}`)));
  return after.map((flag) => ({ ...flag, wasThere: flag.notes.some((id) => known.has(`${flag.evidence.kind}/${id}`)) }));
}
