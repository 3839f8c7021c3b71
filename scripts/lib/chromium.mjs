import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { installDebian } from './debian.mjs';

const PLACES = [
  process.env.CHROMIUM,
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
];

const FLAGS = [
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
];

function findChromium() {
  return PLACES.find((place) => place && existsSync(place));
}

/** Has a Chromium, and installs Debian's where there is none and the machine lets us. */
export function ensureChromium() {
  if (findChromium()) return;
  installDebian('chromium', 'The browser tests need Chromium, or the path of one in CHROMIUM.');
}

/** How a fresh Chromium is started, for puppeteer-core. `downloads` is where saved files go. */
export function launchOptions(downloads) {
  return {
    executablePath: findChromium(),
    headless: true,
    userDataDir: mkdtempSync(join(tmpdir(), 'new-thumb-browser-')),
    args: process.getuid?.() === 0 ? ['--no-sandbox', ...FLAGS] : FLAGS,
    ...(downloads ? { downloadBehavior: { policy: 'allow', downloadPath: downloads } } : {}),
  };
}
