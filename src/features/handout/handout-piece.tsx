'use client';

import { useMemo } from 'react';
import { parseKey } from '@/core/pitch';
import type { HandoutPart } from '@/core/paper';
import { change, type PieceRecord, type SheetChoice } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { usePieceOptions } from '@/features/shared/pieces/piece-options';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { SHEET_FONTS } from '@/features/shared/printing/page-picture';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { HandoutAddress } from './handout-address';
import { HandoutHead } from './handout-head';
import { Pages } from './pages';
import { SheetPanel } from './sheet-panel';
import { usePrinting } from './use-printing';
import { usePages, useSheetSource } from './use-sheets';

interface HandoutPieceProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly address: HandoutAddress;
}

/** The choices beside the page, and the page. What is chosen shows at once; what is on the page follows the piece. */
export function HandoutPiece({ piece, whom, address }: HandoutPieceProps) {
  const w = useWords();
  const ownKey = useOwnKey(piece, whom);
  const key = address.key ?? piece.lastKey ?? ownKey;
  const sheet: SheetChoice = useMemo(
    () => ({ ...whom.desk.sheet, kind: address.sheet ?? whom.desk.sheet.kind }),
    [whom.desk.sheet, address.sheet],
  );
  const shown = { ...address, key };
  const source = useSheetSource(piece, whom, { address: shown, sheet });
  const keys = useMemo(() => [...new Set([...(key === null ? [] : [key]), ...address.keys])], [key, address.keys]);
  const pages = usePages(source, key, keys);
  const title = pieceTitle(piece);
  const printing = usePrinting({ title, sheet, source, keys, pages: pages.value ?? [] });
  const name = key === null ? null : parseKey(key, 'major');
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-role="handout" data-sheet={sheet.kind} data-key={key}>
      <style>{SHEET_FONTS + paperRule(sheet)}</style>
      <ScreenKeys
        keys={[
          { key: 's', does: w.handout.savePdf, act: printing.savePdf },
          { key: 'p', does: w.handout.printNow, act: printing.print },
        ]}
      />
      <HandoutHead piece={piece} whom={whom} address={shown} source={source} printing={printing} />
      <div className="grid min-h-0 flex-1 md:grid-cols-[17rem_minmax(0,1fr)] lg:grid-cols-[20rem_minmax(0,1fr)] print:block">
        <SheetPanel sheet={sheet} address={shown} settings={whom.settings} mode={name?.mode ?? 'major'} />
        <Pages
          pages={pages}
          label={`${title}, ${w.handout.kinds[sheet.kind]}`}
          parts={sheet.kind === 'handout' ? { order: sheet.order, onOrder: (order) => keepOrder(sheet, order) } : null}
        />
      </div>
    </div>
  );
}

function keepOrder(sheet: SheetChoice, order: readonly HandoutPart[]): void {
  void change({ kind: 'note.desk', change: { sheet: { ...sheet, order: [...order] } } });
}

/** The key in which the piece stands; null until it is known. */
function useOwnKey(piece: PieceRecord, { settings, pupil }: ForWhom): string | null {
  const { source, options } = usePieceOptions(piece, settings, pupil);
  const ask = useMemo(() => () => coreWorker().steps(source, options, NO_STEPS), [source, options]);
  return useAnswer(piece.id, ask).value?.keyText ?? null;
}

const NO_STEPS = { kept: null, ownStages: [] };

/** What the browser calls a paper. */
const PAPER_NAMES: Readonly<Record<SheetChoice['paper'], string>> = { a4: 'A4', letter: 'letter' };

/** Each page of the screen is a page of paper when the browser prints. */
function paperRule({ paper, turn }: SheetChoice): string {
  return `@page { size: ${PAPER_NAMES[paper]} ${turn === 'upright' ? 'portrait' : 'landscape'}; margin: 0; }`;
}
