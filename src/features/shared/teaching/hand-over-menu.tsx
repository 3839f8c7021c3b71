'use client';

import { BASE_PATH } from '@/features/shared/address/own-address';
import { useState } from 'react';
import { ChevronDown, FileDown, Link2, QrCode, Reply, Send } from 'lucide-react';
import type { Week } from '@/core/calendar';
import { handOverText, type PupilRecord } from '@/data';
import { FoldOut } from '@/features/shared/parts/fold-out';
import { useMessages } from '@/features/shared/shell/messages';
import { saveFile } from '@/features/shared/files/save-file';
import { useWords } from '@/features/shared/words/use-words';
import { fileWord } from './file-word';
import { linkOf, qrOf, type QrPicture } from './hand-over-link';

interface HandOverMenuProps {
  readonly pupil: PupilRecord;
  /** The week that is handed over; null for everything that is planned. */
  readonly week: Week | null;
}

/** What a pupil takes home, as a file, a link or a QR code; and on the pupil’s machine, what was practised, back to the teacher. */
export function HandOverMenu({ pupil, week }: HandOverMenuProps) {
  const w = useWords();
  const { say } = useMessages();
  const [qr, setQr] = useState<QrPicture | null>(null);
  const asFile = async (practice: 'with' | 'without'): Promise<void> => {
    const name = `${fileWord(pupil.name)}.newthumb-${practice === 'with' ? 'practice' : 'handover'}.json`;
    saveFile(name, 'application/json', await handOverText({ pupil: pupil.id, week, practice }));
    say({ kind: 'done', text: practice === 'with' ? w.week.broughtBack(name) : w.survey.handedOver(name) });
  };
  const asked = { pupil: pupil.id, week, practice: 'without' } as const;
  const tooLong = (): void => say({ kind: 'trouble', text: w.week.tooLongForLink, hint: w.week.takeFile });
  const asLink = async (): Promise<void> => {
    const link = linkOf(await handOverText(asked), location.origin + BASE_PATH);
    if (!link) return tooLong();
    await navigator.clipboard.writeText(link);
    say({ kind: 'done', text: w.week.linkCopied });
  };
  const asQr = async (): Promise<void> => {
    const link = linkOf(await handOverText(asked), location.origin + BASE_PATH);
    const picture = link ? qrOf(link) : null;
    if (!picture) return tooLong();
    setQr(picture);
  };
  const entry = 'btn btn-ghost h-11 justify-start font-normal';
  return (
    <FoldOut
      summary={
        <>
          <Send size={16} aria-hidden /> {w.survey.handOver} <ChevronDown size={14} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
      role="hand-over-menu"
      title={w.survey.handOverTitle(pupil.name)}
      side="right"
      width="w-80"
    >
      <div className="flex flex-col p-2">
        <button type="button" className={entry} data-role="hand-over" onClick={() => void asFile('without')}>
          <FileDown size={16} aria-hidden /> {week === null ? w.week.planAsFile : w.week.weekAsFile}
        </button>
        <button type="button" className={entry} data-role="hand-over-link" onClick={() => void asLink()}>
          <Link2 size={16} aria-hidden /> {w.week.asLink}
        </button>
        <button type="button" className={entry} data-role="hand-over-qr" onClick={() => void asQr()}>
          <QrCode size={16} aria-hidden /> {w.week.asQr}
        </button>
        <button type="button" className={entry} data-role="bring-back" onClick={() => void asFile('with')}>
          <Reply size={16} aria-hidden /> {w.week.practiceAsFile}
        </button>
        {qr ? <QrCodePicture qr={qr} label={w.week.qrOf(pupil.name)} /> : null}
      </div>
    </FoldOut>
  );
}

/** Black on white, whatever the look: a camera reads it. */
function QrCodePicture({ qr: { size, path }, label }: { readonly qr: QrPicture; readonly label: string }) {
  return (
    <svg
      viewBox={`-4 -4 ${size + 8} ${size + 8}`}
      role="img"
      aria-label={label}
      data-role="qr"
      shapeRendering="crispEdges"
      className="mt-2 w-full bg-white"
    >
      <path d={path} fill="black" />
    </svg>
  );
}
