import {
  degreeOf,
  keyOfSignature,
  namePrint,
  signatureAlter,
  signatureOf,
  diatonicNumber,
  type Key,
  type Pitch,
  type PitchName,
} from '../pitch';
import { groupBy } from '../base';
import type { HandNote, NoteId } from '../score';
import { BETWEEN_BEATS, FIXED_SYLLABLES, MOVABLE_SYLLABLES } from './syllables.table';

/** What can stand under the notes. In minor, `do-minor` calls the tonic do and `la-minor` calls it la; in major both are one. */
export const LABEL_KINDS = [
  'letters',
  'degrees',
  'do-minor',
  'la-minor',
  'fixed-do',
  'counts',
  'intervals',
  'between-hands',
] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];

/** The name of a note, a text that needs no words (a degree, a syllable, a place in the bar), or a distance in letters (up is above 0). */
export type Label =
  | { readonly kind: 'name'; readonly name: PitchName }
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'interval'; readonly letters: number }
  | { readonly kind: 'distance'; readonly letters: number };

/** The labels of one kind, by note id. `notes` are struck and in order of time, both hands together; `beatsOf` is how many beats a note lasts. */
export function labelsOf(
  kind: LabelKind,
  notes: readonly HandNote[],
  key: Key,
  beatsOf: (note: HandNote) => number,
): ReadonlyMap<NoteId, Label> {
  switch (kind) {
    case 'letters':
      return new Map(notes.map(({ id, pitch }) => [id, { kind: 'name', name: pitch }]));
    case 'degrees':
      return named(notes, (pitch) => degreeText(pitch, key));
    case 'do-minor':
      return named(notes, (pitch) => movableSyllable('do-minor', pitch, key));
    case 'la-minor':
      return named(notes, (pitch) => movableSyllable('la-minor', pitch, key));
    case 'fixed-do':
      return named(notes, (pitch) => FIXED_SYLLABLES[pitch.step] + namePrint(pitch).slice(1));
    case 'counts':
      return new Map(
        notes.filter(({ isGrace }) => !isGrace).map((note) => [note.id, text(countText(note.beat, beatsOf(note)))]),
      );
    case 'intervals':
      return new Map([...groupBy(notes, ({ hand }) => hand).values()].flatMap(neighbours));
    case 'between-hands':
      return betweenHands(notes);
  }
}

function named(notes: readonly HandNote[], nameOf: (pitch: Pitch) => string): ReadonlyMap<NoteId, Label> {
  return new Map(notes.map(({ id, pitch }) => [id, text(nameOf(pitch))]));
}

function text(value: string): Label {
  return { kind: 'text', text: value };
}

/** The degree of a pitch, with a sign where the key does not have it: `♯4`. */
export function degreeText(pitch: PitchName, key: Key): string {
  const altered = pitch.alter - signatureAlter(signatureOf(key), pitch.step);
  return `${'♯'.repeat(Math.max(0, altered))}${'♭'.repeat(Math.max(0, -altered))}${degreeOf(key, pitch.step)}`;
}

/** A syllable of movable do: the tonic of a minor key is do or la. What the major scale on do does not have gets an altered syllable. */
export function movableSyllable(minor: 'do-minor' | 'la-minor', pitch: PitchName, key: Key): string {
  const tonic = minor === 'do-minor' ? key.tonic : doOfLaMinor(key);
  const major: Key = { tonic, mode: 'major' };
  const forms = MOVABLE_SYLLABLES[degreeOf(major, pitch.step) - 1];
  const altered = pitch.alter - signatureAlter(signatureOf(major), pitch.step);
  return forms?.[Math.min(1, Math.max(-1, altered)) + 1] ?? '';
}

/** The tonic of the major key with the same signature. */
function doOfLaMinor(key: Key): PitchName {
  const major = keyOfSignature(signatureOf(key), 'major');
  return major.ok ? major.value.tonic : key.tonic;
}

/** How a note is counted: `1`, `1–2` where it lasts, `3 &` for its place between beats said as `&`. */
export function countText(beat: number, beats: number): string {
  const whole = Math.floor(beat + 1e-6);
  const part = beat - whole;
  const between = BETWEEN_BEATS.find(([at]) => Math.abs(at - part) < 1e-3);
  if (part > 1e-3) return between?.[1] ?? '·';
  const last = whole + Math.ceil(beats - 1e-6) - 1;
  return last > whole ? `${whole}–${last}` : String(whole);
}

/** From each note of one hand to the next, told at the later one; where two keys are struck at once, the interval between them. */
function neighbours(own: readonly HandNote[]): readonly (readonly [NoteId, Label])[] {
  const moments = [
    ...groupBy(
      own.filter(({ isGrace }) => !isGrace),
      ({ onset }) => String(onset),
    ).values(),
  ];
  return moments.flatMap((moment, i): readonly (readonly [NoteId, Label])[] => {
    const [first, second] = moment as [HandNote, HandNote | undefined];
    if (second)
      return moment.length === 2 ? [[first.id, { kind: 'distance', letters: lettersBetween(first, second) }]] : [];
    const before = moments[i - 1];
    return before?.length === 1
      ? [[first.id, { kind: 'interval', letters: lettersBetween(before[0] as HandNote, first) }]]
      : [];
  });
}

/** Where both hands strike together: from the left hand's highest to the right hand's lowest key, told at the left. */
function betweenHands(notes: readonly HandNote[]): ReadonlyMap<NoteId, Label> {
  const moments = groupBy(
    notes.filter(({ isGrace }) => !isGrace),
    ({ onset }) => String(onset),
  );
  return new Map(
    [...moments.values()].flatMap((moment): readonly (readonly [NoteId, Label])[] => {
      const left = moment.findLast(({ hand }) => hand === 'left');
      const right = moment.find(({ hand }) => hand === 'right');
      return left && right ? [[left.id, { kind: 'distance', letters: Math.abs(lettersBetween(left, right)) }]] : [];
    }),
  );
}

function lettersBetween(from: HandNote, to: HandNote): number {
  return diatonicNumber(to.pitch) - diatonicNumber(from.pitch);
}
