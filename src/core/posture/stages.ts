import { lastingMemo } from '../base';
import type { Passage, PassageNote } from '../fingering';
import { FINGER_COUNT, SHAPES, SQUEEZED, USUAL_SHAPES, type Shape } from './shapes';
import type { Moment } from './moments';

/** All postures in which a hand can strike some keys, wherever they lie. One entry a posture in all lists but `grips`. */
export interface Form {
  readonly name: string;
  /** The shape by its place among all; -1 where it was made for these keys alone. */
  readonly shapes: Int16Array;
  readonly made: readonly (Shape | null)[];
  /** The letter under the thumb, from that of the first key. */
  readonly thumbs: Float64Array;
  /** Fingers on the keys, each kind once; which of them a posture has; and the same as bits. */
  readonly grips: readonly (readonly number[])[];
  readonly gripOf: Int32Array;
  readonly fingers: Uint8Array;
  readonly isUsual: boolean;
}

/** The postures of a moment. */
export interface Stage {
  /** The notes whose keys are down: those that are struck, then those that are held. */
  readonly notes: readonly number[];
  readonly struck: number;
  /** The letter of the first key. */
  readonly base: number;
  readonly form: Form;
}

export function shapeAt({ made, shapes }: Form, q: number): Shape {
  return made[q] ?? (SHAPES[shapes[q] as number] as Shape);
}

export function thumbAt({ form, base }: Stage, q: number): number {
  return base + (form.thumbs[q] as number);
}

/** More keys than fingers: those in the middle are left out. */
const LOW_KEYS = 3;
const HIGH_KEYS = 2;

/** So many forms are kept: the same few intervals come again and again. */
const forms = lastingMemo<Form>(1500);

export function stageOf(
  passage: Passage,
  { struck, held, nearHalfSteps }: Moment,
  wanted: (note: number) => number | null,
): Stage {
  const fingered = struck.length <= FINGER_COUNT ? struck : [...struck.slice(0, LOW_KEYS), ...struck.slice(-HIGH_KEYS)];
  for (let kept = held.length; kept >= 0; kept -= 1) {
    const notes = [...fingered, ...held.slice(0, kept)];
    const letters = lettersOf(passage, notes);
    const base = letters[0] as number;
    const relative = letters.map((letter) => letter - base);
    const asked = fingered.length < 2 ? [] : notes.map((note, i) => (i < fingered.length ? wanted(note) : null));
    const isAsked = asked.length > 0 && !asked.includes(null) && new Set(asked).size === asked.length;
    const halves = nearHalfSteps ? halfLetters(passage, notes).map((letter) => letter - base) : null;
    const name = `${relative.join()}/${isAsked ? asked.join('') : ''}/${halves?.join() ?? ''}`;
    const form = forms.get(name, () => formOf(name, relative, halves, isAsked ? (asked as readonly number[]) : null));
    if (form.gripOf.length > 0 && (form.isUsual || kept === 0)) return { notes, struck: fingered.length, base, form };
  }
  throw new Error('no posture');
}

/** The letters of keys, an altered one half a letter further. */
function halfLetters({ notes }: Passage, keys: readonly number[]): readonly number[] {
  return keys.map((key) => {
    const { letter, altered } = notes[key] as PassageNote;
    return letter + Math.sign(altered) / 2;
  });
}

function formOf(
  name: string,
  letters: readonly number[],
  halves: readonly number[] | null,
  asked: readonly number[] | null,
): Form {
  const usual = fitting(letters, SHAPES.slice(0, USUAL_SHAPES));
  const fits = usual.length > 0 ? usual : fitting(letters, SHAPES);
  const squeezed = halves ? fitting(halves, SQUEEZED).map((posture) => ({ ...posture, index: MADE })) : [];
  const found = fits.length > 0 ? [...fits, ...squeezed] : madeFor(letters);
  const has = asked && found.some(({ grip }) => grip.join() === asked.join());
  return staged(name, asked && !has ? [...found, postureWith(letters, asked)] : found, fits.length > 0);
}

/** The place of a shape that was made for some keys alone. */
const MADE = -1;

/** A posture: a shape, and the letter under its thumb. */
interface Posture {
  readonly shape: Shape;
  readonly index: number;
  readonly thumb: number;
  /** The fingers on the keys. */
  readonly grip: readonly number[];
}

