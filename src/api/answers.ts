import { USUAL_LANGUAGE, type Language } from '@/core/explain';
import { assertNever, type Fault } from '@/core/base';
import type { SavedFile } from '@/core/piece';

/** When a refusal may be no more; null where it stays one. Unit: s. */
function retryAfter(fault: Fault): number | null {
  if (fault.code === 'job.busy') return fault.seconds;
  return fault.code === 'job.too-long' ? 30 : null;
}

/** A refusal as the scripting interface promises it. */
export function refuse(fault: Fault, says: Language = USUAL_LANGUAGE): Response {
  const place = 'at' in fault ? fault.at : {};
  const after = retryAfter(fault);
  return Response.json(
    { error: { code: fault.code, ...says.faultWords(fault), ...place } },
    { status: statusOf(fault), headers: after === null ? {} : { 'Retry-After': String(after) } },
  );
}

/** A file as the scripting interface promises it. */
export function sendFile({ name, mediaType, content }: SavedFile): Response {
  const body = typeof content === 'string' ? content : new Uint8Array(content);
  return new Response(body, {
    headers: { 'Content-Type': mediaType, 'Content-Disposition': `attachment; filename="${name}"` },
  });
}

function statusOf(fault: Fault): number {
  switch (fault.code) {
    case 'job.busy':
    case 'job.stopped':
    case 'job.too-long':
      return 503;
    case 'job.failed':
      return 500;
    case 'query.slow':
      return 408;
    case 'query.missing':
    case 'query.file-missing':
    case 'query.value':
    case 'query.part':
    case 'read.empty':
      return 400;
    case 'read.too-large':
    case 'job.too-large':
      return 413;
    case 'read.unknown-format':
      return 415;
    case 'read.not-a-score':
    case 'read.encoding':
    case 'read.malformed':
    case 'read.cut-off':
    case 'read.entity':
    case 'read.midi-damaged':
    case 'read.own-file':
    case 'print.engraver':
    case 'print.too-much':
    case 'read.no-notes':
    case 'read.rote':
    case 'read.rote-sum':
    case 'read.too-many-bars':
    case 'read.bad-value':
    case 'read.missing':
    case 'read.unpitched':
    case 'read.quarter-tone':
    case 'read.key-steps':
    case 'pitch.out-of-range':
    case 'move.out-of-range':
      return 422;
    case 'read.archive':
      return fault.detail === 'too-large' ? 413 : 422;
    default:
      return assertNever(fault);
  }
}
