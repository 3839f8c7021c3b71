import { MAX_FILE_MB } from '@/core/read';
import { err, ok, type Fault, type Result } from '@/core/base';

const MAX_BYTES = MAX_FILE_MB * 1024 * 1024;

/** Reads the body of a request and stops as soon as it is too large. Errors: `read.empty`, `read.too-large`. */
export async function readBody(request: Request): Promise<Result<Uint8Array, Fault>> {
  const tooLarge = err({ code: 'read.too-large', limitMb: MAX_FILE_MB } as const);
  if (Number(request.headers.get('content-length') ?? '0') > MAX_BYTES) return tooLarge;
  const pieces: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
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

/** Reads the files of a form that was sent. Errors: `query.file-missing` for one that is not there, `read.empty`, `read.too-large`. */
export async function readForm<Name extends string>(
  request: Request,
  names: readonly Name[],
): Promise<Result<Readonly<Record<Name, Uint8Array>>, Fault>> {
  const tooLarge = err({ code: 'read.too-large', limitMb: MAX_FILE_MB } as const);
  if (Number(request.headers.get('content-length') ?? '0') > FORM_BYTES) return tooLarge;
  const form = await request.formData().catch(() => null);
  const files = {} as Record<Name, Uint8Array>;
  for (const name of names) {
    const file = form?.get(name);
    if (!(file instanceof File)) return err({ code: 'query.file-missing', name });
    if (file.size > MAX_BYTES) return tooLarge;
    if (file.size === 0) return err({ code: 'read.empty' });
    files[name] = new Uint8Array(await file.arrayBuffer());
  }
  return ok(files);
}
