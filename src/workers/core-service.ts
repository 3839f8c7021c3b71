import { faultWords, remarkBar, remarkWords } from '@/core/explain';
import { asWritten, benchView, ladderOf, moveTo, openPiece, saveAs, shelfView, type OpenedPiece, type Version, type Wish } from '@/core/job';
import type { KeyboardSize } from '@/core/keyboard';
import { parseKey, type Key } from '@/core/pitch';
import { err, ok, type Fault, type FileFormat, type Result } from '@/core/result';
import { recogniseFormat, splitPieces, type Grid } from '@/core/read';
import { writeMusicXml } from '@/core/write';
import { ID_PREFIXES, benchWishSchema, gridSchema, pieceSourceSchema, type Answer, type BenchWish, type BroughtPiece, type CoreService, type PieceSource } from './protocol';

/** How many opened pieces are kept, so that another key need not read the file again. */
const KEPT_PIECES = 24;

/** The core behind the worker's door: checks what comes in, keeps what was read, and puts refusals into words. */
export function createCoreService(): CoreService {
  const opened = new Map<string, OpenedPiece>();

  const open = (source: PieceSource): Result<OpenedPiece, Fault> => {
    pieceSourceSchema.validateSync(source, { strict: true });
    const name = `${source.ownKey ?? ''}\n${source.part ?? ''}\n${source.musicXml}`;
    const kept = opened.get(name);
    if (kept) return ok(kept);
    const piece = openPiece(new TextEncoder().encode(source.musicXml), { format: null, key: source.ownKey, part: source.part });
    if (piece.ok) {
      opened.set(name, piece.value);
      const oldest = opened.keys().next().value;
      if (opened.size > KEPT_PIECES && oldest !== undefined) opened.delete(oldest);
    }
    return piece;
  };

  const moved = (source: PieceSource, wish: BenchWish): Result<Moved, Fault> => {
    const piece = open(source);
    if (!piece.ok) return piece;
    const full = fullWish(piece.value, wish);
    if (!full.ok) return full;
    const before = asWritten(piece.value, wish.player, wish.keyboard as KeyboardSize);
    const after = moveTo(piece.value, before, full.value);
    return after.ok ? ok({ piece: piece.value, before, after: after.value, wish: full.value }) : after;
  };

  return {
    bringIn: (bytes) => splitPieces(bytes).map((part) => answer(mapped(openPiece(part, { format: null, key: null, part: null }), (piece) => broughtPiece(piece, recogniseFormat(part))))),
    regrid: (bytes, grid) => {
      const wanted = gridSchema.validateSync(grid, { strict: true }) as Grid | null;
      return answer(mapped(openPiece(bytes, { format: 'midi', key: null, part: null, grid: wanted }), (piece) => broughtPiece(piece, 'midi')));
    },
    shelf: (source, prefix) => answer(mapped(open(source), (piece) => shelfView(piece, prefix))),
    bench: (source, wish, view, columns) =>
      answer(mapped(moved(source, wish), ({ piece, before, after }) => benchView(piece, before, after, { view, columns, prefixes: ID_PREFIXES }))),
    ladder: (source, wish, order, mode) =>
      answer(mapped(moved(source, { ...wish, to: null }), ({ piece, wish: full }) => ladderOf(piece, full, order, mode ?? piece.key.key.mode))),
    save: (source, wish, format, beside) => {
      const version = moved(source, wish);
      return answer(mapped(version, ({ piece, after }) => saveAs({ ...piece, carried: { ...piece.carried, ...beside } }, after, format)));
    },
  };
}

function broughtPiece({ score, remarks, carried }: OpenedPiece, format: FileFormat | null): BroughtPiece {
  return { musicXml: writeMusicXml(score), title: score.title, format, beside: carried, remarks: remarks.map((remark) => {
    const bar = remarkBar(remark);
    return bar === null ? { message: remarkWords(remark) } : { message: remarkWords(remark), bar };
  }) };
}

interface Moved {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
  readonly wish: Wish;
}

/** The wish with its key; without one the piece stays in its own. */
function fullWish(piece: OpenedPiece, wish: BenchWish): Result<Wish, Fault> {
  benchWishSchema.validateSync(wish, { strict: true });
  const own = piece.key.key;
  const to: Key | undefined = wish.to === null ? own : parseKey(wish.to, own.mode);
  if (!to) return err({ code: 'query.value', name: 'key', value: wish.to ?? '', allowed: 'a key such as D, Bb or F#' });
  return ok({
    to,
    direction: wish.direction,
    octaves: { right: wish.octaveRight, left: wish.octaveLeft },
    spelling: wish.spelling,
    courtesy: wish.courtesy,
    sixth: wish.sixth,
    seventh: wish.seventh,
    fingering: wish.fingering,
    player: wish.player,
    keyboard: wish.keyboard as KeyboardSize,
    respelled: wish.respelled,
  });
}

function mapped<T, U>(result: Result<T, Fault>, change: (value: T) => U): Result<U, Fault> {
  return result.ok ? ok(change(result.value)) : result;
}

function answer<T>(result: Result<T, Fault>): Answer<T> {
  if (result.ok) return result;
  const { error } = result;
  return { ok: false, trouble: { code: error.code, ...faultWords(error), line: 'at' in error ? error.at.line : null } };
}
