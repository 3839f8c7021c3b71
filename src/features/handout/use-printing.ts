'use client';

import { zipSync, strToU8 } from 'fflate';
import { isOneForAllKeys } from '@/core/paper';
import { parseKey } from '@/core/pitch';
import type { PrintedPage } from '@/print/page';
import type { Sheet } from '@/core/sheets';
import type { SheetChoice } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { usePdf, type PrintProgress } from '@/features/shared/printing/use-pdf';
import { sheetFileName } from '@/features/shared/printing/sheet-file-name';
import { saveFile } from '@/features/shared/files/save-file';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { Answer, Trouble } from '@/contract/answer';
import { musicPicture, musicPng } from './music-files';
import type { SheetSource } from './use-sheets';

/** What can be made of a sheet. */
export interface Printing {
  /** Null while nothing is being made. */
  readonly progress: PrintProgress | null;
  readonly stop: () => void;
  readonly savePdf: () => void;
  readonly saveZip: () => void;
  readonly saveSvg: () => void;
  readonly savePng: () => void;
  readonly print: () => void;
}

interface ToPrint {
  readonly title: string;
  readonly sheet: SheetChoice;
  readonly source: SheetSource;
  /** Keys by name, the one that is shown first; none where the piece stays in its own. */
  readonly keys: readonly string[];
  readonly pages: readonly PrintedPage[];
}

/** Music files that go into a zip beside the pages. */
const FORMATS = ['musicxml', 'abc', 'midi'] as const;

export function usePrinting(wanted: ToPrint): Printing {
  const { title, sheet, source, keys, pages } = wanted;
  const w = useWords();
  const { say } = useMessages();
  const { progress, stop, pdfOf } = usePdf(title, source.request.paper);
  const refuse = ({ message, hint }: Trouble): void => say({ kind: 'trouble', text: message, hint });
  const inKeys = keys.length === 0 ? [null] : keys;
  const keep = (name: string, mediaType: string, content: Uint8Array | string): void => {
    saveFile(name, mediaType, content);
    say({ kind: 'done', text: w.handout.saved(name) });
  };
  const nameOf = (ending: string, key: string | null = keys.length > 1 ? SEVERAL : (keys[0] ?? null)): string =>
    sheetFileName({ title, kind: sheet.kind, stage: source.asked.source.stage?.id ?? null, key, ending });
  const savePdf = async (): Promise<void> => {
    const sheets = await sheetsOf(wanted);
    if (!sheets.ok) return refuse(sheets.trouble);
    const pdf = await pdfOf(sheets.value);
    if (pdf) keep(nameOf('pdf'), 'application/pdf', pdf);
  };
  const saveZip = async (): Promise<void> => {
    const sheets = await sheetsOf(wanted);
    if (!sheets.ok) return refuse(sheets.trouble);
    const files: Record<string, Uint8Array> = {};
    for (const [i, one] of sheets.value.entries()) {
      const pdf = await pdfOf([one]);
      if (!pdf) return;
      files[nameOf('pdf', inKeys[i] ?? null)] = pdf;
    }
    for (const key of inKeys) {
      const music = await musicFiles(source, key);
      if (!music.ok) return refuse(music.trouble);
      Object.assign(files, music.value);
    }
    keep(nameOf('zip'), 'application/zip', zipSync(files));
  };
  return {
    progress,
    stop,
    savePdf: () => void savePdf(),
    saveZip: () => void saveZip(),
    saveSvg: () => void musicPicture(pages).then((svg) => keep(nameOf('svg'), 'image/svg+xml', svg)),
    savePng: () => void musicPng(pages).then((png) => keep(nameOf('png'), 'image/png', png)),
    print: () => window.print(),
  };
}

/** Stands for the key in the name of a file with several. */
const SEVERAL = 'several';

/** The sheet in each of the keys. */
async function sheetsOf({ sheet, source, keys }: ToPrint): Promise<Answer<readonly Sheet[]>> {
  const inKeys = keys.length === 0 ? [null] : isOneForAllKeys(sheet.kind) ? keys.slice(0, 1) : keys;
  const sheets: Sheet[] = [];
  for (const key of inKeys) {
    const answer = await source.ask(key, keys);
    if (!answer.ok) return answer;
    sheets.push(answer.value);
  }
  return { ok: true, value: sheets };
}

/** The piece in a key, in each format. */
async function musicFiles(
  { asked }: SheetSource,
  key: string | null,
): Promise<Answer<Readonly<Record<string, Uint8Array>>>> {
  const files: Record<string, Uint8Array> = {};
  for (const format of FORMATS) {
    const named = key === null ? null : parseKey(key, 'major');
    const options = { ...asked.options, to: named ? key : null };
    const saved = await coreWorker().save(asked.source, options, format, {}, []);
    if (!saved.ok) return saved;
    const { name, content } = saved.value;
    files[name] = typeof content === 'string' ? strToU8(content) : content;
  }
  return { ok: true, value: files };
}
