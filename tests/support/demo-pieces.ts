import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const FOLDER = join(process.cwd(), 'public/demo');

export interface DemoFile {
  readonly id: string;
  readonly text: string;
}

/** The pieces of the demo studio as they are shipped. */
export const DEMO_FILES: readonly DemoFile[] = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.musicxml'))
  .map((name) => ({ id: name.replace('.musicxml', ''), text: readFileSync(join(FOLDER, name), 'utf8') }));

export function demoFile(id: string): string {
  const found = DEMO_FILES.find((file) => file.id === id);
  if (!found) throw new Error(`no demo piece ${id}`);
  return found.text;
}
