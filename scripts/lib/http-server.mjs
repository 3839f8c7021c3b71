// The server in front of the built application: it waits for nobody too long, says who is calling, and ends when it is told to.
import { createServer } from 'node:http';
import { availableParallelism } from 'node:os';
import next from 'next';
import { ROOT } from './run.mjs';

/** How long a caller may take until the head of a request is there, and until all of it is; how often that is looked at: after ten seconds half a head is cut
 * off. Unit: ms. */
const HEADERS_MS = 9_000;
const REQUEST_MS = 45_000;
const LOOKED_EVERY_MS = 1_000;

/** How long answers that are on their way are waited for when the server is to end. Unit: ms. */
const ENDING_MS = 5_000;

/** Who is calling, for the fair share of each (src/api/caller.ts): the address of the connection. Only behind a proxy of one's own
 * (NEW_THUMB_BEHIND_PROXY=1) is what stands in the header believed, and of that what the proxy itself has added. */
function callerOf(request) {
  const direct = (request.socket.remoteAddress ?? '').replace(/^::ffff:/, '');
  if (process.env.NEW_THUMB_BEHIND_PROXY !== '1') return direct;
  return (request.headers['x-forwarded-for'] ?? '').split(',').at(-1).trim() || direct;
}

/** A piece of four notes, of which the threads behind the scripting interface are told once they are there: the first caller need not wait until they know what
 * to do. As many at once as there are threads for what is small (src/api/desk.ts), or more. */
const FIRST = 'X:1\nT:first\nM:4/4\nL:1/4\nK:C\nCDEC|\n';
const FIRST_CALLERS = Math.max(2, availableParallelism() - 1);

async function warm(address) {
  const ask = () =>
    fetch(`${address}/api/report?to=D`, { method: 'POST', body: FIRST }).then((answer) => answer.text());
  // Without it the first caller waits a little longer, no more.
  await Promise.all(Array.from({ length: FIRST_CALLERS }, ask)).catch(() => undefined);
}

/** Serves the existing build on a port. Resolves once it answers, with what ends it: it takes no more callers, and waits for the answers that are on their way. */
export async function serveHere(port, basePath = '') {
  const application = next({ dev: false, dir: ROOT, port });
  await application.prepare();
  const handle = application.getRequestHandler();
  const server = createServer(
    { headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS, connectionsCheckingInterval: LOOKED_EVERY_MS },
    (request, response) => {
      request.headers['x-forwarded-for'] = callerOf(request);
      handle(request, response).catch((error) => {
        console.error('A request could not be answered:', error);
        if (!response.headersSent) response.writeHead(500);
        response.end();
      });
    },
  );
  await new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, resolve);
  });
  void warm(`http://localhost:${port}${basePath}`);
  return () =>
    new Promise((resolve) => {
      server.close(resolve);
      server.closeIdleConnections();
      setTimeout(() => {
        server.closeAllConnections();
        resolve();
      }, ENDING_MS).unref();
    });
}
