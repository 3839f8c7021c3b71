import Dexie from 'dexie';
import { STORES } from '@/data/database';
import type { OldDatabase } from './old-studios';

/** Puts a stored database in place under a name, by the stores of its version alone. */
export async function layDown({ version, tables }: OldDatabase, name: string): Promise<void> {
  const database = new Dexie(name);
  for (const one of STORES) if (one.version <= version) database.version(one.version).stores({ ...one.stores });
  await database.open();
  for (const [table, records] of Object.entries(tables)) await database.table(table).bulkPut([...records]);
  database.close();
}
