import type { Player } from '@/core/fingering';
import type { StudioDatabase } from './database';
import { fitBytes, fitsFromBytes, type KeptFit } from './fit-bytes';
import { PIECE, fitPackSchema, type FitPack, type PieceRecord } from './records/records';
import { understoodRecord } from './records/understand';

/** Which core worked something out: a print of its source, made when the application is built. */
export const CORE_EDITION = process.env['NEXT_PUBLIC_CORE_EDITION'] ?? 'unbuilt';

/** A name for a hand: what was worked out for one is not asked of another. */
export function fitName(player: Player): string {
  return JSON.stringify(player, Object.keys(player).toSorted());
}

/** What an answer about a piece rests on: the music, and what the teacher says of its key and part. */
export function fitStamp({ musicXml, edition, ownKey, part, midi, addedAt }: PieceRecord): string {
  return [addedAt, musicXml.length, edition ?? '', ownKey ?? '', part ?? '', midi?.grid ?? ''].join('/');
}

/** Begins to read everything that is kept, for whichever hand will be asked for. */
export function readFitPacks(database: StudioDatabase): Promise<readonly FitPack[]> {
  return database.fits.toArray();
}

/** What is kept for a hand, by piece. What another core worked out, or what cannot be read, counts as not known. `packs` may have been read ahead. */
export async function keptFits(
  database: StudioDatabase,
  player: string,
  packs: Promise<readonly FitPack[]> = readFitPacks(database),
): Promise<ReadonlyMap<string, KeptFit>> {
  const own = (await packs).filter((pack) => pack.player === player).toSorted((a, b) => a.number - b.number);
  return new Map(own.flatMap(fitsIn).map((kept) => [kept.fit.piece, kept]));
}

/** The same core wrote them: that they can be read is all there is to doubt. */
function fitsIn(pack: FitPack): readonly KeptFit[] {
  return fitPackSchema.isValidSync(pack) && pack.core === CORE_EDITION ? fitsFromBytes(pack.fits) : [];
}

/** Keeps what was found out just now. */
export async function keepFits(database: StudioDatabase, player: string, fits: readonly KeptFit[]): Promise<void> {
  await database.fits.add({ player, core: CORE_EDITION, fits: fitBytes(fits) });
}

/** So many pieces go into one record. */
const PACK = 250;

/** Puts what is kept for a hand together in few records, without pieces that are gone, and throws away what other cores worked out. */
export async function tidyFits(database: StudioDatabase, player: string): Promise<void> {
  const pieces = new Set(await database.pieces.toCollection().primaryKeys());
  await database.transaction('rw', database.fits, async () => {
    await database.fits.filter(({ core }) => core !== CORE_EDITION).delete();
    const kept = [...(await keptFits(database, player)).values()].filter(({ fit }) => pieces.has(fit.piece));
    await database.fits.where('player').equals(player).delete();
    for (let from = 0; from < kept.length; from += PACK)
      await keepFits(database, player, kept.slice(from, from + PACK));
  });
}

/** So many pieces are read from the database at a time: the whole of a large shelf would not fit into one breath. The first are few, so that
 * the workers have something to do at once. */
const READ_FIRST = 4;
const READ_AT_ONCE = 40;

/** The pieces whose answers are not known or not true any more, one after the other: those of which nothing is known first. */
export async function* piecesToFit(
  database: StudioDatabase,
  known: ReadonlyMap<string, KeptFit>,
): AsyncGenerator<PieceRecord> {
  const ids = await database.pieces.toCollection().primaryKeys();
  const order = [...ids.filter((id) => !known.has(id)), ...ids.filter((id) => known.has(id))];
  for (let from = 0; from < order.length;) {
    const count = from === 0 ? READ_FIRST : READ_AT_ONCE;
    const records = await database.pieces.bulkGet(order.slice(from, from + count));
    from += count;
    for (const record of records) {
      const piece = understoodRecord(PIECE, record);
      if (piece && known.get(piece.id)?.stamp !== fitStamp(piece)) yield piece;
    }
  }
}
