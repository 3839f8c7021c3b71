import type { PaperChoice } from '@/core/paper';
import type { Sheet } from '@/core/sheets';
import type { PrintedPage } from '@/print/page';
import type { Answer, EngravedSystem } from './protocol';

/** Music with what the engraver made of it. */
export interface EngravedPair {
  readonly musicXml: string;
  readonly systems: readonly EngravedSystem[];
}

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
