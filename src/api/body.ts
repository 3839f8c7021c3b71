import { MAX_FILE_MB } from '@/core/read';
import { err, ok, type Fault, type Result } from '@/core/base';
import { inTime } from './in-time';
import type { Visit } from './room';

const MB = 1024 * 1024;

/** How long a caller may take to send, in ms: until all is there, and between two pieces of it. */
export interface Pace {
  readonly wholeMs: number;
  readonly pauseMs: number;
}

const USUAL_PACE: Pace = { wholeMs: 20_000, pauseMs: 5_000 };

/** What is read, how much of it at most, and how fast it must come. */
export interface Sending {
  readonly request: Request;
  readonly files: 1 | 2;
  readonly visit: Visit;
  readonly busy: () => Fault;
  readonly pace?: Pace;
}

type Body = Result<Uint8Array<ArrayBuffer>, Fault>;

/** Reads the body of a request and stops as soon as it is too large, too late, or more than there is room for.
 * Errors: `read.empty`, `read.too-large`, `query.slow`, `job.busy`. */
export async function readBody({ request, files, visit, busy, pace = USUAL_PACE }: Sending): Promise<Body> {
  const endMs = Date.now() + pace.wholeMs;
  const most = files * MAX_FILE_MB * MB;
  const tooLarge = err({ code: 'read.too-large', limitMb: MAX_FILE_MB } as const);
  if (Number(request.headers.get('content-length') ?? '0') > most) return tooLarge;
  const reader = request.body?.getReader();
  const pieces: Uint8Array[] = [];
  let size = 0;
  while (reader) {
    const read = await inTime(reader.read(), Math.min(pace.pauseMs, endMs - Date.now()));
    // Whoever sends drop by drop may never hear of it: it is not waited for.
    if (read === null) return refusing(reader, { code: 'query.slow', seconds: Math.round(pace.wholeMs / 1000) });
    if (read.done) break;
    size += read.value.length;
    if (size > most) return refusing(reader, tooLarge.error);
    if (!visit.take(read.value.length)) return refusing(reader, busy());
    pieces.push(read.value);
  }
  return size === 0 ? err({ code: 'read.empty' }) : ok(joined(pieces, size));
}

function refusing(reader: ReadableStreamDefaultReader<Uint8Array>, fault: Fault): Body {
  void reader.cancel().catch(() => undefined);
  return err(fault);
}

function joined(pieces: readonly Uint8Array[], size: number): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return bytes;
}
