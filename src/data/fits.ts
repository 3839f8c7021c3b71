import { array, mixed, object, string } from 'yup';
import type { Player } from '@/core/finger';
import type { PieceFit } from '@/core/survey';
import type { StudioDatabase } from './database';
import { fitRecordSchema, type FitRecord, type PieceRecord } from './records';

/** Which core worked something out: a print of its source, made when the application is built. */
export const CORE_EDITION = process.env['NEXT_PUBLIC_CORE_EDITION'] ?? 'unbuilt';

/** What is known of a piece, and the stamp it holds for. */
export interface KeptFit {
  readonly stamp: string;
  readonly fit: PieceFit;
}

/** A name for a hand: what was worked out for one is not asked of another. */
export function fitName(player: Player): string {
  return JSON.stringify(player, Object.keys(player).toSorted());
}

/** What an answer about a piece rests on: the core, the music, and what the teacher says of its key and part. */
export function fitStamp({ musicXml, edition, ownKey, part, midi, addedAt }: PieceRecord): string {
  return [CORE_EDITION, addedAt, musicXml.length, edition ?? '', ownKey ?? '', part ?? '', midi?.grid ?? ''].join('/');
}

const fitSchema = object({
  piece: string().required(),
  title: string().defined(),
  own: string().required(),
  keys: array(mixed().required()).required(),
});

/** What is kept for a hand, by piece. What does not fit its schema counts as not known. */
export async function keptFits(database: StudioDatabase, player: string): Promise<ReadonlyMap<string, KeptFit>> {
  const records = await database.fits.where('player').equals(player).toArray();
  return new Map(records.flatMap((record) => {
    const fit = read(record);
    return fit ? [[record.piece, { stamp: record.stamp, fit }] as const] : [];
  }));
}

function read(record: FitRecord): PieceFit | null {
  // Of another core's answers even the shape may be another.
  if (!record.stamp.startsWith(`${CORE_EDITION}/`) || !fitRecordSchema.isValidSync(record)) return null;
  try {
    const value: unknown = JSON.parse(record.fit);
    return fitSchema.isValidSync(value) ? (value as unknown as PieceFit) : null;
  } catch {
    return null;
  }
}

export async function keepFits(database: StudioDatabase, player: string, fits: readonly KeptFit[]): Promise<void> {
  await database.fits.bulkPut(fits.map(({ stamp, fit }) => ({ piece: fit.piece, player, stamp, fit: JSON.stringify(fit) })));
}

/** Throws away what an older core worked out, and what belongs to pieces that are gone. */
export async function forgetOldFits(database: StudioDatabase): Promise<void> {
  const pieces = new Set(await database.pieces.toCollection().primaryKeys());
  await database.fits.filter(({ piece, stamp }) => !pieces.has(piece) || !stamp.startsWith(`${CORE_EDITION}/`)).delete();
}

/** So many pieces are read from the database at a time: the whole of a large shelf would not fit into one breath. */
const READ_AT_ONCE = 40;

/** The pieces whose answers are not known or not true any more, one after the other: those of which nothing is known first. */
export async function* piecesToFit(database: StudioDatabase, known: ReadonlyMap<string, KeptFit>): AsyncGenerator<PieceRecord> {
  const ids = await database.pieces.toCollection().primaryKeys();
  const order = [...ids.filter((id) => !known.has(id)), ...ids.filter((id) => known.has(id))];
  for (let from = 0; from < order.length; from += READ_AT_ONCE) {
    const pieces = await database.pieces.bulkGet(order.slice(from, from + READ_AT_ONCE));
    for (const piece of pieces) {
      if (piece && known.get(piece.id)?.stamp !== fitStamp(piece)) yield piece;
    }
  }
}
