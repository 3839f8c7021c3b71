// Fits small decisions to rows of evidence, the same each time: by Adam (Kingma and Ba, 2015, from memory), with a little weight decay.
import { seeded } from '../lib/seeded.mjs';

const BATCH = 64;
const DECAY = 2e-4;

function createAdam(parts) {
  const first = parts.map((part) => new Float64Array(part.length));
  const second = parts.map((part) => new Float64Array(part.length));
  let step = 0;
  return (slopes, rate) => {
    step += 1;
    parts.forEach((part, p) => {
      for (let i = 0; i < part.length; i += 1) {
        const slope = slopes[p][i] + DECAY * part[i];
        first[p][i] = 0.9 * first[p][i] + 0.1 * slope;
        second[p][i] = 0.999 * second[p][i] + 0.001 * slope * slope;
        part[i] -= (rate * (first[p][i] / (1 - 0.9 ** step))) / (Math.sqrt(second[p][i] / (1 - 0.999 ** step)) + 1e-8);
      }
    });
  };
}

const chanceOf = (odds) => 1 / (1 + Math.exp(-odds));
const short = (value) => Number(value.toFixed(3));

/** Mean and spread of each column. */
function scaleOf(rows) {
  const width = rows[0].length;
  const mean = Array.from({ length: width }, (_, i) => rows.reduce((sum, row) => sum + row[i], 0) / rows.length);
  const spread = mean.map(
    (middle, i) => Math.sqrt(rows.reduce((sum, row) => sum + (row[i] - middle) ** 2, 0) / rows.length) || 1,
  );
  return { mean, spread };
}

/** A net with one hidden layer. Answers its table, and how much of the last tenth of the rows, which it was not fitted to, it takes wrongly. */
export function trainNet({ rows, labels }, { units, epochs, seed }) {
  const width = rows[0].length;
  const { mean, spread } = scaleOf(rows);
  const scaled = rows.map((row) => Float64Array.from(row, (value, i) => (value - mean[i]) / spread[i]));
  const random = seeded(seed);
  for (let i = 0; i < 20; i += 1) random();
  const about = (size) => (random() + random() + random() + random() - 2) * size;
  const hidden = Float64Array.from({ length: units * (width + 1) }, () => about(0.25));
  const last = Float64Array.from({ length: units + 1 }, () => about(0.3));
  const values = new Float64Array(units);
  const oddsOf = (row) => {
    let sum = last[units];
    for (let u = 0; u < units; u += 1) {
      let own = hidden[u * (width + 1) + width];
      for (let i = 0; i < width; i += 1) own += hidden[u * (width + 1) + i] * row[i];
      values[u] = Math.tanh(own);
      sum += last[u] * values[u];
    }
    return sum;
  };
  const slopes = [new Float64Array(hidden.length), new Float64Array(last.length)];
  const learn = createAdam([hidden, last]);
  const kept = Math.floor(rows.length * 0.9);
  const order = Array.from({ length: kept }, (_, i) => i);
  for (let epoch = 0; epoch < epochs; epoch += 1) {
    for (let i = order.length - 1; i > 0; i -= 1) {
      const j = Math.floor(random() * (i + 1));
      [order[i], order[j]] = [order[j], order[i]];
    }
    for (let from = 0; from < order.length; from += BATCH) {
      const batch = order.slice(from, from + BATCH);
      slopes.forEach((part) => part.fill(0));
      for (const at of batch) {
        const off = (chanceOf(oddsOf(scaled[at])) - labels[at]) / batch.length;
        slopes[1][units] += off;
        for (let u = 0; u < units; u += 1) {
          slopes[1][u] += off * values[u];
          const own = off * last[u] * (1 - values[u] * values[u]);
          for (let i = 0; i < width; i += 1) slopes[0][u * (width + 1) + i] += own * scaled[at][i];
          slopes[0][u * (width + 1) + width] += own;
        }
      }
      learn(slopes, 0.004 * (1 - epoch / epochs) + 0.0001);
    }
  }
  const unseen = scaled.slice(kept).map((row, i) => (oddsOf(row) > 0 ? 1 : 0) !== labels[kept + i]);
  return {
    wrong: unseen.filter(Boolean).length / unseen.length,
    table: {
      mean: mean.map(short),
      spread: spread.map(short),
      hidden: Array.from({ length: units }, (_, u) =>
        Array.from(hidden.subarray(u * (width + 1), (u + 1) * (width + 1)), short),
      ),
      last: Array.from(last, short),
    },
  };
}

/** One weight for each column, and one more. */
export function trainWeights({ rows, labels }, { rounds }) {
  const width = rows[0].length;
  const weights = new Float64Array(width + 1);
  const slopes = new Float64Array(width + 1);
  const learn = createAdam([weights]);
  const oddsOf = (row) => row.reduce((sum, value, i) => sum + weights[i] * value, weights[width]);
  for (let round = 0; round < rounds; round += 1) {
    slopes.fill(0);
    rows.forEach((row, at) => {
      const off = (chanceOf(oddsOf(row)) - labels[at]) / rows.length;
      row.forEach((value, i) => (slopes[i] += off * value));
      slopes[width] += off;
    });
    learn([slopes], 0.02);
  }
  const wrong = rows.filter((row, at) => (oddsOf(row) > 0 ? 1 : 0) !== labels[at]).length / rows.length;
  return { wrong, weights: Array.from(weights, short) };
}
