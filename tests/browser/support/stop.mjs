import { existsSync, readFileSync } from 'node:fs';

/** Ends the server. In all browser tests together nothing may have gone beyond the application’s own address, or against a page’s policy. */
export default function tearDown() {
  globalThis.newThumbServer?.stop();
  const place = process.env.NEW_THUMB_TRESPASSES;
  if (existsSync(place))
    throw new Error(`In the browser tests the application did what it must not:\n${readFileSync(place, 'utf8')}`);
}
