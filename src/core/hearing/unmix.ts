import { BAND_COUNT, KEY_COUNT } from './bands';
import { SHADE_COUNT, type NoteTemplates } from './templates';

/** What a stretch of sound is made of. */
export interface Unmixed {
  /** How loud each key is in it, by key. */
  readonly keys: Float32Array;
  /** How much each key alone explains of what is heard: its share of the bands that no other has. */
  readonly own: Float32Array;
  /** How much of what sounded before sounds on. */
  readonly before: number;
}

/** The bands of what sounded before, and how much of it still sounds: its share, 0 to 1. */
export interface SoundBefore {
  readonly before: Float32Array;
  readonly stillThere: number;
}

const ROUNDS = 30;
const TINY = 1e-9;

/** Takes a spectrum apart into notes: the templates, what sounded before, and a murmur that has no pitch, so much of each that their sum comes close to it.
 * `stillThere` is how much of what sounded before still sounds when the new begins: by itself nothing becomes louder, so what is heard beyond that was struck,
 * also where it is the same key again.
 * By multiplicative updates for the Kullback-Leibler divergence (Lee and Seung, “Algorithms for non-negative matrix factorization”, 2001, from memory), which
 * never go below zero; keys that have no part in it are left out after the first rounds. */
export function unmix(bands: Float32Array, { before, stillThere }: SoundBefore, templates: NoteTemplates): Unmixed {
  const parts = startingParts(bands, before, templates);
  const mostBefore = stillThere * sumOfAll(before);
  const model = new Float32Array(BAND_COUNT);
  const ratio = new Float32Array(BAND_COUNT);
  let open = parts;
  for (let round = 0; round < ROUNDS; round += 1) {
    sumOf(open, model);
    for (let b = 0; b < BAND_COUNT; b += 1) ratio[b] = (bands[b] as number) / ((model[b] as number) + TINY);
    for (const part of open) part.amount *= correlation(part, ratio);
    for (const part of open) if (part.key === BEFORE) part.amount = Math.min(part.amount, mostBefore);
    if (round === PRUNES_AFTER) open = withoutFaint(open);
  }
  sumOf(open, model);
  return partsByKey(open, bands, model);
}

const PRUNES_AFTER = 6;
/** Of the loudest. */
const FAINT = 0.004;

/** In place of a key. */
const BEFORE = -1;
const MURMUR = -2;

interface Part {
  /** Which key it is of, or `BEFORE`, or `MURMUR`. */
  readonly key: number;
  readonly from: Float32Array;
  readonly at: number;
  amount: number;
}

function startingParts(bands: Float32Array, before: Float32Array, templates: NoteTemplates): Part[] {
  const total = sumOfAll(bands) + TINY;
  const parts: Part[] = [];
  for (let part = 0; part < KEY_COUNT * SHADE_COUNT; part += 1)
    parts.push({
      key: Math.floor(part / SHADE_COUNT),
      from: templates,
      at: part * BAND_COUNT,
      amount: total / (KEY_COUNT * SHADE_COUNT),
    });
  const beforeSum = sumOfAll(before);
  if (beforeSum > TINY)
    parts.push({
      key: BEFORE,
      from: before.map((value) => value / beforeSum),
      at: 0,
      amount: Math.min(total, beforeSum) / 2,
    });
  parts.push({ key: MURMUR, from: new Float32Array(BAND_COUNT).fill(1 / BAND_COUNT), at: 0, amount: total / 50 });
  return parts;
}

function sumOf(parts: readonly Part[], model: Float32Array): void {
  model.fill(0);
  for (const { from, at, amount } of parts)
    for (let b = 0; b < BAND_COUNT; b += 1) model[b] = (model[b] as number) + amount * (from[at + b] as number);
}

function sumOfAll(values: Float32Array): number {
  return values.reduce((sum, value) => sum + value, 0);
}

function correlation({ from, at }: Part, ratio: Float32Array): number {
  let sum = 0;
  for (let b = 0; b < BAND_COUNT; b += 1) sum += (from[at + b] as number) * (ratio[b] as number);
  return sum;
}

function withoutFaint(parts: readonly Part[]): Part[] {
  const loudest = parts.reduce((most, { amount }) => Math.max(most, amount), 0);
  return parts.filter(({ key, amount }) => key < 0 || amount > FAINT * loudest);
}

function partsByKey(parts: readonly Part[], bands: Float32Array, model: Float32Array): Unmixed {
  const keys = new Float32Array(KEY_COUNT);
  const own = new Float32Array(KEY_COUNT);
  let before = 0;
  const byKey = new Map<number, Float32Array>();
  for (const { key, from, at, amount } of parts) {
    if (key === BEFORE) before = amount;
    if (key < 0) continue;
    keys[key] = (keys[key] as number) + amount;
    const sum = byKey.get(key) ?? new Float32Array(BAND_COUNT);
    byKey.set(key, sum);
    for (let b = 0; b < BAND_COUNT; b += 1) sum[b] = (sum[b] as number) + amount * (from[at + b] as number);
  }
  const total = sumOfAll(bands) + TINY;
  for (const [key, sum] of byKey) {
    let share = 0;
    for (let b = 0; b < BAND_COUNT; b += 1)
      share += (bands[b] as number) * ((sum[b] as number) / ((model[b] as number) + TINY)) ** 2;
    own[key] = share / total;
  }
  return { keys, own, before };
}
