'use client';

import { proxy } from 'comlink';
import { musicAsked } from '@/print/music-asked';
import type { PrintedPage } from '@/print/page';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import type { EngravedPair } from '@/contract/engraving-questions';
import { printWorker } from '../client';
import type { Answer } from '@/contract/answer';
import { askEngraving } from '../questions';

/** The music of sheets, engraved one page after the other; null where `isStopped` said so in between. */
async function engravedMusic(
  sheets: readonly Sheet[],
  paper: PaperChoice,
  isStopped: () => boolean,
): Promise<Answer<readonly EngravedPair[]> | null> {
  const pairs: EngravedPair[] = [];
  for (const { page, layout } of musicAsked(sheets, paper)) {
    const systems = await askEngraving(page, layout);
    if (!systems.ok) return systems;
    if (isStopped()) return null;
    pairs.push({ musicXml: page.musicXml, systems: systems.value });
  }
  return { ok: true, value: pairs };
}

/** A sheet as its pages, as they are shown and as the browser prints them. */
export async function askPages(sheet: Sheet, paper: PaperChoice): Promise<Answer<readonly PrintedPage[]>> {
  const music = await engravedMusic([sheet], paper, () => false);
  if (!music?.ok) return music ?? NOTHING;
  return printWorker().layOut(sheet, paper, music.value);
}

const NOTHING = { ok: true, value: [] } as const;

/** A PDF that is being made: what comes of it, null where it was stopped, and how to stop it. */
export interface PdfOnTheWay {
  readonly answer: Promise<Answer<Uint8Array> | null>;
  readonly stop: () => void;
}

let jobs = 0;

/** Has sheets made into one PDF; `onPage` is told how many pages are drawn, `(0, 0)` while the music is engraved. */
export function makePdf(
  sheets: readonly Sheet[],
  { paper, title }: { readonly paper: PaperChoice; readonly title: string },
  onPage: (done: number, of: number) => void,
): PdfOnTheWay {
  jobs += 1;
  const ticket = `pdf ${jobs}`;
  let isStopped = false;
  const work = async (): Promise<Answer<Uint8Array> | null> => {
    // Whoever asked knows by then how to stop it.
    await Promise.resolve();
    onPage(0, 0);
    const music = await engravedMusic(sheets, paper, () => isStopped);
    if (music === null || isStopped) return null;
    if (!music.ok) return music;
    const pdf = await printWorker().pdf({ sheets, paper, title }, music.value, ticket, proxy(onPage));
    return isStopped ? null : pdf;
  };
  return {
    answer: work(),
    stop: () => {
      isStopped = true;
      void printWorker().stop(ticket);
    },
  };
}
