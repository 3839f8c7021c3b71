import { err, ok, type Fault, type Result } from '@/core/base';
import { MAX_FILE_MB } from '@/core/read';
import type { Job } from './job';

const MAX_BYTES = MAX_FILE_MB * 1024 * 1024;

/** Reads the files of a form that was sent. Errors: `query.file-missing` for one that is not there, `read.empty`, `read.too-large`. */
export async function readForm<Name extends string>(
  { body, type }: Pick<Job, 'body' | 'type'>,
  names: readonly Name[],
): Promise<Result<Readonly<Record<Name, Uint8Array>>, Fault>> {
  const form = await new Response(body, { headers: { 'Content-Type': type } }).formData().catch(() => 'none' as const);
  const files = {} as Record<Name, Uint8Array>;
  for (const name of names) {
    const file = form === 'none' ? null : form.get(name);
    if (!(file instanceof File)) return err({ code: 'query.file-missing', name });
    if (file.size > MAX_BYTES) return err({ code: 'read.too-large', limitMb: MAX_FILE_MB });
    if (file.size === 0) return err({ code: 'read.empty' });
    files[name] = new Uint8Array(await file.arrayBuffer());
  }
  return ok(files);
}
