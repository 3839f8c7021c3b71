'use client';

import { useRef, useState } from 'react';
import { Download, Upload } from 'lucide-react';
import { change, compareWithStudio, readStudioFile, usePieces } from '@/data';
import { loadDemoStudio } from '@/features/shared/demo/demo-studio';
import { useTakeFiles } from '@/features/shared/files/use-take-files';
import { useMessages } from '@/features/shared/shell/messages';
import { useSaveStudio } from '@/features/shared/files/save-studio';
import { Busy, shownFirst } from './busy';
import { FilePreview, type Looked } from './file-preview';
import { KeptFileBox } from './kept-file-box';
import { RoomBox } from './room-box';
import { useWords } from '@/features/shared/words/use-words';

/** The whole studio in one file: saved, looked at, taken in; and what the browser promises of it. */
export function StudioBox() {
  const w = useWords();
  const { say } = useMessages();
  const saveIt = useSaveStudio();
  const takeFiles = useTakeFiles();
  const chooser = useRef<HTMLInputElement>(null);
  const pieces = usePieces() ?? [];
  const hasDemo = pieces.some(({ origin }) => origin === 'demo');
  const [looked, setLooked] = useState<Looked | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    await shownFirst(() => setBusy(w.settings.savingStudio));
    await saveIt().finally(() => setBusy(null));
  };
  const look = async (file: File): Promise<void> => {
    await shownFirst(() => setBusy(w.settings.readingFile(file.name)));
    await lookInto(file).finally(() => setBusy(null));
  };
  const lookInto = async (file: File): Promise<void> => {
    const read = readStudioFile(w.store, await file.text());
    if (read.ok) await shownFirst(() => setBusy(w.settings.comparingFile));
    if (!read.ok)
      return say({
        kind: 'trouble',
        text: `${file.name}: ${read.error.message}`,
        hint: w.settings.nothingWasChanged(read.error.hint),
      });
    if (read.value.kind !== 'studio') return takeFiles([file]);
    setLooked({ name: file.name, file: read.value, compared: await compareWithStudio(read.value.contents) });
  };
  return (
    <section aria-labelledby="studio">
      <h2 id="studio" className="scroll-mt-20 mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
        {w.settings.studioInOneFile}
      </h2>
      <p className="mb-2 text-sm text-secondary">{w.settings.allPiecesPupilsAndSettings}</p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm h-9" data-role="save-studio" onClick={() => void save()}>
          <Download size={16} aria-hidden /> {w.shared.saveStudio}
        </button>
        <button type="button" className="btn btn-sm h-9" onClick={() => chooser.current?.click()}>
          <Upload size={16} aria-hidden /> {w.settings.lookIntoFile}
        </button>
        <input
          ref={chooser}
          type="file"
          hidden
          accept=".json"
          aria-label={w.settings.studioFile}
          data-role="studio-file"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void look(file);
          }}
        />
        {hasDemo ? (
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9"
            onClick={() => void change({ kind: 'demo.put-away' }, w.shared.demoStudioPutAway)}
          >
            {w.settings.putDemoStudioAway}
          </button>
        ) : (
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9"
            onClick={() =>
              void loadDemoStudio().then((demo) =>
                change({ kind: 'demo.bring', ...demo }, w.shared.demoStudioBroughtBack),
              )
            }
          >
            {w.shared.bringDemoStudioBack}
          </button>
        )}
      </div>
      <Busy words={busy} />
      {looked ? (
        <FilePreview
          looked={looked}
          hasOwn={pieces.some(({ origin }) => origin === 'own')}
          onClose={() => setLooked(null)}
        />
      ) : null}
      <KeptFileBox />
      <RoomBox />
    </section>
  );
}
