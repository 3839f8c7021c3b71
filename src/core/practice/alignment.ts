/* eslint max-params: ["error", 7] -- done for every path and key, some million times: nothing may be made on the way */
import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '../asked';
import * as cost from './alignment-costs.table';
import { lookUp, type Looked } from './look-up';
import { apartCost, beginCost, lateCost, missingCost, pulseCost } from './prices';
import { beginningFrom, createPaths, TINY, type Paths } from './paths';

/** What became of a key that was struck: it stands for a note, or for none. `begins`: the player began anew with it. Notes and moments as indexes. */
export interface KeyFate {
  readonly note: number | null;
  readonly moment: number | null;
  readonly begins: boolean;
}

/** How what was played lies along what is written: one fate a key, in order of time. */
export interface Alignment {
  readonly fates: readonly KeyFate[];
  readonly cost: number;
}

/** How long a quarter note is where a key is struck, by the key's index. Unit: ms. Null: nothing is known of it, and time counts for nothing. */
export type TempoAt = ((key: number) => number) | null;

/** The cheapest path to lay played keys along written notes. Exact: what is dropped on the way could only become dearer than beginning anew from the best.
 * The notes of one moment come in any order; from each key the player may begin anew at any moment. What was not played after the last key costs nothing.
 * With `atMost`, one that must cost more is given up, and costs infinitely much.
 * Cost: about O(keys x paths that are still open), which are some fifty. */
export function align(
  music: AskedMusic,
  keys: readonly StruckKey[],
  tempoAt: TempoAt,
  atMost = Number.POSITIVE_INFINITY,
): Alignment {
  const search: Search = { music, keys, tempoAt, looked: lookUp(music), paths: createPaths(music.moments.length) };
  const { paths } = search;
  let from = paths.beginRow();
  paths.take(-1, 0, -1, 0, -1, -1);
  for (let key = 0; key < keys.length; key += 1) {
    const best = cheapestOf(paths, from, paths.count());
    const to = paths.beginRow();
    // The best goes first: what follows it is what the others are measured by.
    goOn(search, best, key);
    beginAnew(search, best, key);
    for (let path = from; path < to; path += 1) if (path !== best) goOn(search, path, key);
    from = to;
    if (paths.leastCost() > atMost) return GIVEN_UP;
  }
  return told(paths, cheapestOf(paths, from, paths.count()));
}

interface Search {
  readonly music: AskedMusic;
  readonly keys: readonly StruckKey[];
  readonly tempoAt: TempoAt;
  readonly looked: Looked;
  readonly paths: Paths;
}

/** The dearest new beginning. */
const DEAREST_BEGIN = cost.BEGIN_ANEW + Math.max(...Object.values(cost.BEGIN_ANEW_AT)) + TINY;

/** What a path of this row may cost at most to become the best still. One that stands dearer than the best and a new beginning never does: the best could begin anew where it goes
 * next, and would owe nothing of the moment that it enters. */
function limitOf({ paths }: Search): number {
  return paths.leastCost() + DEAREST_BEGIN;
}

/** The bit of a mask that says: the player began anew here, and what is left out of this moment costs nothing. */
const BEGUN = 1 << 30;

/** A path with one more key: taken for nothing, for a note of the moment at which it stands, or for the first of a later one. Called for every path and key: nothing is made here. */
function goOn(search: Search, parent: number, key: number): void {
  const { music, keys, paths, looked } = search;
  const moment = paths.moment(parent);
  const mask = paths.mask(parent);
  const anchor = paths.anchor(parent);
  const sofar = paths.cost(parent);
  if (sofar + cost.EXTRA <= limitOf(search)) paths.take(moment, mask, anchor, sofar + cost.EXTRA, parent, -1);
  if (moment < 0) {
    openMoment(search, parent, key, 0, sofar, 'goes-on');
    const price = (m: number): number => Math.min(cost.BEGIN_LATE, looked.leftOut[m] as number);
    beginAtMoments(search, { parent, key, cost: sofar, priceOf: price });
    return;
  }
  const { midi, downMs } = keys[key] as StruckKey;
  const ms = downMs - (keys[anchor] as StruckKey).downMs;
  const { notes } = music.moments[moment] as AskedMoment;
  const apart = sofar + (search.tempoAt === null ? 0 : apartCost(ms));
  for (let i = 0; i < notes.length; i += 1) {
    if (mask & (1 << i)) continue;
    const note = notes[i] as number;
    const price = apart + looked.keyCost(note, midi);
    if (price <= limitOf(search)) paths.take(moment, mask | (1 << i), key, price, parent, note);
  }
  let left = sofar + missingOf(search, moment, mask);
  const slip = anchor === key - 2 ? (keys[key - 1] as StruckKey).midi : null;
  for (let later = moment + 1; later < music.moments.length && left <= limitOf(search); later += 1) {
    const time = timeCost(search, moment, later, key, ms);
    // Whoever hesitates strikes the right key late: that is never dearer than the same key for nothing.
    const late = later === moment + 1 && left === sofar ? Math.min(time, lateCost(midi, slip)) : time;
    openMoment(search, parent, key, later, left + time, 'goes-on', left + late);
    left += looked.missing[later] as number;
  }
}

