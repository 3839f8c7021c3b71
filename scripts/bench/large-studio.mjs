import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { seeded } from '../lib/seeded.mjs';
import { quantile } from './figures.mjs';

const PUPILS = 100;
const RUNS = 50_000;
const WEEKS = 104;
/** Each view is looked at so often; and so many views one after the other while the memory is watched. */
const LOOKS = 5;
const CHANGES = 200;

/** What a studio of 100 pupils and two years does in Chromium: its file read and saved, its lists and pictures, its memory. */
export async function measureLargeStudio(address) {
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-studio-'));
  const file = join(folder, 'large.newthumb-studio.json');
  const text = await studioText();
  writeFileSync(file, text);
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  page.setDefaultTimeout(120_000);
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  await walk(page, '/settings', '[data-role=studio-file]');
  const figures = [[`its file (${(text.length / 1e6).toFixed(0)} MB)`, `${RUNS} runs`]];

  const chooser = await page.$('[data-role=studio-file]');
  const looked = await timedMs(async () => {
    await chooser.uploadFile(file);
    await page.waitForSelector('[data-role=file-preview]');
  });
  await page.click('input[value=replace]');
  const taken = await timedMs(async () => {
    await page.click('[data-role=file-preview] .btn-primary');
    await page.waitForSelector('[data-role=file-preview]', { hidden: true });
  });
  figures.push(['read and looked through · taken in (held to 5 s each)', `${seconds(looked)} · ${seconds(taken)}`]);
  const session = await browser.target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder, eventsEnabled: true });
  const saved = await timedMs(async () => {
    const done = new Promise((go) =>
      session.on('Browser.downloadProgress', ({ state }) => state === 'completed' && go()),
    );
    await page.click('[data-role=save-studio]');
    await done;
  });
  figures.push(['saved (held to 5 s)', seconds(saved)]);

  const pupil = 'big-7';
  const views = [
    ['all pupils', '/pupils', '[data-role=pupils][data-count="100"]'],
    ['one pupil over time', `/pupil?pupil=${pupil}&show=record`, '[data-chart=keys] svg path'],
    ['… with what is further down', `/pupil?pupil=${pupil}&show=record`, '[data-chart=faults-by-bar] svg'],
    ['keys of a pupil', `/pupil?pupil=${pupil}`, '[data-role=keys-map] [data-state]'],
    ['weeks of a pupil', `/week?pupil=${pupil}`, '[data-role=week] [data-lane]'],
    ['the week of all pupils', '/week', '[data-role=week] [data-lane]'],
    ['the lesson', `/lesson?pupil=${pupil}`, '[data-role=lesson]'],
    ['the record', `/record?pupil=${pupil}`, '[data-role=runs] li'],
    ['pieces and keys with all pupils', '/pupils?show=across', '[data-role=across] td'],
  ];
  // The first look makes what is kept in short.
  const first = await timedMs(() => walk(page, views[0][1], views[0][2]));
  figures.push(['all pupils, the very first time', seconds(first)]);
  for (const [name, path, selector] of views) {
    const times = [];
    for (let i = 0; i < LOOKS; i += 1) {
      await walk(page, '/settings', '[data-role=studio-file]');
      times.push(await timedMs(() => walk(page, path, selector)));
    }
    figures.push([`${name}, from the link to what is seen (held to 200 ms)`, `${Math.round(quantile(times, 0.5))} ms`]);
  }
  const empty = [];
  for (let i = 0; i < LOOKS; i += 1) {
    await walk(page, '/pupils', '[data-role=pupils]');
    empty.push(await timedMs(() => walk(page, '/settings', '[data-role=studio-file]')));
  }
  figures.push(['a screen that reads nothing of pupils, for comparison', `${Math.round(quantile(empty, 0.5))} ms`]);
  const before = await heapMb(page);
  for (let i = 0; i < CHANGES; i += 1) {
    const [, path, selector] = views[(i >> 1) % views.length];
    if (i % 2 === 0) await walk(page, '/settings', '[data-role=studio-file]');
    else await walk(page, path, selector);
  }
  figures.push([
    `memory before and after ${CHANGES} changes of view`,
    `${before.toFixed(0)} · ${(await heapMb(page)).toFixed(0)} MB`,
  ]);
  await browser.close();
  rmSync(folder, { recursive: true });
  return figures;
}

