// Serves an existing build on PORT (3000 where it is not set).
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';
import { serve } from './lib/server.mjs';

if (!existsSync(join(ROOT, '.next/BUILD_ID'))) {
  console.error('There is no build yet: run “npm run build” first, or “npm run demo”, which does everything.');
  process.exit(1);
}
const port = Number(process.env.PORT ?? 3000);
try {
  const { address, server } = await serve(port);
  console.log(`New Thumb: ${address}`);
  server.once('exit', (code) => process.exit(code ?? 0));
} catch {
  console.error(`New Thumb could not be served on port ${port}. Is it taken? Set PORT to another one.`);
  process.exit(1);
}
