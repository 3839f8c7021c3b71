// Serves an existing build on PORT (3000 where it is not set), in this process: whoever ends it has ended all of it.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';

if (!existsSync(join(ROOT, '.next/BUILD_ID'))) {
  console.error('There is no build yet: run “npm run build” first, or “npm run demo”, which does everything.');
  process.exit(1);
}
const port = Number(process.env.PORT ?? 3000);
// What the build was made with, Next asks for once more when it starts.
const { basePath } = JSON.parse(readFileSync(join(ROOT, '.next/routes-manifest.json'), 'utf8'));
Object.assign(process.env, { NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', NEW_THUMB_BASE_PATH: basePath });
const { serveHere } = await import('./lib/http-server.mjs');
try {
  const end = await serveHere(port, basePath);
  console.log(`New Thumb: http://localhost:${port}${basePath}`);
  for (const signal of ['SIGTERM', 'SIGINT']) process.once(signal, () => void end().then(() => process.exit(0)));
} catch {
  console.error(`New Thumb could not be served on port ${port}. Is it taken? Set PORT to another one.`);
  process.exit(1);
}
