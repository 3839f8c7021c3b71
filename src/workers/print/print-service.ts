/* eslint max-params: ["error", 4] -- what is asked of a worker crosses as a list of values; a function that is called back has to be one of its own */
import { err, ok } from '@/core/base';
import { USUAL_LANGUAGE } from '@/core/explain';
import { pagesOf, pdfOf, type EngravedMusic } from '@/print/press';
import { readTypeface, type Typeface } from '@/print/typeface';
import { guarded, type Asked } from '@/crossing/guarded';
import { PRINT_CHECKS, type PrintService } from './print-questions';
import type { EngravedPair } from '@/contract/engraving-questions';
import { createTickets } from '@/crossing/tickets';
import { answer } from '@/crossing/trouble';

/** Printing behind the worker's door. `load` gives the bytes of a font by the name of its file. */
export function createPrintService(load: (name: string) => Promise<Uint8Array>): Asked<PrintService> {
  const tickets = createTickets();
  let typeface: Promise<Typeface> | null = null;
  const fonts = (): Promise<Typeface> => {
    typeface ??= readTypeface(load);
    // Fonts that could not be fetched are asked for again with the next sheet.
    typeface.catch(() => (typeface = null));
    return typeface;
  };
  const service: PrintService = {
    layOut: async (sheet, paper, music) => ok(pagesOf(await fonts(), sheet, paper, musicOf(music))),
    pdf: async ({ sheets, paper, title }, music, ticket, onPage) => {
      const facts = { paper, music: musicOf(music), title };
      const work = tickets.begin(ticket);
      try {
        const pdf = await pdfOf(await fonts(), sheets, facts, async (done, of) => {
          onPage(done, of);
          // What comes in meanwhile, a stop among it, is heard between two pages.
          await new Promise((go) => setTimeout(go, 0));
          return work.isStopped() ? 'stop' : 'go-on';
        });
        return pdf === null ? answer(USUAL_LANGUAGE, err({ code: 'job.stopped' })) : ok(pdf);
      } finally {
        work.end();
      }
    },
    stop: (ticket) => {
      tickets.stop(ticket);
      return ok(null);
    },
  };
  return guarded(service, PRINT_CHECKS);
}

function musicOf(pairs: readonly EngravedPair[]): EngravedMusic {
  return new Map(pairs.map(({ musicXml, systems }) => [musicXml, systems]));
}
