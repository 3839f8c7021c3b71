'use client';

import Link from 'next/link';
import { ChevronDown, FileDown, Printer } from 'lucide-react';
import { useMemo } from 'react';
import { parseKey } from '@/core/pitch';
import type { PieceRecord } from '@/data';
import { ActionList } from '@/features/shared/parts/action-list';
import { addressOf } from '@/features/shared/address/address-of';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import { FoldOut } from '@/features/shared/parts/fold-out';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { PrintingStatus } from '@/features/shared/printing/print-progress';
import { PupilSelect } from '@/features/shared/pupils/pupil-select';
import { stagesKeptOf } from '@/features/shared/pieces/stage-source';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import { turnTo, type HandoutAddress } from './handout-address';
import type { Printing } from './use-printing';
import { keysOfMode, modeOfKey, type SheetSource } from './use-sheets';

interface HandoutHeadProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly address: HandoutAddress;
  readonly source: SheetSource;
  readonly printing: Printing;
}

/** Which piece, in which key and stage, for whom; and what is made of it. */
export function HandoutHead({ piece, whom, address, source, printing }: HandoutHeadProps) {
  const w = useWords();
  const { settings, pupils, pupil } = whom;
  const title = pieceTitle(piece);
  return (
    <div className="flex flex-wrap items-center gap-2 px-4 py-1.5 max-sm:px-2 print:hidden" data-role="head">
      <h1 className="min-w-0 truncate text-lg font-semibold">
        <Link
          className="link-hover inline-flex min-h-8 items-center pointer-coarse:min-h-11"
          href={addressOf('/bench', { piece: piece.id, key: address.key, stage: address.stage })}
        >
          {title}
        </Link>
      </h1>
      <KeyChoice shown={address.key} />
      <StageChoice piece={piece} whom={whom} source={source} shown={address.stage} />
      <PupilSelect pupils={pupils} chosen={pupil} settings={settings} onChoose={choosePupil} room="tight" />
      <div className="ml-auto flex flex-wrap items-center gap-2">
        {printing.progress ? <PrintingStatus progress={printing.progress} onStop={printing.stop} /> : null}
        <button type="button" className="btn btn-sm h-9 pointer-coarse:h-11" data-role="print" onClick={printing.print}>
          <Printer size={16} aria-hidden /> {w.handout.printNow}
        </button>
        <button
          type="button"
          className="btn btn-primary btn-sm h-9 pointer-coarse:h-11"
          data-role="save-pdf"
          disabled={printing.progress !== null}
          onClick={printing.savePdf}
        >
          <FileDown size={16} aria-hidden /> {w.handout.savePdf}
        </button>
        <FoldOut
          summary={
            <>
              {w.handout.more} <ChevronDown size={16} aria-hidden />
            </>
          }
          className="btn btn-sm h-9 pointer-coarse:h-11"
          role="other-files"
          width="w-56"
        >
          <ActionList
            actions={[
              ['zip', w.handout.saveZip, printing.saveZip],
              ['svg', w.handout.musicAsSvg, printing.saveSvg],
              ['png', w.handout.musicAsPng, printing.savePng],
            ]}
          />
        </FoldOut>
      </div>
    </div>
  );
}

function KeyChoice({ shown }: { readonly shown: string | null }) {
  const w = useWords();
  const keys = keysOfMode(modeOfKey(shown));
  const words = (name: string): string => {
    const key = parseKey(name, 'major');
    return key ? w.says.key(key) : name;
  };
  return (
    <label className="flex items-center gap-1.5 text-sm">
      {w.handout.key}
      <select
        className="select select-sm h-9 w-32 pointer-coarse:h-11"
        data-role="key"
        value={shown ?? ''}
        onChange={(event) => turnTo({ key: event.target.value })}
      >
        {shown === null ? <option value="" /> : null}
        {keys.map((name) => (
          <option key={name} value={name}>
            {words(name)}
          </option>
        ))}
      </select>
    </label>
  );
}

interface StageChoiceProps {
  readonly piece: PieceRecord;
  readonly whom: ForWhom;
  readonly source: SheetSource;
  readonly shown: string | null;
}

function StageChoice({ piece, whom, source, shown }: StageChoiceProps) {
  const w = useWords();
  const { asked } = source;
  const ask = useMemo(
    () => () => coreWorker().stages(asked.source, asked.options, stagesKeptOf(piece, whom.pupil, whom.settings)),
    [asked, piece, whom.pupil, whom.settings],
  );
  const stages = useAnswer(piece.id, ask).value?.stages ?? [];
  return (
    <label className="flex items-center gap-1.5 text-sm">
      {w.handout.stage}
      <select
        className="select select-sm h-9 w-40 pointer-coarse:h-11"
        data-role="stage"
        value={shown ?? ''}
        onChange={(event) => turnTo({ stage: event.target.value || null })}
      >
        <option value="">{w.handout.wholePiece}</option>
        {stages
          .filter(({ id }) => id !== 'whole')
          .map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
      </select>
    </label>
  );
}
