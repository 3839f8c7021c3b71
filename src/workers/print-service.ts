/* eslint max-params: ["error", 4] -- what is asked of a worker crosses as a list of values; a function that is called back has to be one of its own */
import { err, ok } from '@/core/base';
import { USUAL_LANGUAGE } from '@/core/explain';
import { pagesOf, pdfOf, type EngravedMusic } from '@/print/press';
import { readTypeface, type Typeface } from '@/print/typeface';
import { string } from 'yup';
import { guarded, type Asked } from './guarded';
import type { EngravedPair, PrintService } from './print-protocol';
import { ticketSchema } from './protocol-schemas';
import { engravedPairsSchema, paperSchema, sheetsSchema } from './sheet-schemas';
import { createTickets } from './tickets';
import { answer } from './trouble';

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
  return guarded<PrintService>({
    layOut: async (sheet, paper, music) => {
      const [checked] = sheetsSchema.validateSync([sheet]);
      const wanted = paperSchema.validateSync(paper, { strict: true });
      return ok(checked ? pagesOf(await fonts(), sheet, wanted, musicOf(music)) : []);
    },
    pdf: async ({ sheets, paper, title }, music, ticket, onPage) => {
      sheetsSchema.validateSync(sheets);
      const wanted = paperSchema.validateSync(paper, { strict: true });
      const facts = { paper: wanted, music: musicOf(music), title: string().defined().validateSync(title) };
      const work = tickets.begin(ticketSchema.validateSync(ticket, { strict: true }));
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
      tickets.stop(ticketSchema.validateSync(ticket, { strict: true }) ?? '');
      return ok(null);
    },
  });
}

function musicOf(pairs: readonly EngravedPair[]): EngravedMusic {
  engravedPairsSchema.validateSync(pairs);
  return new Map(pairs.map(({ musicXml, systems }) => [musicXml, systems]));
}
