// Fits the weights of the planner's rules: cost is linear in them, so each wrong plan gives one inequality between the published
// fingers and the planned ones. A structured support vector machine by cutting planes: weights as near to the first ones as the
// inequalities allow, each within its bounds.
import '../lib/typescript.mjs';

const finger = await import('../../src/core/fingering/index.ts');
const { judge } = await import('../../tests/support/scales.ts');

const RULES = finger.RULES;
const ROUNDS = 12;
const MARGIN = 0.3;
const SLACK = 3;
const ASCENT_PASSES = 300;
const CONSISTENCY = 2.5;

/** Weights stay within these, so that what the exercises do not speak of (levels, moves, detached notes) keeps its place.
 * Our own choice, around the values of the project's fingering model. */
const LEAST = {
  move: 3,
  moveLetters: 0.3,
  legatoMove: 1.5,
  small: 0.8,
  large: 0.2,
  largeThumb: 0.25,
  open: 0.8,
  contract: 2,
  leap: 1,
  disguisedPass: 6,
  thumbBlack: 0.8,
  fourBlack: 0.1,
  twoBlack: 0.1,
  stretch: 0.3,
  weakFour: 0.1,
  weakFive: 0.1,
  smallUnder: 0.1,
  pass: 2.5,
  passSwing: 0.1,
  passSpan: 0.05,
  passFour: 0.1,
  passLevel: 0.2,
  hop: 4,
  chordOuter: 3.5,
  change: 1,
  changeLetters: 1,
  innerPattern: 2,
  innerFinger: 2.5,
  repeat: 0,
};
const GREATEST = {
  smallThumb: 0.7,
  thumbBlack: 2,
  small: 2.5,
  thumbBlackNeighbour: 3.5,
  fiveBlackNeighbour: 2.5,
  hop: 4,
  chordOuter: 3.5,
  change: 1,
  changeLetters: 1,
  disguisedPass: 6,
  leap: 2,
  passLevel: 0.6,
  innerPattern: 2,
  innerFinger: 2.5,
  repeat: 0,
};
const leastOf = (rule) => LEAST[rule] ?? 0.02;
const greatestOf = (rule) => GREATEST[rule] ?? Infinity;

export function demandsWith(weights) {
  return finger.demandsOf(finger.USUAL_PLAYER, weights);
}

/** Fits on some exercises, beginning from some weights; gives back the weights of the best round. */
export function train(list, first, say = () => {}) {
  const start = RULES.map((rule) => first[rule]);
  let weights = start;
  const cuts = [];
  let best = null;
  for (let round = 0; round < ROUNDS; round += 1) {
    const { score, wrong } = tryOut(list, weights);
    say(`round ${round}: ${score.toFixed(1)}, ${wrong.length} wrong`);
    if (!best || score > best.score) best = { score, weights };
    if (wrong.length === 0) break;
    cuts.push(...wrong);
    weights = solveCuts(cuts, start);
  }
  return Object.fromEntries(RULES.map((rule, i) => [rule, Math.round(best.weights[i] * 100) / 100]));
}

function tryOut(list, weights) {
  const demands = demandsWith(Object.fromEntries(RULES.map((rule, i) => [rule, weights[i]])));
  const wrong = [];
  let score = 0;
  for (const one of list) {
    const lattice = finger.latticeOf(one.exercise.passage, one.view, demands);
    const planned = finger.solveConsistent(lattice, one.groups, finger.NO_EXTRA);
    const { inner, exact } = judge(one.exercise, planned.steps.map(({ grip }) => grip.fingers.join('')).join(''));
    score += one.weight * (3 * Number(inner) + Number(exact));
    if (!exact) wrong.push(cutOf(one, lattice, planned));
  }
  return { score, wrong };
}

/** By how much the planned fingers must become dearer than the published ones. */
function cutOf(one, lattice, planned) {
  const wanted = finger.solve(lattice, { own: barred(one.exercise, lattice), changed: null, opens: 0 });
  const [a, b] = [finger.tallySteps(lattice, planned.steps).amounts, finger.tallySteps(lattice, wanted.steps).amounts];
  return {
    difference: Float64Array.from(a, (amount, i) => amount - b[i]),
    offset: apart(one.groups, planned) - apart(one.groups, wanted),
    weight: one.weight,
    alpha: 0,
  };
}

function barred({ wanted, free, startsOnBlack }, lattice) {
  let at = 0;
  return lattice.grips.map((grips, t) => {
    const size = lattice.passage.events[t].struck.length;
    const fingers = wanted.slice(at, at + size);
    const isOpen = free.includes(at) && startsOnBlack && wanted[at === 0 ? 1 : at - 1] === '1';
    at += size;
    return Float64Array.from(grips, (grip) =>
      grip.fingers.join('') === fingers || (isOpen && '234'.includes(grip.fingers.join(''))) ? 0 : 1e6,
    );
  });
}

function apart(groups, { steps }) {
  return (
    CONSISTENCY *
    groups.reduce((sum, group) => {
      const counts = new Map();
      for (const t of group) counts.set(steps[t].grip.mask, (counts.get(steps[t].grip.mask) ?? 0) + 1);
      return sum + group.length - Math.max(...counts.values());
    }, 0)
  );
}

/** Dual coordinate ascent, each rule in units of its first weight. */
function solveCuts(cuts, start) {
  const unit = start.map((weight) => Math.max(Math.abs(weight), 0.4));
  const moved = new Float64Array(RULES.length);
  const [low, high] = [new Float64Array(RULES.length), new Float64Array(RULES.length)];
  for (const cut of cuts) cut.difference.forEach((amount, i) => (moved[i] += cut.alpha * amount * unit[i]));
  const squares = cuts.map(({ difference }) => difference.reduce((sum, amount, i) => sum + (amount * unit[i]) ** 2, 0));
  for (let pass = 0; pass < ASCENT_PASSES; pass += 1) {
    cuts.forEach((cut, c) => {
      if (squares[c] < 1e-9) return;
      const value = cut.difference.reduce(
        (sum, amount, i) => sum + amount * (start[i] + unit[i] * moved[i]),
        cut.offset,
      );
      const alpha = Math.min(SLACK * cut.weight, Math.max(0, cut.alpha + (MARGIN - value) / squares[c]));
      cut.difference.forEach((amount, i) => (moved[i] += (alpha - cut.alpha) * amount * unit[i]));
      cut.alpha = alpha;
    });
    RULES.forEach((rule, i) => {
      const below = Math.max(0, low[i] + (leastOf(rule) - start[i]) / unit[i] - moved[i]);
      moved[i] += below - low[i];
      low[i] = below;
      const above = Math.max(0, high[i] + moved[i] - (greatestOf(rule) - start[i]) / unit[i]);
      moved[i] -= above - high[i];
      high[i] = above;
    });
  }
  return start.map((weight, i) =>
    Math.min(greatestOf(RULES[i]), Math.max(leastOf(RULES[i]), weight + unit[i] * moved[i])),
  );
}