/** The letters of keys; of two keys of one letter the altered one is read as its neighbour. */
function lettersOf({ notes }: Passage, keys: readonly number[]): readonly number[] {
  const plain = keys.map((key) => (notes[key] as PassageNote).letter);
  return keys.map((key, i) => {
    const { letter, altered } = notes[key] as PassageNote;
    const isShared = plain.filter((other) => other === letter).length > 1;
    return isShared && altered !== 0 && plain[i] === letter ? letter + Math.sign(altered) : letter;
  });
}

function fitting(letters: readonly number[], shapes: readonly Shape[]): readonly Posture[] {
  const found: Posture[] = [];
  const first = letters[0] as number;
  shapes.forEach((shape, index) => {
    for (const offset of shape.offsets) {
      const thumb = first - offset;
      const grip = letters.map((letter) => shape.offsets.indexOf(letter - thumb) + 1);
      if (!grip.includes(0)) found.push({ shape, index, thumb, grip });
    }
  });
  return found;
}

function staged(name: string, postures: readonly Posture[], isUsual: boolean): Form {
  const grips = new Map<string, { readonly place: number; readonly fingers: readonly number[] }>();
  const places = Int32Array.from(postures, ({ grip: fingers }) => {
    const known = grips.get(fingers.join()) ?? { place: grips.size, fingers };
    grips.set(fingers.join(), known);
    return known.place;
  });
  const all = [...grips.values()].map(({ fingers }) => fingers);
  return {
    name,
    shapes: Int16Array.from(postures, ({ index }) => index),
    made: postures.map(({ index, shape }) => (index < 0 ? shape : null)),
    thumbs: Float64Array.from(postures, ({ thumb }) => thumb),
    grips: all,
    gripOf: places,
    fingers: Uint8Array.from(places, (place) =>
      (all[place] as readonly number[]).reduce((mask, finger) => mask | (1 << (finger - 1)), 0),
    ),
    isUsual,
  };
}

/** Keys that no usual shape reaches: the fingers spread over them as evenly as they can. */
function madeFor(letters: readonly number[]): readonly Posture[] {
  const rising = letters
    .toSorted((a, b) => a - b)
    .map((letter, i, all) => (letter === all[i - 1] ? letter + 0.5 : letter));
  const order = letters.map(
    (letter, i) => letters.filter((other, k) => other < letter || (other === letter && k < i)).length,
  );
  return choices(rising.length).map((fingers) => ({
    ...postureWith(rising, fingers),
    grip: order.map((rank) => fingers[rank] as number),
  }));
}

function choices(count: number): readonly (readonly number[])[] {
  const all = Array.from({ length: 2 ** FINGER_COUNT }, (_, mask) =>
    Array.from({ length: FINGER_COUNT }, (_, i) => i + 1).filter((finger) => (mask & (1 << (finger - 1))) !== 0),
  );
  return all.filter(({ length }) => length === count);
}

/** A posture with some fingers on some letters; the other fingers lie evenly between and beside them. */
function postureWith(letters: readonly number[], fingers: readonly number[]): Posture {
  const at = new Map(fingers.map((finger, i) => [finger, letters[i] as number]));
  const known = fingers.toSorted((a, b) => a - b);
  const place = (finger: number): number => {
    const own = at.get(finger);
    if (own !== undefined) return own;
    const below = known.findLast((other) => other < finger);
    const above = known.find((other) => other > finger);
    if (below === undefined) return (at.get(above as number) as number) - ((above as number) - finger);
    if (above === undefined) return (at.get(below) as number) + (finger - below);
    const [low, high] = [at.get(below) as number, at.get(above) as number];
    return low + Math.round(((high - low) * (finger - below)) / (above - below));
  };
  const places = [1, 2, 3, 4, 5].map(place);
  const thumb = places[0] as number;
  const offsets = places.map((own) => own - thumb);
  const gaps = offsets.slice(1).map((offset, i) => offset - (offsets[i] as number)) as unknown as Shape['gaps'];
  return { shape: { gaps, offsets, excess: (offsets[4] as number) - 4 }, index: MADE, thumb, grip: fingers };
}
