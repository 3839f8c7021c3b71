import { expose } from 'comlink';
import { stayAlive } from '@/crossing/alive';
import { createPrintService } from './print-service';

/** Fonts as scripts/print-fonts.mjs puts them. */
async function load(name: string): Promise<Uint8Array> {
  const answer = await fetch(`${self.location.origin}${process.env['NEXT_PUBLIC_BASE_PATH']}/print/${name}`);
  if (!answer.ok) throw new Error(`no font ${name}`);
  return new Uint8Array(await answer.arrayBuffer());
}

expose(createPrintService(load));
stayAlive();
