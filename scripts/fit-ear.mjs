// Fits what the two ears decide by, and writes src/core/hearing/decision.table.ts. Everything is drawn by seed: the same table each time. About a quarter of an hour; `npm run fit-ear -- live`
// and `-- after` fit one ear only.
import './lib/typescript.mjs';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { harvest } from './ear/harvest.mjs';
import { trainNet, trainWeights } from './ear/train.mjs';
import { ROOT } from './lib/run.mjs';

const TABLE = join(ROOT, 'src/core/hearing/decision.table.ts');
const LIVE = { performances: 200, firstSeed: 1, units: 24, epochs: 24, seed: 4711 };
const AFTER = { performances: 40, firstSeed: 5001, rounds: 2000 };

const only = process.argv[2];
const { LIVE_DECISION, AFTER_WEIGHTS } = await import('../src/core/hearing/index.ts');

async function fitLive() {
  const live = trainNet(await harvest('live', LIVE.performances, LIVE.firstSeed), LIVE);
  console.log(`live: ${(100 * live.wrong).toFixed(2)} % of the rows that it was not fitted to taken wrongly`);
  return live.table;
}

async function fitAfter() {
  const after = trainWeights(await harvest('after', AFTER.performances, AFTER.firstSeed), AFTER);
  console.log(`after: ${(100 * after.wrong).toFixed(2)} % taken wrongly`);
  return after.weights;
}

const live = only === 'after' ? LIVE_DECISION : await fitLive();
const after = only === 'live' ? AFTER_WEIGHTS : await fitAfter();

const text = `import type { DecisionTable } from './decision';

/** Source: scripts/fit-ear.mjs, which writes this file: ${LIVE.performances} and ${AFTER.performances} performances on the recordings that ship, in rooms drawn by seed. */

/** What the ear decides by that listens live: the evidence of evidence.ts. */
export const LIVE_DECISION: DecisionTable = ${JSON.stringify(live)};

/** What the ear decides by that listens afterwards: one weight for each number of posteriors.ts, then one more. */
export const AFTER_WEIGHTS: readonly number[] = ${JSON.stringify(after)};
`;
writeFileSync(TABLE, await format(text, { ...(await resolveConfig(TABLE)), filepath: TABLE }));
