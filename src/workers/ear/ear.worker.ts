import { expose } from 'comlink';
import { stayAlive } from '@/crossing/alive';
import { createEarService } from './ear-service';

/** Files as scripts/ear-files.mjs puts them. */
const FOLDER = `${self.location.origin}${process.env['NEXT_PUBLIC_BASE_PATH']}/ear/`;

async function read(name: string): Promise<Uint8Array> {
  const answer = await fetch(FOLDER + name);
  if (!answer.ok) throw new Error(`no ${name}`);
  return new Uint8Array(await answer.arrayBuffer());
}

expose(createEarService({ read, runtime: FOLDER }));
stayAlive();