/** Takes a key for the first of a moment. `price` is all that it costs but the key itself; `priceOfRight` the same where it is the very key. */
function openMoment(
  search: Search,
  parent: number,
  key: number,
  moment: number,
  price: number,
  how: 'goes-on' | 'begins',
  priceOfRight = price,
): void {
  const { midi } = search.keys[key] as StruckKey;
  const { notes } = search.music.moments[moment] as AskedMoment;
  const [from, begun] = how === 'begins' ? [beginningFrom(parent), BEGUN] : [parent, 0];
  for (let i = 0; i < notes.length; i += 1) {
    const note = notes[i] as number;
    const off = search.looked.keyCost(note, midi);
    const whole = off === 0 ? priceOfRight : price + off;
    if (whole <= limitOf(search)) search.paths.take(moment, (1 << i) | begun, key, whole, from, note);
  }
}

/** From the best path so far the player may begin anew at any moment. */
function beginAnew(search: Search, parent: number, key: number): void {
  const priceOf = (m: number): number => beginCost(search.music.moments[m] as AskedMoment);
  if (search.paths.moment(parent) >= 0)
    beginAtMoments(search, { parent, key, cost: search.paths.cost(parent), priceOf });
}

interface Beginning {
  readonly parent: number;
  readonly key: number;
  readonly cost: number;
  readonly priceOf: (moment: number) => number;
}

function beginAtMoments(search: Search, { parent, key, cost: sofar, priceOf }: Beginning): void {
  const { music, keys, looked } = search;
  const begin = (moment: number): void => {
    // From the front the first moment is no new beginning.
    if (moment === 0 && search.paths.moment(parent) < 0) return;
    const price = sofar + priceOf(moment);
    if (price <= limitOf(search)) openMoment(search, parent, key, moment, price, 'begins');
  };
  // Where the key is asked for; and everywhere, if even a wrong key were not too dear.
  const leastPrice = Math.min(cost.BEGIN_ANEW, priceOf(0));
  looked.byMidi.get((keys[key] as StruckKey).midi)?.forEach(begin);
  if (sofar + leastPrice + cost.OTHER_SIGN > limitOf(search)) return;
  for (let m = 0; m < music.moments.length; m += 1) begin(m);
}

function timeCost({ music, tempoAt, looked }: Search, from: number, to: number, key: number, ms: number): number {
  if (tempoAt === null || looked.cuts[from] !== looked.cuts[to]) return 0;
  const { moments } = music;
  return pulseCost(ms, ((moments[to] as AskedMoment).at - (moments[from] as AskedMoment).at) * tempoAt(key));
}

function missingOf({ music, looked }: Search, moment: number, mask: number): number {
  if (mask & BEGUN || mask === looked.full[moment]) return 0;
  const { notes } = music.moments[moment] as AskedMoment;
  return notes.reduce((sum, note, i) => (mask & (1 << i) ? sum : sum + missingCost(music.notes[note] as AskedNote)), 0);
}

function cheapestOf(paths: Paths, from: number, to: number): number {
  let best = from;
  for (let path = from + 1; path < to; path += 1) if (paths.cost(path) < paths.cost(best) - TINY) best = path;
  return best;
}

function told(paths: Paths, last: number): Alignment {
  const fates: KeyFate[] = [];
  for (let at = last; paths.parent(at) >= 0; at = paths.parent(at)) {
    const note = paths.note(at);
    fates.push(note < 0 ? NO_FATE : { note, moment: paths.moment(at), begins: paths.begins(at) });
  }
  return { fates: fates.reverse(), cost: paths.cost(last) };
}

const GIVEN_UP: Alignment = { fates: [], cost: Number.POSITIVE_INFINITY };
const NO_FATE: KeyFate = { note: null, moment: null, begins: false };
