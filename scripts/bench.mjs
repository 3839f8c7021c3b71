// Measures on this machine, and writes docs/bench.md. `npm run bench` measures all parts but those that take an hour, `npm run bench -- hands load` the named ones;
// `npm run bench -- against REVISION` measures planning alone, here and at a revision, and writes nothing.
import './lib/typescript.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { runs } from './lib/run.mjs';
import { freePort, serve } from './lib/server.mjs';
import { keepFigures, writePage } from './bench/page.mjs';
import { PARTS } from './bench/parts.mjs';

const named = process.argv.slice(2);

const print = (heading, figures) => {
  console.log(`\n${heading}`);
  for (const [what, figure] of figures) console.log(`  ${what.padEnd(64)}${figure}`);
};

if (named[0] === 'against') {
  const { measureAgainst } = await import('./bench/against.mjs');
  print(`Planning, warm, medians in Node, two hands of 32 bars, against ${named[1]}:`, measureAgainst(named[1]));
  process.exit();
}

const unknown = named.filter((name) => !PARTS.some((part) => part.name === name));
if (unknown.length > 0) {
  console.error(`No part is called ${unknown.join(', ')}. There are: ${PARTS.map(({ name }) => name).join(', ')}.`);
  process.exit(2);
}
const wanted = PARTS.filter(({ name, isLong }) => (named.length > 0 ? named.includes(name) : !isLong));

let server = null;
for (const { name, heading, needs, measure } of wanted) {
  if (needs === 'server' && server === null) {
    ensureBuilt();
    ensureChromium();
    server = await serve(await freePort());
  }
  try {
    const figures = await measure(server);
    keepFigures(name, figures);
    print(`${heading}:`, figures);
  } catch (error) {
    // The others are measured all the same; what this one was before stays on the page.
    console.error(`\n${heading}: not measured`, error);
    process.exitCode = 1;
  }
}
server?.stop();
writePage(PARTS);
runs('npx', ['prettier', '--write', '--log-level', 'warn', 'docs/bench.md', 'docs/bench.json']);
process.exit();
