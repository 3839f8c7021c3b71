import { array, object, string } from 'yup';
import { CALLED_BACK, type Checks } from '@/contract/checks';
import { ticketSchema } from '@/contract/core-schemas';
import { engravedPairsSchema, paperSchema, sheetSchema } from '@/contract/sheet-schemas';
import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import type { PrintedPage } from '@/print/page';
import type { Answer } from '@/contract/answer';
import type { EngravedPair } from '@/contract/engraving-questions';

/** What the printing worker does: sheets in, pages or a PDF out. The music of the sheets comes engraved. */
export interface PrintService {
  /** The pages of a sheet, as they are shown and printed by the browser. */
  layOut(
    sheet: Sheet,
    paper: PaperChoice,
    music: readonly EngravedPair[],
  ): Answer<readonly PrintedPage[]> | Promise<Answer<readonly PrintedPage[]>>;
  /** Sheets as one PDF; `onPage` is told how many pages are drawn. It ends early where `stop` has been called with its ticket: refused as `job.stopped`. */
  pdf(
    asked: PdfAsked,
    music: readonly EngravedPair[],
    ticket: string,
    onPage: (done: number, of: number) => void,
  ): Promise<Answer<Uint8Array>>;
  stop(ticket: string): Answer<null>;
}

export interface PdfAsked {
  readonly sheets: readonly Sheet[];
  readonly paper: PaperChoice;
  readonly title: string;
}

const asked = object({ sheets: array(sheetSchema).required(), paper: paperSchema, title: string().defined() });

/** What may be said in each question about printing. */
export const PRINT_CHECKS: Checks<PrintService> = {
  layOut: [sheetSchema, paperSchema, engravedPairsSchema],
  pdf: [asked, engravedPairsSchema, ticketSchema, CALLED_BACK],
  stop: [ticketSchema],
};
