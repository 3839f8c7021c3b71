// Everything from a fresh clone to the running application with the demo studio on its shelf.
import { ensureBuilt } from './lib/build.mjs';
import { ensureInstalled } from './lib/install.mjs';
import { freePort, serve } from './lib/server.mjs';

const wanted = Number(process.env.PORT ?? 3000);
ensureInstalled();
ensureBuilt();
const port = await freePort(wanted);
if (port !== wanted) console.log(`Port ${wanted} is taken by another program.`);
const { address, server } = await serve(port);
console.log(`\nNew Thumb with its demo studio:  ${address}\n(Ctrl+C ends it)`);
server.once('exit', (code) => process.exit(code ?? 0));
