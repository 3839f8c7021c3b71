// Draws the icons that an installed application has, from src/app/icon.svg. Run it when that has changed.
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { ensureChromium, launchOptions } from './lib/chromium.mjs';
import { ROOT } from './lib/run.mjs';

const SOURCE = readFileSync(join(ROOT, 'src/app/icon.svg'), 'utf8');
const PAPER = '#fffdf8';

/** Systems that cut icons into shapes of their own leave at least the middle four fifths of them. Source: W3C, “Web Application Manifest”, safe zone of maskable icons, from memory. */
const SAFE = 0.7;

const ICONS = [
  { to: 'public/icons/icon-192.png', size: 192, part: 1, ground: 'transparent' },
  { to: 'public/icons/icon-512.png', size: 512, part: 1, ground: 'transparent' },
  { to: 'public/icons/whole-512.png', size: 512, part: SAFE, ground: PAPER },
  { to: 'src/app/apple-icon.png', size: 180, part: 0.86, ground: PAPER },
];

ensureChromium();
mkdirSync(join(ROOT, 'public/icons'), { recursive: true });
const browser = await puppeteer.launch(launchOptions());
const page = await browser.newPage();
for (const { to, size, part, ground } of ICONS) {
  await page.setViewport({ width: size, height: size });
  await page.setContent(
    `<body style="margin:0;height:100vh;display:grid;place-items:center;background:${ground}"><div style="width:${part * size}px;height:${part * size}px">${SOURCE}</div></body>`,
  );
  await page.screenshot({ path: join(ROOT, to), omitBackground: true });
}
await browser.close();
