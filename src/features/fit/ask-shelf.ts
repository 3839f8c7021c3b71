import type { Player } from '@/core/fingering';
import type { PieceFit } from '@/core/survey';
import { fitName, fitStamp, shelfFits, type KeptFit, type PieceRecord } from '@/data';
import { fitterCount, fitWorker } from '@/workers/client';
import { createPool } from '@/workers/fit/pool';
import type { Answer } from '@/contract/answer';

/** What is known of the shelf so far. */
export interface Known {
  readonly fits: readonly PieceFit[];
  /** Pieces on the shelf, and how many were asked about just now. */
  readonly pieces: number;
  readonly asked: number;
  readonly state: 'reading' | 'working' | 'stopped' | 'done';
  /** Pieces that could not be read, by their file names. */
  readonly unreadable: readonly string[];
}

/** How often what came from the workers is kept and shown. Unit: ms. The first answers are shown at once, later ones together. */
const FLUSH_MS = 500;
const FIRST_ANSWERS = 4;

/** What is kept about the shelf, read while the screen is still finding out for whom it is. It is good once: later it may have changed. */
export interface ReadAhead {
  readonly take: () => ReturnType<typeof shelfFits.read>;
}

export function readAhead(): ReadAhead {
  let packs: ReturnType<typeof shelfFits.read> | null = shelfFits.read();
  return {
    take: () => {
      const read = packs ?? shelfFits.read();
      packs = null;
      return read;
    },
  };
}

/** For whom the shelf is asked, who is told, and whether anyone still wants to know. Who stops may go on later. */
export interface Asking {
  readonly player: Player;
  readonly ahead: ReadAhead;
  readonly tell: (change: Partial<Known>) => void;
  readonly isStopped: () => boolean;
  readonly isWanted: () => boolean;
}

/** Asks the whole shelf for one hand: first what is kept, then in a pool of workers what is new or was changed. Ends once all is known and kept. */
export async function askShelf({ player, ahead, tell, isStopped, isWanted }: Asking): Promise<void> {
  const name = fitName(player);
  const [kept, ids] = await Promise.all([shelfFits.kept(name, ahead.take()), shelfFits.pieceIds()]);
  const fits = new Map<string, PieceFit>();
  for (const id of ids) {
    const found = kept.get(id);
    if (found) fits.set(id, found.fit);
  }
  // In the same order however the answers come in.
  const inShelfOrder = (): readonly PieceFit[] => ids.flatMap((id) => fits.get(id) ?? []);
  tell({ fits: inShelfOrder(), pieces: ids.length, asked: 0, state: 'working', unreadable: [] });
  let [asked, fresh, lastFlush] = [0, [] as KeptFit[], performance.now()];
  const unreadable: string[] = [];
  const flush = async (): Promise<void> => {
    const taken = fresh;
    fresh = [];
    lastFlush = performance.now();
    for (const { fit } of taken) fits.set(fit.piece, fit);
    if (taken.length === 0) return;
    tell({ fits: inShelfOrder(), asked, unreadable: [...unreadable] });
    await shelfFits.keep(name, taken);
  };
  const pool = createPool<PieceRecord, Answer<PieceFit>>(
    fitters(player),
    (piece) => void unreadable.push(piece.fileName),
  );
  await pool.run(
    shelfFits.toFit(kept),
    (piece, answer) => {
      asked += 1;
      if (answer.ok) fresh.push({ stamp: fitStamp(piece), fit: answer.value });
      else unreadable.push(piece.fileName);
      if (asked <= FIRST_ANSWERS || performance.now() - lastFlush > FLUSH_MS) void flush();
    },
    () => !isWanted() || isStopped(),
  );
  await flush();
  if (isWanted() && asked > 0) await shelfFits.tidy(name);
  tell({ state: isStopped() ? 'stopped' : 'done', unreadable: [...unreadable] });
}

/** One question a worker. Where all is known none is asked, and no worker is started. */
function fitters(player: Player): readonly ((piece: PieceRecord) => Promise<Answer<PieceFit>>)[] {
  return Array.from(
    { length: fitterCount() },
    (_, which) =>
      async ({ id, musicXml, ownKey, part }: PieceRecord) =>
        fitWorker(which).fit(id, { musicXml, ownKey, part: part ?? null }, player),
  );
}
