import {
  keyOfSignature,
  parseName,
  signatureAlter,
  signatureOf,
  stepOfLetter,
  type Letter,
  type Mode,
  type Step,
} from '../../pitch';
import type { Meter } from '../../time';
import type { AbcKey, AbcMeter } from './abc-tree';

/** Mode names of ABC, by their first three letters. Source: ABC standard 2.1, section 4.6, from memory. */
const MODES: Readonly<Record<string, Mode>> = {
  '': 'major',
  maj: 'major',
  ion: 'ionian',
  m: 'minor',
  min: 'minor',
  aeo: 'aeolian',
  mix: 'mixolydian',
  dor: 'dorian',
  phr: 'phrygian',
  lyd: 'lydian',
  loc: 'locrian',
};

/** A key field: one of the fifteen signatures, and the letters that the field alters otherwise (`K:D phr ^F`). */
export interface AbcSignature {
  readonly fifths: number;
  readonly mode: Mode | null;
  readonly extra: ReadonlyMap<Step, number>;
}

const ALTERS: Readonly<Record<string, number>> = { dblflat: -2, flat: -1, natural: 0, sharp: 1, dblsharp: 2 };

/** A key field as a signature; null where it has signs between the keys. */
export function readAbcKey(key: AbcKey): AbcSignature | null {
  const signs = new Map<Step, number>();
  for (const { acc, note } of key.accidentals ?? []) {
    const alter = ALTERS[acc];
    if (alter === undefined) return null;
    // A natural only takes back the signature before.
    if (alter !== 0) signs.set(stepOfLetter(note.charAt(0).toUpperCase() as Letter), alter);
  }
  const named = namedKey(key);
  const fifths = named?.fifths ?? [...signs.values()].reduce((sum, alter) => sum + alter, 0);
  if (Math.abs(fifths) > 7) return null;
  const steps: readonly Step[] = [0, 1, 2, 3, 4, 5, 6];
  const extra = new Map(
    steps
      .map((step): [Step, number] => [step, signs.get(step) ?? 0])
      .filter(([step, alter]) => alter !== signatureAlter(fifths, step)),
  );
  return { fifths, mode: named?.mode ?? null, extra };
}

/** The key that the field names; none for the keys of the pipes, or where there is no tonic. */
function namedKey(key: AbcKey): { readonly fifths: number; readonly mode: Mode } | null {
  const mode = MODES[(key.mode ?? '').toLowerCase().slice(0, 3)];
  const tonic = parseName(
    `${key.root ?? ''}${key.acc === 'sharp' || key.acc === '#' ? '#' : key.acc === 'flat' || key.acc === 'b' ? 'b' : ''}`,
  );
  if (!mode || !tonic) return null;
  const fifths = signatureOf({ tonic, mode });
  return keyOfSignature(fifths, mode).ok && Math.abs(fifths) <= 7 ? { fifths, mode } : null;
}

/** A meter field; null where it sets none. */
export function readAbcMeter(meter: AbcMeter): Meter | null {
  if (meter.type === 'common_time') return { beats: 4, beatType: 4 };
  if (meter.type === 'cut_time') return { beats: 2, beatType: 2 };
  const [value] = meter.value ?? [];
  if (!value) return null;
  const beats = value.num.split('+').reduce((sum, part) => sum + Number(part), 0);
  const beatType = Number(value.den ?? '4');
  return Number.isInteger(beats) && beats > 0 && [1, 2, 4, 8, 16, 32].includes(beatType) ? { beats, beatType } : null;
}
