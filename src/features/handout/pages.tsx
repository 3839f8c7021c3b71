import type { HandoutPart } from '@/core/paper';
import type { PrintedPage } from '@/print/page';
import { PagePicture } from '@/features/shared/printing/page-picture';
import type { Answered } from '@/features/shared/parts/use-answer';
import { CarriedParts, PartOnPage, regionsOf } from './carried-parts';
import { useWords } from '@/features/shared/words/use-words';

interface PagesProps {
  /** The parts of a handout in their order, and what is told of another; null for sheets without parts. */
  readonly parts: {
    readonly order: readonly HandoutPart[];
    readonly onOrder: (order: readonly HandoutPart[]) => void;
  } | null;
  readonly pages: Answered<readonly PrintedPage[]>;
  readonly label: string;
}

/** The pages, at the proportions of the paper; printed, each fills its sheet. */
export function Pages({ pages: { value, trouble }, label, parts }: PagesProps) {
  const w = useWords();
  return (
    <section
      aria-label={w.handout.preview}
      className="min-h-0 overflow-y-auto bg-base-300 p-4 print:overflow-visible print:bg-white print:p-0"
      data-role="sheet-pages"
      data-count={value?.length ?? 0}
      // A region that is scrolled has to be reached by keyboard.
      tabIndex={0}
    >
      {trouble ? (
        <p className="p-4 text-error" role="alert">
          {trouble.message} {trouble.hint}
        </p>
      ) : null}
      {value === null && !trouble ? <div className="skeleton mx-auto h-96 max-w-2xl" aria-hidden /> : null}
      <CarriedParts order={parts?.order ?? NONE} onOrder={parts?.onOrder ?? nothing}>
        <ol className="mx-auto flex max-w-[52rem] flex-col gap-4 print:max-w-none print:gap-0">
          {(value ?? []).map((page, i) => (
            <li key={i} className="relative break-after-page shadow-md last:break-after-auto print:shadow-none">
              <PagePicture page={page} label={`${label}: ${w.handout.pageOf(i + 1, value?.length ?? 1)}`} />
              {parts
                ? regionsOf(page).map((region) => (
                    <PartOnPage key={region.part} region={region} page={page} number={i + 1} />
                  ))
                : null}
            </li>
          ))}
        </ol>
      </CarriedParts>
    </section>
  );
}

const NONE: readonly HandoutPart[] = [];

function nothing(): void {
  // Without parts nothing is carried.
}
