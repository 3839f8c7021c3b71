'use client';

import { zipSync } from 'fflate';
import { ChevronDown, FileDown } from 'lucide-react';
import { useDesk } from '@/data';
import { ActionList } from '@/features/shared/parts/action-list';
import { FoldOut } from '@/features/shared/parts/fold-out';
import { useMessages } from '@/features/shared/shell/messages';
import { PrintingStatus } from '@/features/shared/printing/print-progress';
import { paperOf } from '@/features/shared/printing/request-of';
import { usePdf } from '@/features/shared/printing/use-pdf';
import { saveFile } from '@/features/shared/files/save-file';
import { fileWord } from '@/features/shared/teaching/file-word';
import { useWords } from '@/features/shared/words/use-words';
import { USUAL_PAPER } from '@/core/paper';
import { classSheets, type ClassWeek, type PupilSheets } from './class-sheets';

/** The sheets of a week: of all its pupils as one PDF, or as a zip with a PDF for each. */
export function ClassSheetsMenu({ week }: { readonly week: Omit<ClassWeek, 'desk'> }) {
  const w = useWords();
  const desk = useDesk();
  const { say } = useMessages();
  const { progress, stop, pdfOf } = usePdf(w.week.weekOfAll, desk ? paperOf(desk.sheet) : USUAL_PAPER);
  const keep = (name: string, mediaType: string, content: Uint8Array): void => {
    saveFile(name, mediaType, content);
    say({ kind: 'done', text: w.handout.saved(name) });
  };
  const inSheets = async (work: (all: readonly PupilSheets[]) => Promise<void>): Promise<void> => {
    if (!desk) return;
    const all = await classSheets(w, { ...week, desk });
    if (!all.ok) return say({ kind: 'trouble', text: all.trouble.message, hint: all.trouble.hint });
    if (all.value.length === 0) return say({ kind: 'done', text: w.handout.noCards });
    await work(all.value);
  };
  const savePdf = (): Promise<void> =>
    inSheets(async (all) => {
      const pdf = await pdfOf(all.flatMap(({ sheets }) => sheets));
      if (pdf) keep(`week-${week.shown}.pdf`, 'application/pdf', pdf);
    });
  const saveZip = (): Promise<void> =>
    inSheets(async (all) => {
      const files: Record<string, Uint8Array> = {};
      for (const [i, { pupil, sheets }] of all.entries()) {
        const pdf = await pdfOf(sheets);
        if (!pdf) return;
        const name = `${fileWord(pupil.name)}.pdf`;
        // Two pupils may have one name.
        files[name in files ? `${i + 1}-${name}` : name] = pdf;
      }
      keep(`week-${week.shown}.zip`, 'application/zip', zipSync(files));
    });
  const choices = [
    ['pdf', w.handout.weekPdf, () => void savePdf()],
    ['zip', w.handout.weekZip, () => void saveZip()],
  ] as const;
  if (progress) return <PrintingStatus progress={progress} onStop={stop} />;
  return (
    <FoldOut
      summary={
        <>
          <FileDown size={16} aria-hidden /> {w.handout.weekSheets} <ChevronDown size={16} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 font-normal pointer-coarse:h-11"
      role="class-sheets"
      side="left"
      width="w-56"
    >
      <ActionList actions={choices} />
    </FoldOut>
  );
}
