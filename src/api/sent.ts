import { asWritten, moveTo, openPiece, openPlainPiece, type OpenedPiece, type Version } from '@/core/piece';
import type { Fault, Result } from '@/core/base';
import { keyText, type Key } from '@/core/pitch';
import { pieceOfRote } from '@/core/rote';
import { languageOf, readRote, type Language } from '@/core/explain';
import { refuse } from './answers';
import { readForm } from './form';
import type { Job } from './job';
import { readQuery, wantedKey, type ApiQuery } from './query';

/** A piece that was sent, opened. */
export interface SentPiece {
  readonly piece: OpenedPiece;
  readonly query: ApiQuery;
  /** The language of the answer. */
  readonly says: Language;
}

type Answering = Response | Promise<Response>;

/** What every job begins with: check the query, read the file, open the piece; a refusal is answered here. */
export function withSentPiece(job: Job, work: (sent: SentPiece) => Answering): Answering {
  return withQuery(job, (query) => withPiece(query, job.body, work));
}

/** The same where the piece comes in a form, with what was played. */
export function withSentPerformance(job: Job, work: (sent: SentPiece, played: Uint8Array) => Answering): Answering {
  return withQuery(job, async (query) => {
    const form = await readForm(job, ['piece', 'played']);
    return form.ok ? withPiece(query, form.value.piece, (sent) => work(sent, form.value.played)) : refuse(form.error);
  });
}

function withQuery(job: Job, work: (query: ApiQuery) => Answering): Answering {
  const query = readQuery(new URLSearchParams(job.search));
  return query.ok ? work(query.value) : refuse(query.error);
}

function withPiece(query: ApiQuery, bytes: Uint8Array, work: (sent: SentPiece) => Answering): Answering {
  const piece = sentPiece(query, bytes);
  const says = languageOf(query.wording);
  return piece.ok ? work({ piece: piece.value, query, says }) : refuse(piece.error, says);
}

/** Opens what was sent: a file, or a piece told by rote. Errors: the `read.*` codes, `query.part`. */
function sentPiece({ from, key, part }: ApiQuery, bytes: Uint8Array): Result<OpenedPiece, Fault> {
  if (from !== 'rote') return openPiece(bytes, { format: from, key, part });
  const sheet = readRote(new TextDecoder().decode(bytes));
  if (!sheet.ok) return sheet;
  const own = key ?? keyText(sheet.value.key);
  return openPlainPiece(pieceOfRote(sheet.value), { format: null, key: own, part });
}

/** A piece where it stands and in another key. */
export interface MovedPiece {
  readonly before: Version;
  readonly after: Version;
}

/** The piece where it stands and in the wanted key. */
export function movedPiece(sent: SentPiece): Result<MovedPiece, Fault> {
  const to = wantedKey(sent.query.to, sent.piece.key.key.mode);
  return to.ok ? inKey(sent, to.value) : to;
}

/** The same where a key need not be named: without one the piece stays in its own. */
export function movedOrStaying(sent: SentPiece): Result<MovedPiece, Fault> {
  return sent.query.to === null ? inKey(sent, sent.piece.key.key) : movedPiece(sent);
}

/** The piece where it stands and in this key. */
export function inKey({ piece, query }: SentPiece, to: Key): Result<MovedPiece, Fault> {
  const before = asWritten(piece, query.options.player, query.options.keyboard);
  const after = moveTo(piece, before, { ...query.options, to });
  return after.ok ? { ok: true, value: { before, after: after.value } } : after;
}
