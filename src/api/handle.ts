import { asWritten, moveTo, openPiece, type OpenedPiece, type Version } from '@/core/piece';
import type { Fault, Result } from '@/core/base';
import type { Key } from '@/core/pitch';
import { languageOf, type Language } from '@/core/explain';
import { refuse } from './answers';
import { readBody } from './body';
import { enter } from './gate';
import { readQuery, wantedKey, type ApiQuery } from './query';

/** A piece that was sent, opened. */
export interface SentPiece {
  readonly piece: OpenedPiece;
  readonly query: ApiQuery;
  /** The language of the answer. */
  readonly says: Language;
}

/** What every handler does: let in, check the query, read the file, open the piece; a refusal is answered here.
 * Nothing is kept between requests. */
export async function withSentPiece(request: Request, work: (sent: SentPiece) => Response): Promise<Response> {
  const visit = enter();
  if (!visit) return refuse({ code: 'job.busy' });
  try {
    const query = readQuery(new URL(request.url).searchParams);
    if (!query.ok) return refuse(query.error);
    const body = await readBody(request);
    if (!body.ok) return refuse(body.error);
    const { from, key, part } = query.value;
    const piece = openPiece(body.value, { format: from, key, part });
    const says = languageOf(query.value.wording);
    return piece.ok ? work({ piece: piece.value, query: query.value, says }) : refuse(piece.error, says);
  } finally {
    visit.leave();
  }
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

function inKey({ piece, query }: SentPiece, to: Key): Result<MovedPiece, Fault> {
  const before = asWritten(piece, query.options.player, query.options.keyboard);
  const after = moveTo(piece, before, { ...query.options, to });
  return after.ok ? { ok: true, value: { before, after: after.value } } : after;
}
