import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const FIXTURES = join(import.meta.dirname, '../fixtures');

export interface OldDatabase {
  readonly version: number;
  readonly tables: Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;
}

/** A stored database of an older version, as it stood in a browser. */
export function oldDatabase(version: number): OldDatabase {
  return JSON.parse(readFileSync(join(FIXTURES, `databases/v${version}.json`), 'utf8')) as OldDatabase;
}

/** The text of a studio file as that version wrote it. */
export function oldStudioFile(version: number): string {
  return readFileSync(join(FIXTURES, `studio-files/v${version}.json`), 'utf8');
}

/** The stores of version 4 in the browser's own words: their keys, and whether they number their records themselves. */
const STORES_4 = {
  pieces: { keyPath: 'id' },
  kept: { keyPath: 'id' },
  journal: { keyPath: 'number', autoIncrement: true },
  pupils: { keyPath: 'id' },
  steps: { keyPath: ['piece', 'number'] },
  pending: { keyPath: 'piece' },
  plan: { keyPath: 'id' },
  finds: { autoIncrement: true },
  fits: { keyPath: 'number', autoIncrement: true },
} as const;

/** A script that puts a database of version 4 in place in a browser, as Dexie laid it down there (it counts its versions in tens). */
export function layDownText({ tables }: OldDatabase): string {
  return `new Promise((resolve, reject) => {
    const opening = indexedDB.open('new-thumb', 40);
    opening.onerror = () => reject(opening.error);
    opening.onupgradeneeded = () => {
      for (const [name, options] of Object.entries(${JSON.stringify(STORES_4)})) {
        const store = opening.result.createObjectStore(name, options);
        const indexes = { pieces: ['addedAt'], pupils: ['addedAt'], journal: ['state'], steps: ['piece'], plan: ['pupil'], finds: ['pupil'], fits: ['player'] }[name] ?? [];
        for (const index of indexes) store.createIndex(index, index);
        for (const record of (${JSON.stringify(tables)})[name] ?? []) store.put(record);
      }
    };
    opening.onsuccess = () => { opening.result.close(); resolve(); };
  })`;
}
