import { ok, type Fault, type Result } from '@/core/base';
import { roteLines } from '@/core/explain';
import { roteOf } from '@/core/rote';
import type { SentPiece } from './handle';
import { wantedVersion } from './wanted';

/** A piece that was sent, or one of its stages, in words and finger numbers. Errors: those of moving; `query.value` where the piece has no such stage. */
export function roteAnswer(sent: SentPiece): Result<string, Fault> {
  const wanted = wantedVersion(sent);
  if (!wanted.ok) return wanted;
  const { piece, version } = wanted.value;
  const told = sent.says.inKey(version.key).roteWords(roteOf(piece, version), sent.query.rote);
  return ok(`${roteLines(told).join('\n')}\n`);
}
