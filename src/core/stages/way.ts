import type { Level } from '../fingering';
import { DIFFICULTIES, type Difficulty } from './difficulties';

/** A stage in a key, as a step of a way. */
export interface WayStep {
  readonly stage: string;
  readonly key: string;
  /** What is new in this step: difficulties, and the key itself. */
  readonly news: readonly (Difficulty | 'key')[];
}

/** Where a way may go: the stages with what is difficult in each, and the keys in which each can be played. */
export interface WayMap {
  readonly stages: readonly {
    readonly id: string;
    readonly difficulties: readonly Difficulty[];
    readonly keys: readonly string[];
  }[];
  /** The keys that the pupil knows. */
  readonly known: readonly string[];
  readonly level: Level;
  /** The key that is wanted, and the one in which new things are learnt first, if another one is known. */
  readonly wanted: string;
  readonly home: string;
}

/** What a hand of each level does anyway. Source: the levels of the scripting interface: from 2 on it moves, from 3 on it opens. */
const KNOWN_AT: Readonly<Record<Level, readonly Difficulty[]>> = {
  1: ['keys', 'length'],
  2: ['keys', 'length', 'moves'],
  3: ['keys', 'length', 'moves', 'octave-moves', 'broken-octaves'],
  4: ['keys', 'length', 'moves', 'octave-moves', 'broken-octaves', 'broken-chords', 'chords'],
};

/** Two new things at once are as bad as so many more steps. */
const PRICE_OF_TWO = 100;

/** The shortest way from what a pupil can do to the whole piece in the wanted key, one new difficulty a step where that can be had; of equal ways the one that keeps to
 * the order of the stages. Null where the whole cannot be played in that key. Exact: all sets of what can be known by then are looked at, cheapest first. */
export function wayTo(map: WayMap): readonly WayStep[] | null {
  const whole = map.stages.find(({ id }) => id === 'whole');
  if (!whole?.keys.includes(map.wanted)) return null;
  const steps = stepsOf(map);
  const goal = steps.findIndex(({ stage, key }) => stage === 'whole' && key === map.wanted);
  const start = bitsOf([...KNOWN_AT[map.level], ...(map.known.includes(map.wanted) ? (['key'] as const) : [])]);
  return (
    cheapest(steps, goal, start)?.map((at) => {
      const { stage, key } = steps[at.step] as Step;
      return { stage, key, news: newsOf(at.news) };
    }) ?? null
  );
}

interface Step {
  readonly stage: string;
  readonly key: string;
  readonly needs: number;
  /** What decides between ways that are equally long: small against a step. */
  readonly liking: number;
}

const BITS: readonly (Difficulty | 'key')[] = [...DIFFICULTIES, 'key'];

function bitsOf(all: readonly (Difficulty | 'key')[]): number {
  return all.reduce((bits, one) => bits | (1 << BITS.indexOf(one)), 0);
}

function newsOf(bits: number): readonly (Difficulty | 'key')[] {
  return BITS.filter((_, i) => (bits & (1 << i)) !== 0);
}

/** How many new things there are. Hands that come together have their own fingers each: that is one thing. */
export function countNews(news: WayStep['news']): number {
  return news.length - (news.includes('together') && news.includes('different-fingers') ? 1 : 0);
}

/** The steps that can be gone: each stage in a key that is known already, and in the wanted one. */
function stepsOf({ stages, known, wanted, home }: WayMap): readonly Step[] {
  const places = [known.includes(home) ? home : known[0], wanted].filter((key) => key !== undefined);
  return stages.flatMap(({ id, difficulties, keys }, place) =>
    [...new Set(places)]
      .filter((key) => keys.includes(key))
      .map((key) => ({
        liking: likingOf(difficulties, place, key !== places[0]),
        stage: id,
        key,
        needs: bitsOf([
          ...difficulties,
          ...(key === wanted && difficulties.includes('keys') ? (['key'] as const) : []),
        ]),
      })),
  );
}

/** Of equal ways: new things in the key that is known, whole stages before drills, and the order of the rail. */
function likingOf(difficulties: readonly Difficulty[], place: number, isInNewKey: boolean): number {
  return place / 10_000 + (isInNewKey ? 0.02 : 0) + (difficulties.includes('length') ? 0 : 0.01);
}

interface Gone {
  readonly step: number;
  readonly news: number;
}

interface Reached {
  readonly known: number;
  readonly cost: number;
  readonly way: readonly Gone[];
}

function cheapest(steps: readonly Step[], goal: number, start: number): readonly Gone[] | null {
  const open: Reached[] = [{ known: start, cost: 0, way: [] }];
  const done = new Set<number>();
  while (open.length > 0) {
    open.sort((a, b) => a.cost - b.cost);
    const at = open.shift() as Reached;
    if (at.way.at(-1)?.step === goal) return at.way;
    if (done.has(at.known)) continue;
    done.add(at.known);
    steps.forEach(({ needs }, step) => {
      const news = needs & ~at.known;
      // What brings nothing new is no step, unless it is the whole piece at last.
      if (news === 0 && step !== goal) return;
      const beyondOne = Math.max(0, countNews(newsOf(news)) - 1);
      const cost = at.cost + 1 + beyondOne * PRICE_OF_TWO + (steps[step] as Step).liking;
      open.push({ known: at.known | needs, cost, way: [...at.way, { step, news }] });
    });
  }
  return null;
}
