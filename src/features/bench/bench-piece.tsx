'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { BenchView, HandNoteView, Moment, PageView } from '@/core/job';
import { noteKey, studioDatabase, type PieceRecord, type Settings } from '@/data';
import { EngravedPage } from '@/features/shared/engraved-page';
import { ScreenKeys } from '@/features/shared/key-help';
import { useMessages } from '@/features/shared/messages';
import { saveFile } from '@/features/shared/save-file';
import { coreWorker } from '@/workers/client';
import { ID_PREFIXES } from '@/workers/protocol';
import { BenchTools, SaveButtons } from './bench-tools';
import { HandNotes } from './hand-notes';
import { KeyboardDock } from './keyboard-dock';
import { keyName, KeyStrip } from './key-strip';
import { OwnKey } from './own-key';
import { useBench } from './use-bench';
import { addressNow, useBenchAddress } from './use-bench-address';
import { useWidth } from './use-width';

/** Size of the engraving, in per cent of print. */
const ZOOM = 38;

/** How wide a note column is at that size, bar lines and signs included. Our own measure on the demo pieces. */
const COLUMN_PX = 31;

/** Room that clefs, names and signatures take at the front of a system. */
const FRONT_PX = 136;

export function BenchPiece({ piece, settings }: { readonly piece: PieceRecord; readonly settings: Settings }) {
  const { address, go, note } = useBenchAddress();
  const { say } = useMessages();
  const [pageView, setPageView] = useState<PageView>('both');
  const [chosen, setChosen] = useState<number | null>(null);
  const paper = useRef<HTMLDivElement>(null);
  const width = useWidth(paper);
  const columns = width === null ? null : Math.max(6, Math.floor((width - FRONT_PX) / COLUMN_PX));
  const { source, wish, view: answered, ladder } = useBench(piece, settings, address, pageView, columns);
  const view = answered.value;

  useEffect(() => {
    if (address.key !== null && address.key !== piece.lastKey && answered.trouble === null) void noteKey(studioDatabase(), piece.id, address.key);
  }, [address.key, answered.trouble, piece.id, piece.lastKey]);

  const flag = chosen === null ? null : (view?.handNotes[chosen] ?? null);
  const at = view ? momentIndex(view.momentsAfter, address.at) : null;
  const choose = (index: number | null): void => {
    setChosen(index);
    const chosenNote = index === null ? null : view?.handNotes[index];
    if (view && chosenNote) selectNote(view, chosenNote.noteIds[0] ?? '', note);
  };
  const goToKey = (key: string): void => {
    setChosen(null);
    go({ key });
  };
  const step = (by: number): void => {
    const keys = ladder.value?.keys.map(keyName) ?? [];
    const current = keys.indexOf(addressNow().key ?? view?.toText ?? '');
    const next = keys[(current + by + keys.length) % keys.length];
    if (next) goToKey(next);
  };
  const walk = (by: number): void => {
    if (!view || view.momentsAfter.length === 0) return;
    const from = momentIndex(view.momentsAfter, addressNow().at) ?? -1;
    const next = Math.min(view.momentsAfter.length - 1, Math.max(0, from + by));
    note({ at: placeOf(view.momentsAfter[next]) });
  };
  const save = async (format: 'musicxml' | 'midi'): Promise<void> => {
    if (!source || !wish) return;
    const saved = await coreWorker().save(source, wish, format);
    if (!saved.ok) return say({ kind: 'trouble', text: saved.trouble.message, hint: saved.trouble.hint });
    saveFile(saved.value.name, saved.value.mediaType, saved.value.content);
    say({ kind: 'done', text: `Saved as ${saved.value.name}.` });
  };

  return (
    <div className="flex flex-col">
      <ScreenKeys
        keys={[
          { key: '[', does: 'the key before this one in the strip', act: () => step(-1) },
          { key: ']', does: 'the next key in the strip', act: () => step(1) },
          { key: 'ArrowLeft', does: 'the moment before', act: () => walk(-1) },
          { key: 'ArrowRight', does: 'the next moment', act: () => walk(1) },
          { key: 'v', does: 'both versions, or the new one alone', act: () => setPageView(pageView === 'both' ? 'after' : 'both') },
          { key: 's', does: 'save as MusicXML', act: () => void save('musicxml') },
          { key: 'Escape', does: 'choose no hand note', act: () => choose(null) },
        ]}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 pt-3">
        <div className="min-w-0">
          <h1 className="truncate text-xl font-semibold">{view ? view.title || piece.fileName : 'Reading the piece …'}</h1>
          {view ? <p className="text-sm text-secondary" data-role="from-to">{view.from === view.to ? `in ${view.from}, as written` : `from ${view.from} to ${view.to}`}</p> : null}
        </div>
        {ladder.value ? <OwnKey piece={piece} current={keyName(ladder.value.from)} fifths={ladder.value.from.fifths} onChanged={() => go({ key: null })} /> : null}
        <div className="ml-auto flex flex-wrap items-center gap-3">
          <BenchTools address={address} hands={ladder.value?.piece.hands ?? []} onChange={go} />
          <SaveButtons onSave={(format) => void save(format)} />
        </div>
      </div>
      {answered.trouble ? (
        <div role="alert" className="mx-4 mt-3 rounded-box border-2 border-error bg-base-100 p-3">
          <p className="font-semibold">{answered.trouble.message}</p>
          <p>{answered.trouble.hint}</p>
        </div>
      ) : null}
      {ladder.value && view ? <KeyStrip ladder={ladder.value} chosen={view.toText} onChoose={goToKey} /> : <div className="mx-4 my-2 h-20 skeleton" aria-hidden />}
      <div className="grid gap-4 px-4 pb-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0 rounded-box border border-base-300 bg-base-100">
          <div className="flex items-center gap-2 border-b border-base-300 px-3 py-1 text-sm">
            <div role="group" aria-label="What is shown" className="join">
              <ViewButton isOn={pageView === 'both'} onPress={() => setPageView('both')}>
                Before and after
              </ViewButton>
              <ViewButton isOn={pageView === 'after'} onPress={() => setPageView('after')}>
                After alone
              </ViewButton>
            </div>
            <span className="text-secondary">Press a note, or use ← and →, to see the fingers on the keyboard.</span>
          </div>
          <div ref={paper} className="px-2" data-role="paper" data-key={view?.toText}>
            {view && width !== null ? <Paper view={view} width={width} flag={flag} at={at} onNote={(id) => selectNote(view, id, note)} /> : null}
          </div>
        </div>
        <aside>{view ? <HandNotes view={view} chosen={chosen} onChoose={choose} /> : null}</aside>
      </div>
      {view ? <KeyboardDock view={view} at={at} onWalk={walk} /> : null}
    </div>
  );
}

