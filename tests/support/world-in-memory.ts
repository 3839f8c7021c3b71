import type { StudioDatabase } from '@/data/database';
import { enteredSteps, runCommand } from '@/data/door/door';
import { doneAfter, nextToUndoOrRedo, undoOrRedoEdit } from '@/data/door/undo-redo';
import { pieceById } from '@/data/reading';
import { TABLES } from '@/data/records/tables';
import { BEGINNING, liveThrough, type World } from './histories';
import { contents, emptyStudio } from './studio';

/** A studio in memory, in which tabs are names and the store breaks on demand. */
function worldInMemory(database: StudioDatabase): World {
  let closed = 0;
  const run: World['run'] = (tab, command) => runCommand(database, command, { tab, label: command.kind, atMs: 1 });
  return {
    run,
    runAndBreak: async (tab, command, luck) => {
      const crash = crashing(database, luck.below(3));
      const result = await run(tab, command).catch(() => null);
      crash.stop();
      return result;
    },
    next: (tab, undoRedo) => nextToUndoOrRedo(database, undoRedo, tab),
    undoOrRedo: (tab, number, undoRedo, how) =>
      undoOrRedoEdit(database, number, { undoRedo, how, attribution: { tab, atMs: 1 } }),
    toEnter: async (id) => {
      const piece = await pieceById(database, id);
      return piece ? { musicXml: piece.musicXml, edition: piece.edition, ...(await enteredSteps(database, id)) } : null;
    },
    contents: () => contents(database),
    records: () =>
      database.transaction(
        'r',
        TABLES.map((table) => database.table(table)),
        async () => {
          const all = await Promise.all(TABLES.map((table) => database.table(table).toArray()));
          return new Map(
            all.flatMap((list, i) =>
              list.map(
                (record: Readonly<Record<string, unknown>>) =>
                  [`${TABLES[i]}/${String(record['id'])}`, record] as const,
              ),
            ),
          );
        },
      ),
    done: () => doneAfter(database, -1),
    close: async () => `tab ${(closed += 1)}`,
    breaksOneIn: 1,
  };
}

/** Makes the store break at the n-th record that is written. */
function crashing(database: StudioDatabase, after: number): { readonly stop: () => void } {
  let written = 0;
  const hook = (): void => {
    written += 1;
    if (written > after) throw new Error('the tab crashed');
  };
  const tables = allTables(database);
  for (const table of tables) {
    table.hook('creating', hook);
    table.hook('updating', hook);
    table.hook('deleting', hook);
  }
  return {
    stop: () => {
      for (const table of tables) {
        table.hook('creating').unsubscribe(hook);
        table.hook('updating').unsubscribe(hook);
        table.hook('deleting').unsubscribe(hook);
      }
    },
  };
}

function allTables(database: StudioDatabase) {
  return [...TABLES.map((table) => database.table(table)), database.history, database.changes];
}

/** So many histories have one studio, one after the other. */
const A_STUDIO = 50;

export async function liveThroughMany(first: number, last: number): Promise<void> {
  for (let from = first; from <= last; from += A_STUDIO) {
    const studio = emptyStudio();
    const tables = allTables(studio);
    for (let seed = from; seed < Math.min(last + 1, from + A_STUDIO); seed += 1) {
      await runCommand(studio, BEGINNING, { tab: 'one', label: 'begin', atMs: 0 });
      await studio.transaction(
        'rw',
        studio.history,
        studio.changes,
        async () => void (await Promise.all([studio.history.clear(), studio.changes.clear()])),
      );
      await liveThrough(worldInMemory(studio), seed, ['one', 'two']);
      await studio.transaction(
        'rw',
        tables,
        async () => void (await Promise.all(tables.map((table) => table.clear()))),
      );
    }
    await studio.delete();
  }
}