async function timedMs(work) {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;

/** Goes to another screen as a link does, and waits until it is seen. */
async function walk(page, path, selector) {
  await page.evaluate((wanted) => {
    document.querySelector('main')?.firstElementChild?.setAttribute('data-left', '');
    window.next.router.push(wanted);
  }, path);
  await page.waitForFunction(
    (wanted) => document.querySelector('[data-left]') === null && document.querySelector(wanted) !== null,
    { polling: 'mutation' },
    selector,
  );
}

async function heapMb(page) {
  const session = await page.createCDPSession();
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await session.detach();
  return usedSize / 1e6;
}

/** A studio of two years, the same each time but for its last day, which is today. */
async function studioText() {
  const { studioFileText } = await import('../../src/data/file/studio-file.ts');
  const { USUAL_PUPIL } = await import('../../src/data/records/pupil-record.ts');
  const { USUAL_ENTRY } = await import('../../src/data/records/plan-record.ts');
  const { pieceRecord } = await import('../../src/data/records/records.ts');
  const { weekAt, weeksAfter } = await import('../../src/core/calendar/index.ts');
  const { DEMO_FILES } = await import('../../tests/support/demo-pieces.ts');
  const random = seeded(41);
  const below = (end) => Math.floor(random() * end);
  const of = (list) => list[below(list.length)];
  const now = Date.now();
  const week = weekAt(now, 'monday');
  const pieces = DEMO_FILES.map(({ id, text }, i) =>
    pieceRecord({ id: `big-${id}`, origin: 'own', fileName: `${id}.musicxml`, musicXml: text, addedAt: i }),
  );
  const keys = ['C-major', 'G-major', 'F-major', 'D-major', 'A-major', 'E-major', 'Bb-major', 'A-minor'];
  const pupils = Array.from({ length: PUPILS }, (_, i) => ({
    ...structuredClone(USUAL_PUPIL),
    ...{ id: `big-${i}`, name: `Pupil ${i}`, addedAt: i, groups: [of(['Monday', 'Tuesday', 'Friday'])] },
  }));
  const plan = pupils.flatMap(({ id }) =>
    Array.from({ length: WEEKS }, (_, i) => ({
      ...structuredClone(USUAL_ENTRY),
      ...{ id: `${id}-${i}`, pupil: id, piece: of(pieces).id, key: of(keys), place: i, addedAt: i },
      ...{ week: weeksAfter(week, i - WEEKS + 1), state: i < WEEKS - 1 ? 'done' : 'open' },
    })),
  );
  const lessons = pupils.flatMap(({ id }) =>
    Array.from({ length: WEEKS }, (_, i) => {
      const day = weeksAfter(week, i - WEEKS);
      return {
        id: `${id}/${day}`,
        form: 5,
        origin: 'own',
        pupil: id,
        day,
        note: 'Thumb lies flat. Once more, slowly.',
      };
    }),
  );
  const midi = 'TVRoZAAAAAYAAAABAeBNVHJr'.repeat(20);
  const runs = Array.from({ length: RUNS }, (_, i) => {
    const outcome = random() < 0.5 ? 'clean' : 'unclean';
    const piece = of(pieces);
    return {
      ...{
        id: `run-${i}`,
        form: 5,
        pupil: `big-${i % PUPILS}`,
        piece: piece.id,
        title: piece.id.slice(4),
        edition: null,
      },
      ...{
        music: random() < 0.2 ? 'warm-up' : 'piece',
        key: of(keys),
        stage: null,
        step: null,
        hand: 'both',
        bars: null,
      },
      ...{ way: 'along', tempo: 60 + 5 * below(9), ear: 'usual', bpm: 80, countIn: 4, playedOn: 'midi' },
      ...{
        atMs: now - below(WEEKS * 7 * 86_400) * 1000,
        tookMs: 20_000 + below(60_000),
        outcome,
        written: 40,
        right: 38,
      },
      faults:
        outcome === 'clean'
          ? []
          : Array.from({ length: 1 + below(3) }, () => ({
              ...{
                kind: of(['missing', 'wrong-key', 'late']),
                bar: String(1 + below(8)),
                beat: 1,
                hand: of(['right', 'left']),
              },
              notes: [`n${below(40)}`],
            })),
      midi,
    };
  });
  const contents = {
    pieces,
    pupils,
    plan,
    lessons,
    answers: [],
    runs,
    settings: {},
    desk: {},
    aside: [],
    stamps: [],
    carried: {},
  };
  return studioFileText(contents, new Date(now).toISOString());
}
