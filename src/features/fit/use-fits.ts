'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Player } from '@/core/finger';
import type { PieceFit } from '@/core/survey';
import { fitName, fitStamp, keepFits, keptFits, piecesToFit, readFitPacks, studioDatabase, tidyFits, usePieceCount, type KeptFit, type PieceRecord } from '@/data';
import { fitterCount, fitWorker } from '@/workers/client';
import { createPool } from '@/workers/pool';
import type { Answer } from '@/workers/protocol';

/** What is known of the shelf so far. */
export interface ShelfFits {
  readonly fits: readonly PieceFit[];
  /** Pieces on the shelf; how many of them are known, and how many were asked about just now. */
  readonly pieces: number;
  readonly asked: number;
  readonly state: 'reading' | 'working' | 'stopped' | 'done';
  /** Pieces that could not be read, by their file names. */
  readonly unreadable: readonly string[];
  readonly stop: () => void;
  readonly goOn: () => void;
}

type Known = Pick<ShelfFits, 'fits' | 'pieces' | 'asked' | 'state' | 'unreadable'>;

const NOTHING: Known = { fits: [], pieces: 0, asked: 0, state: 'reading', unreadable: [] };

/** How often what came from the workers is kept and shown. Unit: ms. */
const FLUSH_MS = 500;

/** What is kept about the shelf, read while the screen is still finding out for whom it is. It is good once: later it may have changed. */
export interface ReadAhead {
  readonly take: () => ReturnType<typeof readFitPacks>;
}

export function readAhead(): ReadAhead {
  let packs: ReturnType<typeof readFitPacks> | null = readFitPacks(studioDatabase());
  return {
    take: () => {
      const read = packs ?? readFitPacks(studioDatabase());
      packs = null;
      return read;
    },
  };
}

/** Asks the whole shelf for one hand: first what is kept, then in a pool of workers what is new or was changed. `player` must keep its identity
 * while it says the same. */
export function useFits(player: Player, ahead: ReadAhead): ShelfFits {
  const count = usePieceCount();
  const [known, setKnown] = useState(NOTHING);
  const [attempt, setAttempt] = useState(0);
  const isStopped = useRef(false);
  // Pieces that come or go while the screen is open are asked about too.
  const changed = known.state !== 'reading' && count !== undefined && count !== known.pieces ? count : null;
  useEffect(() => {
    let isWanted = true;
    isStopped.current = false;
    const ask = async (): Promise<void> => {
      const database = studioDatabase();
      const name = fitName(player);
      const [kept, ids] = await Promise.all([keptFits(database, name, ahead.take()), database.pieces.toCollection().primaryKeys()]);
      const fits = new Map<string, PieceFit>(ids.flatMap((id) => {
        const found = kept.get(id);
        return found ? [[id, found.fit] as const] : [];
      }));
      // In the same order however the answers come in.
      const inShelfOrder = (): readonly PieceFit[] => ids.flatMap((id) => fits.get(id) ?? []);
      const tell = (change: Partial<Known>): void => {
        if (isWanted) setKnown((before) => ({ ...before, ...change }));
      };
      tell({ fits: inShelfOrder(), pieces: ids.length, asked: 0, state: 'working', unreadable: [] });
      let [asked, fresh, lastFlush] = [0, [] as KeptFit[], performance.now()];
      const unreadable: string[] = [];
      const flush = async (): Promise<void> => {
        const taken = fresh;
        fresh = [];
        lastFlush = performance.now();
        for (const { fit } of taken) fits.set(fit.piece, fit);
        if (taken.length > 0) {
          tell({ fits: inShelfOrder(), asked, unreadable: [...unreadable] });
          await keepFits(database, name, taken);
        }
      };
      // Where all is known, no worker is started.
      const workers = Array.from({ length: fitterCount() }, (_, which) => ({ id, musicXml, ownKey, part }: PieceRecord) => fitWorker(which).fit(id, { musicXml, ownKey, part: part ?? null }, player));
      const pool = createPool<PieceRecord, Answer<PieceFit>>(workers, (piece) => void unreadable.push(piece.fileName));
      await pool.run(
        piecesToFit(database, kept),
        (piece, answer) => {
          asked += 1;
          if (answer.ok) fresh.push({ stamp: fitStamp(piece), fit: answer.value });
          else unreadable.push(piece.fileName);
          // The first answers are shown at once, later ones together.
          if (asked <= FIRST_ANSWERS || performance.now() - lastFlush > FLUSH_MS) void flush();
        },
        () => !isWanted || isStopped.current,
      );
      await flush();
      if (isWanted && asked > 0) await tidyFits(database, name);
      tell({ state: isStopped.current ? 'stopped' : 'done', unreadable: [...unreadable] });
    };
    void ask();
    return () => {
      isWanted = false;
    };
  }, [player, ahead, changed, attempt]);
  const stop = useCallback(() => {
    isStopped.current = true;
  }, []);
  const goOn = useCallback(() => setAttempt((before) => before + 1), []);
  return { ...known, stop, goOn };
}

const FIRST_ANSWERS = 4;
