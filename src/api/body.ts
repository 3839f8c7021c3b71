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

/** Of what is refused so much is taken in all the same and let go: a caller who is still sending hears of the refusal only then. What is sent beyond that is cut
 * off. Unit: bytes. */
const LET_GO_BYTES = 64 * MB;

/** What is read, how much of it at most, and how fast it must come. */
export interface Sending {
  readonly request: Request;
  readonly files: 1 | 2;
  readonly visit: Visit;
  /** What is said to be larger waits for room before it is read. Unit: bytes. */
  readonly small: number;
  readonly busy: () => Fault;
  readonly pace?: Pace;
}

type Body = Result<Uint8Array<ArrayBuffer>, Fault>;

/** Reads the body of a request. What is too large, or more than there is room for, is let go as it comes and refused once it is there.
 * Errors: `read.empty`, `read.too-large`, `query.slow`, `job.busy`. */
export async function readBody({ request, files, visit, small, busy, pace = USUAL_PACE }: Sending): Promise<Body> {
  const most = files * MAX_FILE_MB * MB;
  const told = Number(request.headers.get('content-length') ?? '0');
  const reader = request.body?.getReader();
  let into: Into | null = createInto(told > most ? 0 : told);
  const isReserved = told > small && told <= most && (await visit.wait(told));
  const endMs = Date.now() + pace.wholeMs;
  let refused: Fault | null = told > most ? { code: 'read.too-large', limitMb: MAX_FILE_MB } : null;
  if (told > small && !isReserved) refused ??= busy();
  let size = 0;
  while (reader) {
    const read = await inTime(reader.read(), Math.max(1, Math.min(pace.pauseMs, endMs - Date.now())));
    if (read === null) {
      // Whoever sends drop by drop may never hear of it: it is not waited for.
      const slow = { code: 'query.slow', seconds: Math.round(pace.wholeMs / 1000) } as const;
      return givingUp(reader, refused ?? slow);
    }
    if (read.done) break;
    size += read.value.length;
    const more = isReserved ? Math.max(0, size - told) : read.value.length;
    refused ??= refusalOf({ size, most, more }, visit, busy);
    if (refused === null) into?.put(read.value);
    else into = null;
    if (size > LET_GO_BYTES) return givingUp(reader, refused ?? { code: 'read.too-large', limitMb: MAX_FILE_MB });
  }
  if (refused !== null || into === null) return err(refused ?? busy());
  return size === 0 ? err({ code: 'read.empty' }) : ok(into.all());
}

function refusalOf(
  { size, most, more }: { readonly size: number; readonly most: number; readonly more: number },
  visit: Visit,
  busy: () => Fault,
): Fault | null {
  if (size > most) return { code: 'read.too-large', limitMb: MAX_FILE_MB };
  return more === 0 || visit.take(more) ? null : busy();
}

function givingUp(reader: ReadableStreamDefaultReader<Uint8Array>, fault: Fault): Body {
  void reader.cancel().catch(() => undefined);
  return err(fault);
}

/** Where the pieces of a body are put together. */
interface Into {
  readonly put: (piece: Uint8Array) => void;
  readonly all: () => Uint8Array<ArrayBuffer>;
}

/** `told` is how much the caller says that comes: it grows with what comes, since it may be anything. */
function createInto(told: number): Into {
  let bytes = new Uint8Array(0);
  let at = 0;
  return {
    put: (piece) => {
      if (at + piece.length > bytes.length) {
        // At most twice what is there by now, and not more than was told where that is enough.
        const twice = Math.max(at + piece.length, 2 * bytes.length);
        const larger = new Uint8Array(told >= at + piece.length ? Math.min(told, Math.max(twice, 65_536)) : twice);
        larger.set(bytes.subarray(0, at));
        bytes = larger;
      }
      bytes.set(piece, at);
      at += piece.length;
    },
    all: () => (at === bytes.length ? bytes : bytes.slice(0, at)),
  };
}
