import { tallyGrip } from './grip-cost';
import { gripsOf, standOf, type Grip, type Stand } from './grip';
import { growth, JOINS, meetingOf, middle, type Join, type Meeting } from './meeting';
import { tallyMove } from './move-cost';
import { tallyPass } from './pass-cost';
import type { Passage, PassageEvent } from './passage';
import { widestOpening, type Demands } from './player';
import type { Setting } from './setting';
import { tallyStay } from './stay-cost';
import { costTally, RULE, totalCost } from './tally';
import type { View } from './view';

/** What the joins between the grips of two moments cost: one entry a pair, at `grip before * grips now + grip now`; Infinity where there
 * is none. `kinds` tells how the hand moves, as an index into `JOINS`. */
export interface JoinTable {
  readonly stay: Float64Array;
  readonly move: Float64Array;
  readonly kinds: Uint8Array;
  /** What each letter costs by which a position grows at its lower and at its upper end when the hand stays. */
  readonly down: Float64Array;
  readonly up: Float64Array;
}

/** All grips of a passage in one view with what they and the joins between them cost. */
export interface Lattice extends Setting {
  /** How many letters beyond five a position may open, and what each costs that it is open by from the start. */
  readonly widest: number;
  readonly openCost: number;
  readonly contractCost: number;
  readonly stands: readonly Stand[];
  readonly grips: readonly (readonly Grip[])[];
  readonly gripCosts: readonly Float64Array[];
  /** Joins from the event before; none at the first. */
  readonly joins: readonly (JoinTable | null)[];
}

/** What was worked out before for demands, by a description of all it depends on: the same few intervals come again and again, in
 * one piece and in all its keys. It saves time and changes no answer. */
interface Memory {
  readonly grips: Map<string, readonly Grip[]>;
  readonly costs: Map<string, Float64Array>;
  readonly joins: Map<string, JoinTable>;
}

const memories = new WeakMap<Demands, Memory>();

/** So many tables are kept; then all are forgotten. */
const KEPT_TABLES = 20_000;

function memoryOf(demands: Demands): Memory {
  const known = memories.get(demands);
  if (known && known.joins.size < KEPT_TABLES) return known;
  const memory = { grips: new Map(), costs: new Map(), joins: new Map() };
  memories.set(demands, memory);
  return memory;
}

/** Lays out all that a hand can do. O(events x grips²) time for what is new. */
export function latticeOf(passage: Passage, view: View, demands: Demands): Lattice {
  const setting = { passage, view, demands };
  const memory = memoryOf(demands);
  const widest = widestOpening(demands.player.level, passage.isChromatic);
  const stands: Stand[] = [];
  const grips: (readonly Grip[])[] = [];
  const gripCosts: Float64Array[] = [];
  const joins: (JoinTable | null)[] = [];
  let nameBefore = '';
  passage.events.forEach((event, t) => {
    const stand = standOf(passage, event, view.places, demands.player.spanMm * 100);
    const [shape, name] = namesOf(passage, view, stand);
    const own = remembered(memory.grips, shape, () => gripsOf(passage, stand));
    stands.push(stand);
    grips.push(own);
    gripCosts.push(remembered(memory.costs, `${widest}/${name}`, () => Float64Array.from(own, (grip) => gripCost(setting, stand, grip, widest))));
    const before = stands[t - 1];
    joins.push(
      before
        ? remembered(memory.joins, `${nameBefore}>${name}@${joinName(passage, view, event, before, stand)}`, () =>
            joinTable(setting, meetingOf(view, event, before, stand), grips[t - 1] as readonly Grip[], own),
          )
        : null,
    );
    nameBefore = name;
  });
  return { ...setting, widest, openCost: demands.weights[RULE.open] as number, contractCost: demands.weights[RULE.contract] as number, stands, grips, gripCosts, joins };
}

/** Some events of a lattice by themselves, from one to another, both included. */
export function sliceOf(lattice: Lattice, from: number, to: number): Lattice {
  const joins = lattice.joins.slice(from, to + 1);
  return {
    ...lattice,
    passage: { ...lattice.passage, events: lattice.passage.events.slice(from, to + 1) },
    stands: lattice.stands.slice(from, to + 1),
    grips: lattice.grips.slice(from, to + 1),
    gripCosts: lattice.gripCosts.slice(from, to + 1),
    joins: [null, ...joins.slice(1)],
  };
}

