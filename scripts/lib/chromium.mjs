import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { mustRun } from './run.mjs';

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
  const isRoot = process.getuid?.() === 0;
  const hasApt = spawnSync('apt-get', ['--version']).status === 0;
  if (!isRoot || !hasApt) {
    console.error(
      'The browser tests need Chromium. Install it (on Debian: as root, apt-get install chromium), or name one in CHROMIUM.',
    );
    process.exit(1);
  }
  console.log('Installing Chromium …');
  mustRun('apt-get', ['update', '-qq'], 'The package lists could not be read.');
  mustRun('apt-get', ['install', '-y', '-qq', 'chromium'], 'Chromium could not be installed.');
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
