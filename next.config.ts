import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { NextConfig } from 'next';

/** A print of the core's source: what one core worked out and kept is not taken for another's. */
function coreEdition(): string {
  const print = createHash('sha256');
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'));
  for (const file of files.toSorted()) print.update(readFileSync(join('src/core', file)));
  return print.digest('hex').slice(0, 12);
}

const nextConfig: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  env: { NEXT_PUBLIC_CORE_EDITION: coreEdition() },
};

export default nextConfig;
