import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { quantile } from './figures.mjs';

const MINUTES = 5;
/** How fast it is practised. Unit: per cent of what is written. */
const TEMPO = 120;
/** An onset is where a note first reaches this share of its height; looked for in so long. Unit: s. */
const HEARD = 0.1;
const LOOKED_FOR_S = 0.3;

/** How far notes sound from their written times on the audio clock, while a piece goes round and round on the pupil's page: what the page hands to the browser is
 * taken down, rendered, and its onsets are found in what was rendered. */
export async function measureSounding(address, bytes) {
  const written = await writtenTimes(bytes);
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.evaluateOnNewDocument(takeDownSources);
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  await page.goto(new URL(`/practice?piece=lantern-walk&hand=left&tempo=${TEMPO}&then=round`, address).href);
  await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
  await page.click('[data-role=run]');
  await page.waitForSelector('[data-role=run][data-state=listening]');
  await new Promise((go) => setTimeout(go, MINUTES * 60_000));
  await page.click('[data-role=run]');
  await page.waitForSelector('[data-role=judged]');
  const onsets = await page.evaluate(renderedOnsets, HEARD, LOOKED_FOR_S);
  await browser.close();
  return figuresOf(onsets, written);
}

/** When the notes of the right hand are written, in one round, and how long a round is. Unit: s. */
async function writtenTimes(bytes) {
  const { openPiece } = await import('../../src/core/piece/index.ts');
  const { performanceOf } = await import('../../src/core/playback/index.ts');
  const piece = openPiece(bytes, { format: null, key: null, part: null }).value;
  const { notes, lengthS } = performanceOf(piece.score, piece.part.id);
  const rate = TEMPO / 100;
  const times = notes.filter(({ hand }) => hand === 'right').map(({ startS }) => startS / rate);
  return { times: times.toSorted((a, b) => a - b), roundS: lengthS / rate };
}

function figuresOf(onsets, { times, roundS }) {
  const wanted = onsets.map((_, i) => Math.floor(i / times.length) * roundS + times[i % times.length]);
  const off = onsets.map((onset, i) => onset - wanted[i]);
  const begun = quantile(off, 0.5);
  const strayMs = off.map((one) => Math.abs(one - begun) * 1000);
  const lasted = (onsets.at(-1) - onsets[0]) / 60;
  return [
    [
      `${onsets.length} notes in ${lasted.toFixed(1)} minutes, median · furthest from written (held to 5 ms)`,
      `${quantile(strayMs, 0.5).toFixed(2)} · ${Math.max(...strayMs).toFixed(2)} ms`,
    ],
  ];
}

/** Runs in the page, before anything else: takes down every recording that is started, and when. */
function takeDownSources() {
  const { start } = AudioBufferSourceNode.prototype;
  globalThis.startedSources = [];
  AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
    if (this.buffer && this.buffer.duration > 1)
      globalThis.startedSources.push({
        when,
        now: this.context.currentTime,
        rate: this.playbackRate.value,
        buffer: this.buffer,
      });
    return start.call(this, when, ...rest);
  };
}

/** Runs in the page: renders each recording as it was started, and finds when it is heard. Unit: s on the audio clock. */
async function renderedOnsets(heard, lookedForS) {
  const onsets = [];
  // What is rendered here is not to be taken down again.
  const started = [...globalThis.startedSources];
  for (const { when, now, rate, buffer } of started) {
    // What was handed over too late begins when it was handed over.
    const begins = Math.max(when, now);
    const { sampleRate } = buffer;
    const whole = Math.floor(begins * sampleRate);
    const context = new OfflineAudioContext(1, Math.ceil(lookedForS * sampleRate), sampleRate);
    const source = new AudioBufferSourceNode(context, { buffer, playbackRate: rate });
    source.connect(context.destination);
    source.start(begins - whole / sampleRate);
    const data = (await context.startRendering()).getChannelData(0);
    const height = data.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
    onsets.push((whole + data.findIndex((one) => Math.abs(one) >= height * heard)) / sampleRate);
  }
  return onsets.toSorted((a, b) => a - b);
}