function ViewButton({ isOn, onPress, children }: { readonly isOn: boolean; readonly onPress: () => void; readonly children: string }) {
  return (
    <button type="button" aria-pressed={isOn} className={`btn btn-sm join-item h-8 font-normal ${isOn ? 'btn-neutral' : ''}`} onClick={onPress}>
      {children}
    </button>
  );
}

interface PaperProps {
  readonly view: BenchView;
  readonly width: number;
  readonly flag: HandNoteView | null;
  readonly at: number | null;
  readonly onNote: (id: string) => void;
}

function Paper({ view, width, flag, at, onNote }: PaperProps) {
  const layout = useMemo(() => ({ widthPx: width, zoom: ZOOM, breaks: 'encoded' as const }), [width]);
  const pointed = useMemo(() => bothIds(flag?.noteIds ?? []), [flag]);
  const now = useMemo(() => bothIds(at === null ? [] : (view.momentsAfter[at]?.keys.map(({ noteId }) => noteId) ?? [])), [view, at]);
  return (
    <EngravedPage
      page={view.page}
      layout={layout}
      label={`${view.title}, ${view.from} above ${view.to}, ${view.bars} bars`}
      pointed={pointed}
      now={now}
      onNote={(id) => onNote(id.replace(ID_PREFIXES.before, '').replace(ID_PREFIXES.after, ''))}
    />
  );
}

function bothIds(ids: readonly string[]): readonly string[] {
  return ids.flatMap((id) => [ID_PREFIXES.before + id, ID_PREFIXES.after + id]);
}

/** The place of a moment as the address has it. */
function placeOf(moment: Moment | undefined): string | null {
  return moment ? `${moment.bar}:${moment.beat}` : null;
}

function momentIndex(moments: readonly Moment[], at: string | null): number | null {
  const index = moments.findIndex((moment) => placeOf(moment) === at);
  return index < 0 ? null : index;
}

/** Selects the moment at which a note is struck. */
function selectNote(view: BenchView, id: string, note: (change: { readonly at: string | null }) => void): void {
  const struck = view.momentsAfter.find(({ keys }) => keys.some((key) => key.noteId === id && key.isStruck));
  const place = placeOf(struck);
  if (place !== null) note({ at: place });
}
