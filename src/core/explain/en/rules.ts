import type { Rule } from '../../fingering';
import { totalOf, type Comparison, type RuleCost } from '../../forced';
import { listed } from './common';
import type { Terms } from './terms';

/** What a rule of the planner is about, as the second half of “this is harder by …”. */
const ruleWords = (t: Terms): Readonly<Record<Rule, string>> => ({
  stretch: 'fingers stretched apart',
  smallThumb: `${t.finger(1)} and finger crowded together`,
  smallUnder: `a finger straight above ${t.theFinger(1)}`,
  small: 'fingers crowded together',
  largeThumb: 'a wide hand',
  large: 'fingers far apart',
  weakFour: `more for ${t.finger(4)}`,
  weakFive: `more for ${t.finger(5)}`,
  threeFour: `${t.finger(4)} after ${t.finger(3)}`,
  innerPattern: 'another finger than usual beside 5',
  innerArpeggio: 'another finger than usual beside 5',
  innerFinger: 'another finger than usual inside the chord',
  chordOuter: `a chord without ${t.finger(1)} or ${t.finger(5)}`,
  fourBlack: `${t.finger(4)} on black beside 3 on white`,
  twoBlack: `${t.finger(2)} on black beside 3 on white`,
  thumbBlack: `${t.theFinger(1)} on a black key`,
  thumbBlackNeighbour: `${t.theFinger(1)} on black with white keys beside it`,
  fiveBlackNeighbour: `${t.finger(5)} on black with white keys beside it`,
  betweenBlack: 'a long finger between black keys',
  chromaticBlack: 'another finger than 3 on the black keys of a chromatic run',
  chromaticWhite: `another finger than ${t.theFinger(1)} on the white keys of a chromatic run`,
  pass: 'a crossing',
  passDistance: 'a crossing over a distance',
  passFour: `a crossing with ${t.finger(4)}`,
  passSpan: 'a cramped crossing',
  passSwing: 'a crossing beyond the reach of the fingers',
  passLevel: 'a crossing between keys that are both white or both black',
  passThumbBlack: `${t.theFinger(1)} crossing onto a black key`,
  move: 'a move of the hand',
  moveLetters: 'a move over a distance',
  legatoMove: 'a move without a break',
  leap: 'a leap',
  disguisedPass: 'fingers out of order',
  hop: 'one finger on two keys running',
  chordHop: 'one finger on two keys running',
  change: 'another finger on a repeated key',
  changeLetters: 'a repeated key that moves the hand far',
  repeat: 'the same finger on a repeated key',
  open: 'an opened hand',
  contract: 'a hand drawn together',
});

/** At most so many reasons are told: the largest ones. */
const TOLD = 2;

/** A reason is told from this cost on. */
const LEAST_TOLD = 0.3;

/** What makes one way harder than the other, in words, the weightiest first; empty where nothing much does. */
export function reasonWords(t: Terms, { worse, better }: Comparison): string {
  const costOf = (costs: readonly RuleCost[], rule: Rule): number =>
    costs.find((entry) => entry.rule === rule)?.cost ?? 0;
  const words = worse
    .map(({ rule, cost }) => ({ words: ruleWords(t)[rule], more: cost - costOf(better, rule) }))
    .filter(({ more }) => more >= LEAST_TOLD)
    .sort((a, b) => b.more - a.more)
    .map((reason) => reason.words);
  return listed([...new Set(words)].slice(0, TOLD));
}

/** The costs behind a flag in figures: `18.2 with the old fingers, 9.6 with the new ones`. */
export function costWords(comparison: Comparison): string {
  const [worse, better] = [totalOf(comparison.worse).toFixed(1), totalOf(comparison.better).toFixed(1)];
  return comparison.between === 'fingers'
    ? `The old fingers cost the hand ${worse}, the new ones ${better}.`
    : `These keys cost the hand ${worse}, white ones would cost ${better}.`;
}

/** How much harder something is, in words. */
export function priceWords(price: number | null): string {
  if (price === null) return 'cannot be played so';
  if (price < 0.5) return 'just as easy';
  if (price < 2) return 'a little harder';
  return 'clearly harder';
}
