// Runs in the tree that is asked (its sources are in NEW_THUMB_SOURCES): prints, a line each, a name and the fingerprint of one answer of the scripting interface.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import '../lib/typescript.mjs';

const [pieces] = process.argv.slice(2);
const KEYS = ['C', 'G', 'D', 'A', 'E', 'B', 'Fsharp', 'Csharp', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'Cb'];

/** What is asked of each piece: in every key, and in one key what changes the plan or the file. */
const QUESTIONS = [
  ...KEYS.flatMap((to) => [
    ['report', `to=${to}`],
    ['transpose', `to=${to}`],
  ]),
  ...[
    'level=1',
    'level=2',
    'level=3',
    'outer=avoid',
    'inner=black',
    'repeat=change',
    'span=165',
    'fingering=keep',
    'spelling=plain',
    'direction=down',
    'octaves.left=-1',
  ].map((query) => ['report', `to=Eb&${query}`]),
  ['report', 'to=E-minor&seventh=natural'],
  ['report', 'to=D-dorian'],
  ...['abc', 'midi', 'mxl', 'newthumb'].map((format) => ['transpose', `to=Bb&format=${format}`]),
  ...['ease', 'fifths', 'shape'].map((order) => ['ladder', `order=${order}`]),
  ['ladder', 'level=2&outer=avoid'],
];

/** The answer to a question: its status, headers and body. A tree from before there were threads behind the handlers is asked through these. */
async function asking() {
  if (existsSync(join(process.env.NEW_THUMB_SOURCES, 'api/work.ts'))) {
    const { answerJob } = await import('@/api/work');
    return async (name, search, body) => {
      const { status, headers, body: answer } = await answerJob({ name, search, type: '', body });
      return { status, headers: new Headers(headers), answer };
    };
  }
  return async (name, search, body) => {
    const { POST } = await import(`@/app/api/${name}/route`);
    const answer = await POST(
      new Request(`http://localhost/api/${name}?${search}`, { method: 'POST', body, duplex: 'half' }),
    );
    return { status: answer.status, headers: answer.headers, answer: Buffer.from(await answer.arrayBuffer()) };
  };
}

const ask = await asking();
for (const file of readdirSync(pieces)
  .filter((name) => name.endsWith('.musicxml'))
  .sort()) {
  const body = readFileSync(join(pieces, file));
  for (const [name, query] of QUESTIONS) {
    const { status, headers, answer } = await ask(name, query, body);
    const head = `${status} ${headers.get('content-type')} ${headers.get('content-disposition')}`;
    const print = createHash('sha256').update(head).update(answer).digest('hex');
    console.log(`${file} ${name}?${query}\t${status} ${print}`);
  }
}
