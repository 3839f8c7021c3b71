import { createHash } from 'node:crypto';
import { createServer, request, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Release, PackedPage } from '@/offline/files';

/** Stands between the browser and the server, and can do what happens to servers: go away, serve another release, serve half of one. */
export interface Middleman {
  readonly address: string;
  /** What was asked for, by its path. */
  readonly asked: string[];
  /** Refuses every connection, as a server does that is gone. */
  readonly goAway: () => Promise<void>;
  readonly comeBack: () => Promise<void>;
  /** From now on another release is served; its pages bear this name. */
  readonly publish: (name: string) => void;
  /** A file that comes damaged; null mends it. */
  readonly damage: (path: string | null) => void;
  /** Files whose paths begin so are not found; null finds them again. */
  readonly lose: (path: string | null) => void;
  readonly leave: () => Promise<void>;
}

const PAGES = '/_next/static/pages.json';
const WORKER = '/service-worker.js';
const PAGE = '<html lang="en"';

export async function middleman(server: string): Promise<Middleman> {
  const asked: string[] = [];
  let published: string | null = null;
  let damaged: string | null = null;
  let lost: string | null = null;
  const answer = async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    const path = new URL(req.url ?? '/', server).pathname;
    asked.push(path);
    if (lost !== null && path.startsWith(lost)) {
      res.writeHead(404).end();
      return;
    }
    const got = await passedOn(server, req);
    const headers = { ...got.headers };
    let body = got.body;
    if (published !== null && path === PAGES) body = Buffer.from(renamed(body.toString(), published));
    if (published !== null && path === WORKER)
      body = Buffer.from(await republished(server, body.toString(), published));
    if (path === damaged) body = Buffer.concat([body, Buffer.from(' ')]);
    delete headers['content-length'];
    delete headers['transfer-encoding'];
    res.writeHead(got.status, headers).end(body);
  };
  const listen = (): Server => createServer((req, res) => void answer(req, res).catch(() => res.writeHead(502).end()));
  let listening = listen();
  const open = (port: number): Promise<number> =>
    new Promise((resolve) => listening.listen(port, () => resolve((listening.address() as AddressInfo).port)));
  const close = (): Promise<void> =>
    new Promise((resolve) => {
      listening.close(() => resolve());
      listening.closeAllConnections();
    });
  const port = await open(0);
  return {
    address: `http://localhost:${port}`,
    asked,
    goAway: close,
    comeBack: async () => {
      listening = listen();
      await open(port);
    },
    publish: (next) => {
      published = next;
    },
    damage: (path) => {
      damaged = path;
    },
    lose: (path) => {
      lost = path;
    },
    leave: close,
  };
}

interface PassedOn {
  readonly status: number;
  readonly headers: IncomingMessage['headers'];
  readonly body: Buffer;
}

function passedOn(server: string, req: IncomingMessage): Promise<PassedOn> {
  return new Promise((resolve, reject) => {
    // The bodies are looked into: they come as they are.
    const headers = { ...req.headers, 'accept-encoding': 'identity' };
    const asking = request(new URL(req.url ?? '/', server), { method: req.method, headers }, (res) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => resolve({ status: res.statusCode ?? 500, headers: res.headers, body: Buffer.concat(parts) }));
    });
    asking.on('error', reject);
    req.pipe(asking);
  });
}

function renamed(pages: string, name: string): string {
  const packed = JSON.parse(pages) as readonly PackedPage[];
  return JSON.stringify(
    packed.map((page) => ({ ...page, body: page.body.replace(PAGE, `${PAGE} data-release="${name}"`) })),
  );
}

/** The service worker of the release of that name. */
async function republished(server: string, script: string, name: string): Promise<string> {
  const [, given = ''] = /^const RELEASE = (.*);$/m.exec(script) ?? [];
  const release = JSON.parse(given) as Release;
  const pages = renamed(await (await fetch(server + PAGES)).text(), name);
  const integrity = `sha256-${createHash('sha256').update(pages).digest('base64')}`;
  const next: Release = { ...release, name, pages: { ...release.pages, integrity } };
  return script.replace(given, () => JSON.stringify(next));
}
