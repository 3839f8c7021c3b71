// Runs in the tree that is asked (its sources are in NEW_THUMB_SOURCES): prints, a line each, a name and the fingerprint of one answer of the scripting interface.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
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

const handlers = {};
for (const name of ['report', 'transpose', 'ladder']) handlers[name] = (await import(`@/app/api/${name}/route`)).POST;

for (const file of readdirSync(pieces)
  .filter((name) => name.endsWith('.musicxml'))
  .sort()) {
  const body = readFileSync(join(pieces, file));
  for (const [name, query] of QUESTIONS) {
    const answer = await handlers[name](
      new Request(`http://localhost/api/${name}?${query}`, { method: 'POST', body, duplex: 'half' }),
    );
    const head = `${answer.status} ${answer.headers.get('content-type')} ${answer.headers.get('content-disposition')}`;
    const print = createHash('sha256')
      .update(head)
      .update(Buffer.from(await answer.arrayBuffer()))
      .digest('hex');
    console.log(`${file} ${name}?${query}\t${answer.status} ${print}`);
  }
}
