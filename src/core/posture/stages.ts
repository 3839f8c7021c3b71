import type { Passage, PassageNote } from '../fingering';
import { FINGER_COUNT, SHAPES, USUAL_SHAPES, type Shape } from './shapes';
import type { Moment } from './moments';

/** A posture: a shape, and the letter under its thumb. */
export interface Posture {
  readonly shape: Shape;
  /** The place of the shape among all; -1 for one that was made for these keys alone. */
  readonly index: number;
  readonly thumb: number;
}

/** All postures in which a hand can strike the keys of a moment. */
export interface Stage {
  /** The notes whose keys are down: those that are struck, then those that are held. */
  readonly notes: readonly number[];
  readonly struck: number;
  readonly postures: readonly Posture[];
  /** The fingers on those notes, each kind once; and which of them each posture has. */
  readonly grips: readonly (readonly number[])[];
  readonly gripOf: Int32Array;
}

/** More keys than fingers: those in the middle are left out. */
const LOW_KEYS = 3;
const HIGH_KEYS = 2;

export function stageOf(passage: Passage, { struck, held }: Moment, wanted: (note: number) => number | null): Stage {
  const fingered = struck.length <= FINGER_COUNT ? struck : [...struck.slice(0, LOW_KEYS), ...struck.slice(-HIGH_KEYS)];
  for (let kept = held.length; kept >= 0; kept -= 1) {
    const notes = [...fingered, ...held.slice(0, kept)];
    const letters = lettersOf(passage, notes);
    const fits = fitting(letters, USUAL_SHAPES);
    const postures = fits.length > 0 ? fits : fitting(letters, SHAPES.length);
    if (postures.length === 0 && kept > 0) continue;
    const stage = staged(notes, fingered.length, letters, postures.length > 0 ? postures : madeFor(letters));
    return withWanted(stage, letters, wanted);
  }
  throw new Error('no posture');
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

function fitting(letters: readonly number[], shapes: number): readonly Posture[] {
  const found: Posture[] = [];
  const first = letters[0] as number;
  for (let index = 0; index < shapes; index += 1) {
    const shape = SHAPES[index] as Shape;
    for (const offset of shape.offsets) {
      const thumb = first - offset;
      if (letters.every((letter) => shape.offsets.includes(letter - thumb))) found.push({ shape, index, thumb });
    }
  }
  return found;
}

function staged(notes: readonly number[], struck: number, letters: readonly number[], postures: readonly Posture[]): Stage {
  const grips: number[][] = [];
  const places = new Map<string, number>();
  const gripOf = Int32Array.from(postures, ({ shape, thumb }) => {
    const fingers = letters.map((letter) => shape.offsets.indexOf(letter - thumb) + 1);
    const name = fingers.join();
    const known = places.get(name);
    if (known !== undefined) return known;
    places.set(name, grips.length);
    grips.push(fingers);
    return grips.length - 1;
  });
  return { notes, struck, postures, grips, gripOf };
}

/** Keys that no usual shape reaches: the fingers spread over them as evenly as they can. */
function madeFor(letters: readonly number[]): readonly Posture[] {
  const rising = letters.toSorted((a, b) => a - b).map((letter, i, all) => (letter === all[i - 1] ? letter + 0.5 : letter));
  return choices(rising.length).map((fingers) => postureWith(rising, fingers));
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
  return { shape: { gaps, offsets, excess: (offsets[4] as number) - 4 }, index: -1, thumb };
}

/** Fingers that are asked for come in even where no usual shape has them. */
function withWanted(stage: Stage, letters: readonly number[], wanted: (note: number) => number | null): Stage {
  if (stage.struck < 2) return stage;
  const asked = stage.notes.map((note, i) => (i < stage.struck ? wanted(note) : null));
  if (asked.includes(null) || new Set(asked).size < asked.length) return stage;
  const name = asked.join();
  if (stage.grips.some((fingers) => fingers.join() === name)) return stage;
  const posture = postureWith(letters, asked as readonly number[]);
  return {
    ...stage,
    postures: [...stage.postures, posture],
    grips: [...stage.grips, asked as readonly number[]],
    gripOf: Int32Array.from([...stage.gripOf, stage.grips.length]),
  };
}
