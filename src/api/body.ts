import { MAX_FILE_MB } from '@/core/read';
import { err, ok, type Fault, type Result } from '@/core/base';

const MAX_BYTES = MAX_FILE_MB * 1024 * 1024;

/** So long a caller may take to send: meanwhile others wait at the gate. Unit: ms. */
const SENT_WITHIN_MS = 20_000;

/** What comes of some work, or null where it takes longer. */
async function inTime<T>(work: Promise<T>, ms: number): Promise<T | null> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(resolve, ms, null);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

function tooSlow(withinMs: number): Result<never, Fault> {
  return err({ code: 'query.slow', seconds: Math.round(withinMs / 1000) });
}

/** Reads the body of a request and stops as soon as it is too large, or too late. Errors: `read.empty`, `read.too-large`, `query.slow`. */
export async function readBody(
  request: Request,
  withinMs: number = SENT_WITHIN_MS,
): Promise<Result<Uint8Array, Fault>> {
  const endMs = Date.now() + withinMs;
  const tooLarge = err({ code: 'read.too-large', limitMb: MAX_FILE_MB } as const);
  if (Number(request.headers.get('content-length') ?? '0') > MAX_BYTES) return tooLarge;
  const pieces: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const read = await inTime(reader.read(), endMs - Date.now());
    if (read === null) {
      // Whoever sends drop by drop may never hear of it: it is not waited for.
      void reader.cancel();
      return tooSlow(withinMs);
    }
    const { done, value } = read;
    if (done) break;
    size += value.length;
    if (size > MAX_BYTES) {
      await reader.cancel();
      return tooLarge;
    }
    pieces.push(value);
  }
  if (size === 0) return err({ code: 'read.empty' });
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return ok(bytes);
}

/** The files of a form, by their names, and how large all of it may be. */
const FORM_BYTES = 2 * MAX_BYTES;

/** Reads the files of a form that was sent. Errors: `query.file-missing` for one that is not there, `read.empty`, `read.too-large`, `query.slow`. */
export async function readForm<Name extends string>(
  request: Request,
  names: readonly Name[],
  withinMs: number = SENT_WITHIN_MS,
): Promise<Result<Readonly<Record<Name, Uint8Array>>, Fault>> {
  const tooLarge = err({ code: 'read.too-large', limitMb: MAX_FILE_MB } as const);
  if (Number(request.headers.get('content-length') ?? '0') > FORM_BYTES) return tooLarge;
  const form = await inTime(
    request.formData().catch(() => 'none' as const),
    withinMs,
  );
  if (form === null) return tooSlow(withinMs);
  const files = {} as Record<Name, Uint8Array>;
  for (const name of names) {
    const file = form === 'none' ? null : form.get(name);
    if (!(file instanceof File)) return err({ code: 'query.file-missing', name });
    if (file.size > MAX_BYTES) return tooLarge;
    if (file.size === 0) return err({ code: 'read.empty' });
    files[name] = new Uint8Array(await file.arrayBuffer());
  }
  return ok(files);
}