function remembered<T>(memory: Map<string, T>, name: string, make: () => T): T {
  const known = memory.get(name);
  if (known !== undefined) return known;
  const made = make();
  memory.set(name, made);
  return made;
}

/** What the grips of a stand depend on, and with them what their costs depend on. */
function namesOf(passage: Passage, view: View, { down, isHeld, dropped, base }: Stand): readonly [string, string] {
  const first = view.places[down[0] as number] as number;
  let shape = '';
  let name = '';
  down.forEach((index, i) => {
    const { letter, altered } = passage.notes[index] as { letter: number; altered: number };
    shape += `${letter - base}${altered > 0 ? '+' : altered < 0 ? '-' : ''}${isHeld[i] ? 'h' : ''},`;
    name += `${(view.places[index] as number) - first}${view.black[index] === 1 ? 'b' : ''}${' rR'[view.inRun[index] as number]},`;
  });
  return [shape, `${shape}${name}${dropped.length}`];
}

/** What a join depends on beside the two stands: how they lie to each other, which keys are held over, how much the join binds. */
function joinName(passage: Passage, view: View, event: PassageEvent, before: Stand, now: Stand): string {
  const [m, n] = [before.down[0] as number, now.down[0] as number];
  const over = now.isHeld.includes(true) ? now.down.map((note) => before.down.indexOf(note)).join() : '';
  return `${(view.places[n] as number) - (view.places[m] as number)},${now.base - before.base},${event.bond}${event.octaveEnd ?? ''},${over}`;
}

/** The cost of a grip alone; one that no position of the level holds breaks a limit. */
function gripCost(setting: Setting, stand: Stand, grip: Grip, widest: number): number {
  const tally = costTally(setting.demands.weights);
  tallyGrip(tally, setting, stand, grip);
  if (grip.high - grip.low > widest) tally.limits += 1;
  return totalCost(tally);
}

function joinTable(setting: Setting, meeting: Meeting, from: readonly Grip[], to: readonly Grip[]): JoinTable {
  const { weights } = setting.demands;
  const size = from.length * to.length;
  const table = { stay: new Float64Array(size), move: new Float64Array(size), kinds: new Uint8Array(size), down: new Float64Array(size), up: new Float64Array(size) };
  const [open, contract] = [weights[RULE.open] as number, weights[RULE.contract] as number];
  const price = ([opened, contracted]: readonly [number, number]): number => open * opened + contract * contracted;
  const middles = to.map((grip) => middle(grip, meeting.to));
  let at = 0;
  for (const a of from) {
    const middleBefore = middle(a, meeting.from);
    to.forEach((b, q) => {
      const way = (middles[q] as number) - middleBefore;
      table.stay[at] = stayCost(setting, meeting, a, b);
      const [kind, cost] = moveCost(setting, meeting, a, b);
      table.move[at] = cost;
      table.kinds[at] = JOINS.indexOf(kind);
      table.down[at] = price(growth(way, 1, 0));
      table.up[at] = price(growth(way, 0, 1));
      at += 1;
    });
  }
  return table;
}

function stayCost(setting: Setting, meeting: Meeting, a: Grip, b: Grip): number {
  const tally = costTally(setting.demands.weights);
  return tallyStay(tally, setting, meeting, a, b) ? totalCost(tally) : Infinity;
}

/** The cheapest way to a new position: a plain move, or a crossing where the level has it. */
function moveCost(setting: Setting, meeting: Meeting, a: Grip, b: Grip): readonly [Join, number] {
  const plain = costTally(setting.demands.weights);
  const kind = tallyMove(plain, setting, meeting, a, b);
  const pass = costTally(setting.demands.weights);
  if (!tallyPass(pass, setting, meeting, a, b) || totalCost(pass) >= totalCost(plain)) return [kind, totalCost(plain)];
  return ['pass', totalCost(pass)];
}
