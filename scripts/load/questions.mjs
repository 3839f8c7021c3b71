// What the callers of the load test ask, and what each must be answered.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { ROOT } from '../lib/run.mjs';
import '../lib/typescript.mjs';

const { answerJob } = await import('@/api/work');
const { mutilated, numbers } = await import('../../tests/support/odd-files.ts');
const { writePlayedFile } = await import('@/core/write');
const { twoHands } = await import('../bench/made-pieces.mjs');

const XML = 'application/xml';
const DEMO = join(ROOT, 'public/demo');
const demo = readdirSync(DEMO)
  .filter((name) => name.endsWith('.musicxml'))
  .sort()
  // Plain bytes: a slice of a Buffer would be the same bytes once more.
  .map((name) => new Uint8Array(readFileSync(join(DEMO, name))));
const KEYS = ['D', 'Bb', 'Fsharp', 'A-minor'];

/** A form as a browser would send it, always the same. */
function form(files) {
  const parts = Object.entries(files).flatMap(([name, bytes]) => [
    strToU8(`--part\r\nContent-Disposition: form-data; name="${name}"; filename="${name}"\r\n\r\n`),
    bytes,
    strToU8('\r\n'),
  ]);
  return { type: 'multipart/form-data; boundary=part', body: Buffer.concat([...parts, strToU8('--part--\r\n')]) };
}

const played = writePlayedFile(
  [60, 62, 64, 65, 67, 65, 64, 62].map((midi, i) => ({ midi, downMs: i * 1000, upMs: i * 1000 + 800, velocity: 70 })),
);

/** What teachers' scripts ask: small pieces mostly, some of 32 bars, a few of 200, a sheet to print now and then. */
const GOOD = [
  ...demo.flatMap((body, i) => [
    { name: 'report', search: `?to=${KEYS[i % 4]}`, type: XML, body, weight: 4 },
    {
      name: 'transpose',
      search: `?to=${KEYS[(i + 1) % 4]}&format=${['musicxml', 'abc', 'midi', 'mxl'][i % 4]}`,
      type: XML,
      body,
      weight: 4,
    },
  ]),
  { name: 'ladder', search: '?order=ease', type: XML, body: demo[0], weight: 2 },
  { name: 'stages', search: '?to=D', type: XML, body: demo[1], weight: 2 },
  { name: 'rote', search: '?to=G', type: XML, body: demo[2], weight: 2 },
  { name: 'judge', search: '?to=C&hand=right', ...form({ piece: demo[3], played }), weight: 2 },
  { name: 'handout', search: '?to=D', type: XML, body: demo[4], weight: 1 },
  ...[32, 200].map((bars) => ({
    name: 'report',
    search: '?to=Eb',
    type: XML,
    body: strToU8(twoHands(bars, bars)),
    weight: 64 / bars,
  })),
];

const lantern = Buffer.from(demo[4]).toString();

/** What is sent with ill will, or by a broken script. */
const HOSTILE = [
  { search: '?to=D', body: Buffer.from(lantern.slice(0, 3000)) },
  { search: '?to=H', body: demo[0] },
  {
    search: '?to=D',
    body: strToU8(
      `<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b "${'x'.repeat(999)}"><!ENTITY c "${'&b;'.repeat(999)}">]><score-partwise>&c;</score-partwise>`,
    ),
  },
  { search: '?to=D', body: strToU8('<score-partwise>' + '<a>'.repeat(200_000)) },
  {
    search: '?to=D',
    body: Buffer.from(
      zipSync({ 'META-INF/container.xml': strToU8('<container/>'), 'a.xml': new Uint8Array(51 * 1024 * 1024) }),
    ),
  },
  { search: '?to=D', body: strToU8('X:1\nT:a\nL:1/4\nK:C\nZ9999999|C\n') },
  {
    search: '?to=D',
    body: strToU8(lantern.replace(/<work-title>[^<]*/, `<work-title>${'<b>'.replaceAll('<', '&lt;').repeat(20_000)}`)),
  },
  { search: '?to=D', body: new Uint8Array(11 * 1024 * 1024) },
  ...Array.from({ length: 6 }, (_, i) => ({ search: '?to=D', body: Buffer.from(mutilated(demo[i], numbers(i))) })),
].map((one) => ({ name: 'report', type: XML, weight: 1, ...one }));

/** When a PDF was made, in its three places. */
const MADE_AT = [/<xmp:CreateDate>[^<]*/g, /\(D:\d{14}Z\)/g, /\/ID \[[^\]]*\]/g];

/** What of an answer is compared: all but when a PDF was made. */
export function printOf(status, headers, body) {
  const type = headers.get('content-type');
  const text = Buffer.from(body).toString('latin1');
  const compared = type === 'application/pdf' ? MADE_AT.reduce((rest, made) => rest.replace(made, ''), text) : text;
  return JSON.stringify([status, type, headers.get('content-disposition'), compared]);
}

/** Each question with the print of its right answer. What is too large is refused before it is worked on. */
async function answered(questions) {
  const all = [];
  for (const question of questions) {
    if (question.body.length > 10 * 1024 * 1024) {
      all.push({ ...question, status: 413 });
      continue;
    }
    const { status, headers, body } = await answerJob(question);
    all.push({ ...question, status, print: printOf(status, new Headers(headers), body) });
  }
  return all;
}

export const good = await answered(GOOD);
export const hostile = await answered(HOSTILE);
