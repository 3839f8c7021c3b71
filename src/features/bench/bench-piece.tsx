'use client';

import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BenchView, HandNoteView, PageView } from '@/core/job';
import { parseKey } from '@/core/pitch';
import { choosePart, noteKey, respellNote, studioDatabase, type PieceRecord, type Settings } from '@/data';
import { EngravedPage } from '@/features/shared/engraved-page';
import { ScreenKeys } from '@/features/shared/key-help';
import { ID_PREFIXES, type EngraveLayout } from '@/workers/protocol';
import { BenchTools, SaveButtons } from './bench-tools';
import { GridChoice } from './grid-choice';
import { HandNotes } from './hand-notes';
import { KeyboardDock } from './keyboard-dock';
import { keyName, KeyStrip } from './key-strip';
import { KeysOnTheWay } from './keys-on-the-way';
import { OwnKey } from './own-key';
import { useBench, type BenchPage } from './use-bench';
import { go, useBenchAddress } from './use-bench-address';
import { momentIndex, useBenchDeeds } from './use-bench-deeds';
import { useKeysAhead } from './use-keys-ahead';
import { useWidth } from './use-width';

/** The hand note that is unfolded, and the key it is about. */
interface ChosenNote {
  readonly key: string;
  readonly index: number;
}

/** Size of the engraving, in per cent of print. */
const ZOOM = 38;

/** How wide a note column is at that size, bar lines and signs included. Our own measure on the demo pieces. */
const COLUMN_PX = 31;

/** Room that clefs, names and signatures take at the front of a system. */
const FRONT_PX = 136;

