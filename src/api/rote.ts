import { ok, type Fault, type Result } from '@/core/base';
import { roteLines } from '@/core/explain';
import { roteOf } from '@/core/rote';
import type { SentPiece } from './sent';
import { wantedVersions } from './wanted';

/** A piece that was sent, or one of its stages, in words and finger numbers. Errors: those of moving; `query.value` where the piece has no such stage. */
export function roteAnswer(sent: SentPiece): Result<string, Fault> {
  const wanted = wantedVersions(sent, null);
  if (!wanted.ok) return wanted;
  const { piece, after } = wanted.value;
  const told = sent.says.inKey(after.key).roteWords(roteOf(piece, after), sent.query.rote);
  return ok(`${roteLines(told).join('\n')}\n`);
}
