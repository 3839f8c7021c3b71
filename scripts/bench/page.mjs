// The page of all figures: docs/bench.md, from what was measured last and before that, which stand in docs/bench.json.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';

const KEPT = join(ROOT, 'docs/bench.json');
const PAGE = join(ROOT, 'docs/bench.md');

const UNITS = { ms: 1, s: 1000, kB: 1, MB: 1000, '%': 1 };

/** The machine in words. */
function machine() {
  const cores = cpus();
  return `${cores.length} cores (${cores[0]?.model.trim() || process.arch}), ${Math.round(totalmem() / 1024 ** 3)} GB, Node ${process.versions.node}`;
}

/** Keeps what a part was measured to be, and what it was before. */
export function keepFigures(name, figures) {
  const kept = existsSync(KEPT) ? JSON.parse(readFileSync(KEPT, 'utf8')) : {};
  kept[name] = {
    at: new Date().toISOString().slice(0, 10),
    machine: machine(),
    figures,
    before: kept[name]?.figures ?? [],
  };
  writeFileSync(KEPT, `${JSON.stringify(kept, null, 2)}\n`);
}

/** The last number of a text, in the smallest unit of its kind; null where there is none. */
function amount(text) {
  const found = [...text.replaceAll(',', '').matchAll(/(-?\d+(?:\.\d+)?)\s*(ms|s|kB|MB|%)?/g)].at(-1);
  return found ? Number(found[1]) * (UNITS[found[2]] ?? 1) : null;
}

function ratio(a, b) {
  return a === null || b === null || b === 0 ? '' : (a / b).toFixed(2);
}

/** A label without what it is held to and what it aims at, and these. */
function split(what) {
  const [, floor = '', aim = ''] = /\(held to ([^(),]*)(?:, aim ([^()]*))?\)/.exec(what) ?? [];
  return { label: what.replace(/\s*\(held to [^()]*\)/, ''), floor, aim };
}

function table(figures, before) {
  const earlier = new Map(before.map(([what, figure]) => [split(what).label, figure]));
  const rows = figures.map(([what, figure]) => {
    const { label, floor, aim } = split(what);
    const was = earlier.get(label) ?? '';
    return [label, figure, floor, aim, ratio(amount(figure), amount(floor)), was, ratio(amount(figure), amount(was))];
  });
  const head = ['what', 'figure', 'held to', 'aim', 'figure : floor', 'run before', 'now : before'];
  const line = (cells) => `| ${cells.map((cell) => cell.replaceAll('|', '\\|')).join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}

/** Writes the page anew from all that is kept. */
export function writePage(parts) {
  const kept = existsSync(KEPT) ? JSON.parse(readFileSync(KEPT, 'utf8')) : {};
  const sections = parts.flatMap(({ name, heading, note }) => {
    const of = kept[name];
    if (!of) return [`## ${heading}\n\nNot measured yet: \`npm run bench -- ${name}\`.`];
    return [
      `## ${heading}\n\n\`npm run bench -- ${name}\`, ${of.at}, ${of.machine}.${note ? ` ${note}` : ''}\n\n${table(of.figures, of.before)}`,
    ];
  });
  writeFileSync(
    PAGE,
    `# Figures

Made by \`npm run bench\`; \`npm run bench -- hands\` measures one part and leaves the others as they are. The machine is without a graphics card and shared with others:
figures of one run can be compared with one another, those of two runs by what both have in common. _Figure : floor_ is the last number of the figure through that of the floor; for a
share that has to be reached it should be 1 or more, for all else 1 or less.

${sections.join('\n\n')}
`,
  );
}
