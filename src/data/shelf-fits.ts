'use client';

import { keepFits, keptFits, piecesToFit, readFitPacks, tidyFits } from './fits';
import { studioDatabase } from './studio-life';

/** What is kept about the shelf in this browser: worked out, and worked out again where it is lost. */
export const shelfFits = {
  read: () => readFitPacks(studioDatabase()),
  kept: (player: string, packs?: ReturnType<typeof readFitPacks>) => keptFits(studioDatabase(), player, packs),
  keep: (player: string, fits: Parameters<typeof keepFits>[2]) => keepFits(studioDatabase(), player, fits),
  tidy: (player: string) => tidyFits(studioDatabase(), player),
  toFit: (known: Parameters<typeof piecesToFit>[1]) => piecesToFit(studioDatabase(), known),
  pieceIds: () => studioDatabase().pieces.toCollection().primaryKeys(),
};

/** In which key each piece stands, as far as it was ever worked out for any hand. */
export async function ownKeysKnown(): Promise<ReadonlyMap<string, string>> {
  const packs = await readFitPacks(studioDatabase());
  const players = [...new Set(packs.map(({ player }) => player))];
  const all = await Promise.all(players.map((player) => keptFits(studioDatabase(), player, Promise.resolve(packs))));
  return new Map(all.flatMap((kept) => [...kept.values()].map(({ fit }) => [fit.piece, fit.own] as const)));
}
