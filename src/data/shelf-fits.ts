'use client';

import { keepFits, keptFits, piecesToFit, readFitPacks, tidyFits } from './fits';
import { studioDatabase } from './use-studio';

/** What is kept about the shelf in this browser: worked out, and worked out again where it is lost. */
export const shelfFits = {
  read: () => readFitPacks(studioDatabase()),
  kept: (player: string, packs?: ReturnType<typeof readFitPacks>) => keptFits(studioDatabase(), player, packs),
  keep: (player: string, fits: Parameters<typeof keepFits>[2]) => keepFits(studioDatabase(), player, fits),
  tidy: (player: string) => tidyFits(studioDatabase(), player),
  toFit: (known: Parameters<typeof piecesToFit>[1]) => piecesToFit(studioDatabase(), known),
  pieceIds: () => studioDatabase().pieces.toCollection().primaryKeys(),
};
