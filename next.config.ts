import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { NextConfig } from 'next';

/** A print of the core's source: what one core worked out and kept is not taken for another's. */
function coreEdition(): string {
  const print = createHash('sha256');
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
  );
  for (const file of files.toSorted()) print.update(readFileSync(join('src/core', file)));
  return print.digest('hex').slice(0, 12);
}

/** Where scripts/engraver.mjs puts the engraver: by its release, so that a browser may keep it. */
const engraver = `/engraver/${(JSON.parse(readFileSync('node_modules/verovio/package.json', 'utf8')) as { readonly version: string }).version}`;

const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { readonly version: string };

/** Where it is served, below the address of a machine that it does not have to itself: `/new-thumb`. */
const basePath = process.env['NEW_THUMB_BASE_PATH'] ?? '';

const nextConfig: NextConfig = {
  basePath,
  reactStrictMode: true,
  // The demo studio is engraved with the build: the engraver is taken as its package has it.
  serverExternalPackages: ['verovio', 'pdfkit', 'svg-to-pdfkit', 'fontkit'],
  poweredByHeader: false,
  devIndicators: false,
  // `npm run types` checks more than a build would, and a demo need not wait for it.
  typescript: { ignoreBuildErrors: true },
  env: {
    NEXT_PUBLIC_CORE_EDITION: coreEdition(),
    NEXT_PUBLIC_ENGRAVER: basePath + engraver,
    NEXT_PUBLIC_BASE_PATH: basePath,
    NEXT_PUBLIC_VERSION: version,
  },
  headers: () =>
    Promise.resolve([
      {
        source: `${engraver}/:file`,
        headers: [{ key: 'Cache-Control', value: 'public, max-age=31536000, immutable' }],
      },
      { source: `${engraver}/verovio.wasm`, headers: [{ key: 'Content-Encoding', value: 'gzip' }] },
    ]),
};

export default nextConfig;