export function BenchPiece({ piece, settings }: { readonly piece: PieceRecord; readonly settings: Settings }) {
  const address = useBenchAddress();
  const [pageView, setPageView] = useState<PageView>('both');
  const [chosen, setChosen] = useState<ChosenNote | null>(null);
  const paper = useRef<HTMLDivElement>(null);
  const width = useWidth(paper);
  const page = useMemo(() => (width === null ? null : pageOf(pageView, width)), [pageView, width]);
  const answers = useBench(piece, settings, address, page);
  const { view: answered, ladder } = answers;
  const view = answered.value;
  const keys = useMemo(() => ladder.value?.keys.map(keyName) ?? [], [ladder.value]);
  const { goToKey, stepKey, walk, selectNote, save } = useBenchDeeds(answers, keys);
  useKeysAhead(keys, view?.toText ?? null, answers.prepare);

  useEffect(() => {
    if (address.key !== null && address.key !== piece.lastKey && answered.trouble === null) void noteKey(studioDatabase(), piece.id, address.key);
  }, [address.key, answered.trouble, piece.id, piece.lastKey]);

  const ownKey = ladder.value ? parseKey(keyName(ladder.value.from), 'major') : undefined;
  const shownKey = view ? parseKey(view.toText, 'major') : undefined;
  // A hand note belongs to the key in which it was chosen.
  const chosenIndex = chosen !== null && chosen.key === view?.toText ? chosen.index : null;
  const flag = chosenIndex === null ? null : (view?.handNotes[chosenIndex] ?? null);
  const at = view ? momentIndex(view.momentsAfter, address.at) : null;
  const choose = useCallback(
    (index: number | null): void => {
      setChosen(index === null || !view ? null : { key: view.toText, index });
      const first = index === null ? undefined : view?.handNotes[index]?.noteIds[0];
      if (first !== undefined) selectNote(first);
    },
    [view, selectNote],
  );
  const choosePupil = (id: string, name: string): void => void choosePart(studioDatabase(), piece, id, `${name} is the pupil’s part`);
  const respell = useCallback(
    (noteId: string, from: string, to: string): void => {
      const key = address.key ?? view?.toText ?? '';
      if (address.key === null) go({ key });
      void respellNote(studioDatabase(), piece, `${key}|${noteId}`, `${from} written as ${to}`);
    },
    [piece, view, address.key],
  );
  const selectEngraved = useCallback((id: string): void => selectNote(id.replace(ID_PREFIXES.before, '').replace(ID_PREFIXES.after, '')), [selectNote]);

  return (
    <div className="flex flex-col">
      <ScreenKeys
        keys={[
          { key: '[', does: 'the key before this one in the strip', act: () => stepKey(-1) },
          { key: ']', does: 'the next key in the strip', act: () => stepKey(1) },
          { key: 'ArrowLeft', does: 'the moment before', act: () => walk(-1) },
          { key: 'ArrowRight', does: 'the next moment', act: () => walk(1) },
          { key: 'v', does: 'both versions, or the new one alone', act: () => setPageView(pageView === 'both' ? 'after' : 'both') },
          { key: 's', does: 'save as MusicXML', act: () => save('musicxml') },
          { key: 'Escape', does: 'choose no hand note', act: () => choose(null) },
        ]}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-2">
        <div className="min-w-0">
          <h1 className="truncate text-xl font-semibold">{view ? view.title || piece.fileName : 'Reading the piece …'}</h1>
          <p className="flex h-8 items-center gap-1 text-sm whitespace-nowrap text-secondary">
            written in
            {ladder.value ? <OwnKey piece={piece} current={keyName(ladder.value.from)} fifths={ladder.value.from.fifths} onChanged={() => go({ key: null })} /> : null}
            {view && view.from !== view.to ? <span data-role="from-to">moved to {view.to}</span> : null}
          </p>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-3">
          {ownKey && shownKey ? <BenchTools address={address} own={ownKey} shown={shownKey} hands={ladder.value?.piece.hands ?? []} parts={view?.parts ?? []} onPart={choosePupil} group={view?.group ?? null} onChange={go} /> : null}
          <SaveButtons onSave={save} />
        </div>
      </div>
      {answered.trouble ? (
        <div role="alert" className="mx-4 mt-3 rounded-box border-2 border-error bg-base-100 p-3">
          <p className="font-semibold">{answered.trouble.message}</p>
          <p>{answered.trouble.hint}</p>
        </div>
      ) : null}
      {ladder.value && view ? <KeyStrip ladder={ladder.value} chosen={view.toText} onChoose={goToKey} /> : <KeysOnTheWay progress={answers.progress} onStop={answers.stop} onGoOn={answers.goOn} />}
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
            {view && page ? <Paper view={view} layout={page.layout} flag={flag} at={at} hasReminders={settings.reminders === 'signature'} onNote={selectEngraved} /> : null}
          </div>
        </div>
        <aside className="flex flex-col gap-3">
          <GridChoice piece={piece} />
          {view ? <HandNotes view={view} settings={settings} aboutFile={piece.remarks} chosen={chosenIndex} onChoose={choose} /> : null}
        </aside>
      </div>
      {view ? <KeyboardDock view={view} at={at} onWalk={walk} onRespell={respell} /> : null}
    </div>
  );
}

/** How the piece is set out on paper of this width. */
function pageOf(view: PageView, widthPx: number): BenchPage {
  const columns = Math.max(6, Math.floor((widthPx - FRONT_PX) / COLUMN_PX));
  return { view, columns, layout: { widthPx, zoom: ZOOM, breaks: 'encoded' } };
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
  readonly layout: EngraveLayout;
  readonly flag: HandNoteView | null;
  readonly at: number | null;
  readonly hasReminders: boolean;
  readonly onNote: (id: string) => void;
}

const Paper = memo(function Paper({ view, layout, flag, at, hasReminders, onNote }: PaperProps) {
  const pointed = useMemo(() => bothIds(flag?.noteIds ?? []), [flag]);
  const now = useMemo(() => bothIds(at === null ? [] : (view.momentsAfter[at]?.keys.map(({ noteId }) => noteId) ?? [])), [view, at]);
  const signed = useMemo(() => (hasReminders ? view.bySignature.map((id) => ID_PREFIXES.after + id) : []), [view, hasReminders]);
  return (
    <EngravedPage
      page={view.page}
      layout={layout}
      label={`${view.title}, ${view.from} above ${view.to}, ${view.bars} bars`}
      pointed={pointed}
      now={now}
      signed={signed}
      onNote={onNote}
    />
  );
});

function bothIds(ids: readonly string[]): readonly string[] {
  return ids.flatMap((id) => [ID_PREFIXES.before + id, ID_PREFIXES.after + id]);
}
