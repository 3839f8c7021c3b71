import { beginsAt } from './begins-at';
import { createBands, KEY_COUNT, LOWEST_KEY, type Bands } from './bands';
import { evidenceOf, possibleKeys, type Evidence, type OnsetSound } from './evidence';
import { createFourier, type Fourier } from './fourier';
import { createKeptSound, type KeptSound } from './kept-sound';
import { createOnsetFinder, HOP, SHORT, type Onset } from './onsets';
import { HEARD_RATE, samplesIn } from './rate';
import { AFTER_ONSET_MS, STRETCH, type NoteTemplates } from './templates';
import { unmix, type Unmixed } from './unmix';

/** A key that may have been struck, and what speaks for it. Time in ms from the first sample. */
export interface PossibleKey {
  readonly midi: number;
  readonly atMs: number;
  readonly evidence: Evidence;
}

/** Listens to a piano as the sound comes. */
export interface Listener {
  /** Takes sound at `HEARD_RATE`, in pieces of any length; gives what may have been struck, once it is known. */
  readonly take: (chunk: Float32Array) => readonly PossibleKey[];
  /** What is still open, where nothing more comes. */
  readonly finish: () => readonly PossibleKey[];
}

interface ListenerOptions {
  readonly templates: NoteTemplates;
  /** How much higher than usual the piano is tuned. */
  readonly cents: number;
  /** How loud its notes are, as the sum of all bands; null where that is still to be found out. */
  readonly loudness: number | null;
}

/** Onsets so close are hands that do not strike quite together. Unit of these: samples. */
const TOGETHER = samplesIn(55);
const AFTER = samplesIn(AFTER_ONSET_MS);
const BEFORE = samplesIn(10);
const SHORT_STRETCH = 1024;
/** Over so long before a stroke is heard what still sounds. */
const SHORT_MOMENT = samplesIn(15);
/** Sound is taken in at most so much at a time. */
const PIECE = HEARD_RATE / 2;
/** A piano's loudness is forgotten so slowly, onset by onset. */
const FORGETS = 0.97;
const QUIETEST = 1e-5;

/** A group of onsets that belong together. */
interface Stroke {
  readonly first: number;
  readonly last: number;
  readonly strength: number;
}

/** What is known of the sound so far. */
interface Ear {
  readonly templates: NoteTemplates;
  readonly fourier: Fourier;
  readonly bands: Bands;
  readonly sound: KeptSound;
  readonly known: number | null;
  loudness: number;
  /** Strokes that were not looked at yet, where the last one that was looked at lies, and what it was made of. */
  open: readonly Stroke[];
  previous: number;
  earlier: Unmixed;
}

export function createListener({ templates, cents, loudness }: ListenerOptions): Listener {
  const ear: Ear = {
    templates,
    fourier: createFourier(STRETCH),
    bands: createBands(STRETCH, cents),
    sound: createKeptSound(),
    known: loudness,
    loudness: loudness ?? QUIETEST,
    open: [],
    previous: -Infinity,
    earlier: { keys: new Float32Array(KEY_COUNT), own: new Float32Array(KEY_COUNT), before: 0 },
  };
  const finder = createOnsetFinder(() => ear.loudness);
  let frame = 0;
  const take = (chunk: Float32Array): readonly PossibleKey[] => {
    const all: PossibleKey[] = [];
    for (let from = 0; from < chunk.length; from += PIECE) {
      ear.sound.add(chunk.subarray(from, from + PIECE));
      for (; frame + SHORT <= ear.sound.end(); frame += HOP) {
        const onset = finder.take(ear.sound.from(frame), frame);
        if (onset) ear.open = withOnset(ear, onset);
        all.push(...hearWhole(ear, frame + SHORT));
      }
    }
    return all;
  };
  return { take, finish: () => take(new Float32Array(2 * STRETCH)) };
}

function withOnset({ sound, open }: Ear, { at: about, strength }: Onset): readonly Stroke[] {
  const begin = sound.begin();
  const at = begin + beginsAt(sound.from(begin), about - begin);
  const last = open.at(-1);
  return last && at - last.first < TOGETHER
    ? [...open.slice(0, -1), { first: last.first, last: at, strength: Math.max(last.strength, strength) }]
    : [...open, { first: at, last: at, strength }];
}

/** Hears all strokes whose stretch is whole by now. */
function hearWhole(ear: Ear, available: number): readonly PossibleKey[] {
  const all: PossibleKey[] = [];
  for (;;) {
    const [stroke, next] = ear.open;
    if (!stroke) return all;
    const whole = stroke.last + AFTER + STRETCH;
    const end = next ? next.first - BEFORE : whole;
    if (available < Math.min(end, whole)) return all;
    all.push(...hear(ear, stroke, end));
    ear.open = ear.open.slice(1);
  }
}

function hear(ear: Ear, stroke: Stroke, end: number): readonly PossibleKey[] {
  const from = stroke.last + AFTER;
  const length = Math.max(SHORT_STRETCH, Math.min(STRETCH, end - from));
  const until = stroke.first - BEFORE;
  const lengthBefore = Math.max(SHORT_STRETCH, Math.min(STRETCH, until - ear.previous - AFTER));
  const plain = bandsAt(ear, from, length);
  const { known, loudness } = ear;
  ear.loudness = Math.max(sumOf(plain), FORGETS * loudness + (1 - FORGETS) * (known ?? 0));
  const scale = Math.max(ear.loudness, QUIETEST);
  const scaled = (bands: Float32Array): Float32Array => bands.map((value) => value / scale);
  const before = scaled(bandsAt(ear, until - lengthBefore, lengthBefore));
  const after = scaled(plain);
  const levelBefore = levelAt(ear, until - lengthBefore, lengthBefore);
  const stillThere = Math.min(1, levelAt(ear, until - SHORT_MOMENT, SHORT_MOMENT) / levelBefore);
  const now = unmix(after, { before, stillThere }, ear.templates);
  const heard: OnsetSound = {
    before,
    after,
    shortBefore: scaled(bandsAt(ear, until - SHORT_STRETCH, SHORT_STRETCH)),
    shortAfter: scaled(bandsAt(ear, from, SHORT_STRETCH)),
    now,
    earlier: ear.earlier,
    strength: stroke.strength,
    wholeness: length / STRETCH,
  };
  ear.earlier = now;
  ear.previous = stroke.last;
  return possibleKeys(heard).map((key) => ({
    midi: LOWEST_KEY + key,
    atMs: (stroke.first * 1000) / HEARD_RATE,
    evidence: evidenceOf(heard, key),
  }));
}

function bandsAt({ bands, fourier, sound }: Ear, place: number, length: number): Float32Array {
  return bands.of(fourier.magnitudes(sound.from(Math.max(place, sound.begin())), 0, length));
}

/** The root mean square of a stretch. */
function levelAt({ sound }: Ear, place: number, length: number): number {
  const stretch = sound.from(Math.max(place, sound.begin())).subarray(0, length);
  const power = stretch.reduce((sum, value) => sum + value * value, 0);
  return Math.sqrt(power / Math.max(1, stretch.length)) + QUIETEST;
}

function sumOf(values: Float32Array): number {
  return values.reduce((sum, value) => sum + value, 0);
}
