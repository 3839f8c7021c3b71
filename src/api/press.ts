import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import createModule from 'verovio/wasm';
import { enableLog, LOG_ERROR, VerovioToolkit } from 'verovio/esm';
import { err, ok, type Fault, type Result } from '@/core/base';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import { musicAsked } from '@/print/music-asked';
import { pdfOf } from '@/print/press';
import { readTypeface, type Typeface } from '@/print/typeface';
import { engravePage } from '@/workers/engrave/engraving';
import type { EngravedSystem } from '@/contract/engraving-questions';

/** What sheets are printed with on the server: the same engraver, fonts and code as in the browser. */
interface Press {
  readonly engraver: VerovioToolkit;
  readonly typeface: Typeface;
}

/** A font of printed sheets, as scripts/print-fonts.mjs puts it. */
export function readFontFile(name: string): Promise<Uint8Array> {
  return readFile(join(process.cwd(), 'public/print', name));
}

/** Started with the first sheet that is asked for, and kept. */
let starting: Promise<Press> | null = null;

async function start(): Promise<Press> {
  const [module, typeface] = await Promise.all([createModule(), readTypeface(readFontFile)]);
  enableLog(LOG_ERROR, module);
  return { engraver: new VerovioToolkit(module), typeface };
}

/** Some sheets as one PDF. Errors: `print.engraver` where the engraver refuses the music. */
export async function printSheets(
  sheets: readonly Sheet[],
  paper: PaperChoice,
  title: string,
): Promise<Result<Uint8Array, Fault>> {
  starting ??= start();
  const { engraver, typeface } = await starting;
  const music = new Map<string, readonly EngravedSystem[]>();
  for (const { page, layout } of musicAsked(sheets, paper)) {
    const engraved = engravePage(engraver, page, layout);
    if (!engraved.ok) return err({ code: 'print.engraver' });
    music.set(page.musicXml, engraved.value);
  }
  const pdf = await pdfOf(typeface, sheets, { paper, music, title }, () => Promise.resolve('go-on'));
  return pdf === null ? err({ code: 'job.stopped' }) : ok(pdf);
}
