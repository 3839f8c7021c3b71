import { ok, type Fault, type Result } from '@/core/base';
import { asWritten, moveTo, openPiece, type MoveOptions, type OpenedPiece, type Version } from '@/core/piece';
import { fullOptions, versionsOf } from './asked-piece';
import type { BenchOptions, PieceSource } from './protocol';
import { pieceSourceSchema } from './protocol-schemas';

/** How many opened pieces are kept, so that another key need not read the file again. */
const KEPT_PIECES = 24;

/** A piece with its version as written and the one that is asked for. */
interface Moved {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
}

/** The pieces that a worker was asked about, opened once for several questions. */
interface OpenedPieces {
  readonly open: (source: PieceSource) => Result<OpenedPiece, Fault>;
  readonly openWith: (
    source: PieceSource,
    options: BenchOptions,
  ) => Result<{ readonly piece: OpenedPiece; readonly options: MoveOptions }, Fault>;
  readonly moved: (source: PieceSource, options: BenchOptions) => Result<Moved, Fault>;
}

export function createOpenedPieces(): OpenedPieces {
  const opened = new Map<string, OpenedPiece>();

  const open: OpenedPieces['open'] = (source) => {
    pieceSourceSchema.validateSync(source, { strict: true });
    const name = `${source.ownKey ?? ''}\n${source.part ?? ''}\n${source.musicXml}`;
    const kept = opened.get(name);
    if (kept) return ok(kept);
    const piece = openPiece(new TextEncoder().encode(source.musicXml), {
      format: null,
      key: source.ownKey,
      part: source.part,
    });
    if (piece.ok) {
      opened.set(name, piece.value);
      const oldest = opened.keys().next().value;
      if (opened.size > KEPT_PIECES && oldest !== undefined) opened.delete(oldest);
    }
    return piece;
  };

  const openWith: OpenedPieces['openWith'] = (source, options) => {
    const piece = open(source);
    if (!piece.ok) return piece;
    const full = fullOptions(piece.value, options);
    return full.ok ? ok({ piece: piece.value, options: full.value }) : full;
  };

  const moved: OpenedPieces['moved'] = (source, options) => {
    const asked = openWith(source, options);
    if (!asked.ok) return asked;
    const { piece, options: full } = asked.value;
    const before = asWritten(piece, full.player, full.keyboard);
    const after = versionsOf(piece).get(JSON.stringify(options), () => moveTo(piece, before, full));
    return after.ok ? ok({ piece, before, after: after.value }) : after;
  };

  return { open, openWith, moved };
}

/** What came out well, changed; a fault stays as it is. */
export function mapped<T, U>(result: Result<T, Fault>, change: (value: T) => U): Result<U, Fault> {
  return result.ok ? ok(change(result.value)) : result;
}
