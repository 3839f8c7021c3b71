'use client';

import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { ListOrdered, PencilLine } from 'lucide-react';
import type { KeyDown } from '@/core/job';
import { parseKey, type Key, type Mode } from '@/core/pitch';
import { choosePart, decidedFor, respellNote, studioDatabase, type Desk, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { ScreenKeys } from '@/features/shared/key-help';
import { columnsFor, engravedZoom } from '@/features/shared/paper-size';
import { benchKeys } from './bench-keys';
import { BenchTools, SaveButtons } from './bench-tools';
import { ChordsPanel } from './chords-panel';
import { FingerPageView } from './finger-page-view';
import { GridChoice } from './grid-choice';
import { HandNotes } from './hand-notes';
import { KeyCardPanel } from './key-card-panel';
import { KeyboardDock } from './keyboard-dock';
import { keyName, KeyStrip } from './key-strip';
import { KeysOnTheWay } from './keys-on-the-way';
import { MarkEvery } from './mark-every';
import { NotePanel } from './note-panel';
import { OwnKey } from './own-key';
import { Paper } from './paper';
import { PaperTools, type PaperView } from './paper-tools';
import { PartnerPanel } from './partner-panel';
import { PupilChoice } from './pupil-choice';
import { SidePanels, type SidePanel } from './side-panels';
import { struckAt, takenOf } from './taken-note';
import { respelling, useBench, type BenchPage } from './use-bench';
import { addressNow, go, useBenchAddress } from './use-bench-address';
import { momentIndex, useBenchDeeds } from './use-bench-deeds';
import { useDecide } from './use-decide';
import { useFollowing } from './use-following';
import { useKeyTyping } from './use-key-typing';
import { useKeysAhead } from './use-keys-ahead';
import { usePlayer } from './use-player';
import { useRememberedKey } from './use-remembered-key';
import { useWidth } from '@/features/shared/use-width';

/** A choice that belongs to the key in which it was made. */
interface InKey {
  readonly key: string;
  readonly name: string;
}

const NONE: readonly string[] = [];

interface BenchPieceProps {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly desk: Desk;
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
}

export function BenchPiece({ piece, settings, desk, pupils, pupil }: BenchPieceProps) {
  const address = useBenchAddress();
  const router = useRouter();
  const surveyAddress = `/survey?piece=${encodeURIComponent(piece.id)}${pupil ? `&pupil=${encodeURIComponent(pupil.id)}` : ''}`;
  const [paperView, setPaperView] = useState<PaperView>('both');
  const [chosen, setChosen] = useState<InKey | null>(null);
  const [takenUp, setTakenUp] = useState<string | null>(null);
  const [panel, setPanel] = useState<SidePanel>('notes');
  const paper = useRef<HTMLDivElement>(null);
  const width = useWidth(paper);
  const marks = useMarks(piece, pupil, address.key);
  const page = useMemo(() => (width === null ? null : pageOf(paperView, width, desk, marks)), [paperView, width, desk, marks]);
  const answers = useBench({ piece, settings, pupil }, address, page);
  const { view: answered, ladder } = answers;
  const view = answered.value;
  const keys = useMemo(() => ladder.value?.keys.map(keyName) ?? [], [ladder.value]);
  const { goToKey, stepKey, walk, selectNote, save } = useBenchDeeds(answers, keys);
  useKeysAhead(keys, view?.toText ?? null, answers.prepare);
  const shownKeyText = address.key ?? view?.toText ?? '';
  const player = usePlayer(answers.source, answers.wish);

  // What stands beside the paper may come a little later than the paper itself.
  const later = useDeferredValue(view);
  const deeds = useDecide(piece.id, pupil?.id ?? null, later?.toText ?? '');
  const deedsNow = useDecide(piece.id, pupil?.id ?? null, view?.toText ?? '');

  useRememberedKey(piece, address.key, answered.trouble === null);

  const ownKey = ladder.value ? parseKey(keyName(ladder.value.from), 'major') : undefined;
  const shownKey = view ? parseKey(view.toText, 'major') : undefined;
  const typeKey = useKeyTyping(shownModeOf(shownKey), goToKey);
  // A hand note belongs to the key in which it was chosen.
  const chosenName = chosen !== null && chosen.key === view?.toText ? chosen.name : null;
  const flag = view?.handNotes.find(({ name }) => name === chosenName) ?? null;
  const at = view ? momentIndex(view.momentsAfter, address.at) : null;
  const moment = view && at !== null ? (view.momentsAfter[at] ?? null) : null;
  const struck = struckAt(view, address.at);
  const note = takenOf(struck, takenUp);
  // While another key is on its way there is nothing to decide in it.
  const noteNow = (): KeyDown | null => (addressNow().key === address.key ? takenOf(struckAt(view, addressNow().at), takenUp) : null);

  const follows = useFollowing(player);
  const { playBars } = player;
  const choose = useCallback(
    (name: string | null): void => {
      setChosen(name === null || !view ? null : { key: view.toText, name });
      const first = view?.handNotes.find((one) => one.name === name)?.noteIds[0];
      if (first === undefined || !view) return;
      selectNote(first);
      setTakenUp(first);
      const bar = view.momentsAfter.find(({ keys: down }) => down.some(({ noteId }) => noteId === first))?.barIndex;
      if (bar !== undefined) playBars(Math.max(0, bar - 1), bar + 1);
    },
    [view, selectNote, playBars],
  );
  const takeUp = useCallback(
    (noteId: string): void => {
      selectNote(noteId);
      setTakenUp(noteId);
      setPanel('note');
    },
    [selectNote],
  );
  const stepNote = (by: number): void => {
    const index = struck.findIndex((key) => key === note);
    const next = struck[(index + by + struck.length) % struck.length];
    if (next) takeUp(next.noteId);
  };
  const stepHandNote = (by: number): void => {
    const standing = view?.handNotes.filter(({ aside }) => aside === null) ?? [];
    const index = standing.findIndex(({ name }) => name === chosenName);
    const next = standing[(index + by + standing.length) % standing.length];
    if (next) {
      setPanel('notes');
      choose(next.name);
    }
  };
  const choosePupilsPart = (id: string, name: string): void => void choosePart(studioDatabase(), piece, id, `${name} is the pupil’s part`);
  const respell = useCallback(
    (noteId: string, from: string, to: string): void => {
      const key = address.key ?? view?.toText ?? '';
      if (address.key === null) go({ key });
      void respellNote(studioDatabase(), piece, respelling(key, noteId, pupil), `${from} written as ${to}`);
    },
    [piece, pupil, view, address.key],
  );
  const togglePlay = (): void => (player.isPlaying ? player.stop() : player.play(moment?.barIndex ?? 0));
  const now = useMemo(() => (player.isPlaying ? player.ids : (moment?.keys.map(({ noteId }) => noteId) ?? NONE)), [player.isPlaying, player.ids, moment]);

  return (
    <div className="flex flex-col">
      <ScreenKeys keys={benchKeys({ noteNow, deeds: deedsNow, stepKey, typeKey, walk, stepNote, stepHandNote, togglePlay, save, onEnter: () => router.push(`/enter?piece=${encodeURIComponent(piece.id)}`), onSurvey: () => router.push(surveyAddress), onEscape: () => choose(null), view: paperView, onView: setPaperView, desk })} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-2">
        <div className="min-w-0">
          <h1 className="truncate text-xl font-semibold">{view ? view.title || piece.fileName : 'Reading the piece …'}</h1>
          <p className="flex h-8 items-center gap-1 text-sm whitespace-nowrap text-secondary">
            written in
            {ladder.value ? <OwnKey piece={piece} current={keyName(ladder.value.from)} fifths={ladder.value.from.fifths} onChanged={() => go({ key: null })} /> : null}
            {view && view.from !== view.to ? <span data-role="from-to">moved to {view.to}</span> : null}
          </p>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-x-3 gap-y-1">
          <PupilChoice pupils={pupils} chosen={pupil} settings={settings} />
          {ownKey && shownKey ? <BenchTools address={address} own={ownKey} shown={shownKey} hands={ladder.value?.piece.hands ?? []} parts={view?.parts ?? []} onPart={choosePupilsPart} group={view?.group ?? null} spelling={settings.spelling} onChange={go} /> : null}
          <Link className="btn btn-sm h-9" href={surveyAddress} data-role="survey">
            <ListOrdered size={16} aria-hidden /> Survey
          </Link>
          <Link className="btn btn-sm h-9" href={`/enter?piece=${encodeURIComponent(piece.id)}`} data-role="enter">
            <PencilLine size={16} aria-hidden /> Change notes
          </Link>
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
      <div className="grid gap-4 px-4 pb-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="min-w-0 rounded-box border border-base-300 bg-base-100">
          <div className="flex flex-wrap items-center gap-2 border-b border-base-300 px-3 py-1 text-sm">
            <PaperTools view={paperView} desk={desk} onView={setPaperView} />
            {later ? <MarkEvery view={later} marks={marks} deeds={deeds} /> : null}
          </div>
          <div ref={paper} className="px-2" data-role="paper" data-key={view?.toText}>
            {page && paperView === 'fingers' ? <FingerPageView answers={answers} subject={piece.id} widthPx={page.layout.widthPx} zoom={desk.zoom} now={now} onNote={takeUp} /> : null}
            {view && page && paperView !== 'fingers' ? (
              <Paper
                view={view}
                layout={page.layout}
                flag={flag}
                now={now}
                takenUp={player.isPlaying ? null : (note?.noteId ?? null)}
                follows={follows}
                marks={marks}
                tracks={desk.tracks}
                hasReminders={settings.reminders === 'signature'}
                onNote={takeUp}
              />
            ) : null}
          </div>
        </div>
        <SidePanels chosen={panel} onChoose={setPanel} noteCount={later?.handNotes.filter(({ aside }) => aside === null).length ?? 0}>
          {{
            notes: later ? (
              <>
                <GridChoice piece={piece} />
                <HandNotes view={later} settings={settings} aboutFile={piece.remarks} chosen={chosenName} onChoose={choose} deeds={deeds} onTakeUp={takeUp} />
              </>
            ) : null,
            note: later ? <NotePanel view={later} moment={moment} noteId={note?.noteId ?? null} answers={answers} marks={marks} deeds={deeds} onTakeUp={takeUp} onRespell={respell} /> : null,
            key: shownKey ? <KeyCardPanel shown={shownKey} /> : null,
            chords: <ChordsPanel answers={answers} subject={piece.id} onNote={takeUp} />,
            partner: <PartnerPanel source={answers.source} subject={piece.id} shown={shownKeyText} />,
          }}
        </SidePanels>
      </div>
      {later ? <KeyboardDock view={later} at={at} chosen={flag} player={player} reachMm={(pupil ?? settings).spanMm} onWalk={walk} /> : null}
    </div>
  );
}

function shownModeOf(key: Key | undefined): Mode {
  return key?.mode ?? 'major';
}

/** The marks for this pupil in this key. They keep their identity while they say the same. */
function useMarks(piece: PieceRecord, pupil: PupilRecord | null, key: string | null) {
  const own = decidedFor(piece, pupil?.id ?? null).marks.filter((mark) => mark.key === null || mark.key === key);
  const said = JSON.stringify(own.map(({ kind, note, text }) => ({ kind, note, text })));
  return useMemo(() => JSON.parse(said) as readonly Pick<(typeof own)[number], 'kind' | 'note' | 'text'>[], [said]);
}

/** How the piece is set out on paper of this width. */
function pageOf(view: PaperView, widthPx: number, { zoom, labels, tracks }: Desk, marks: BenchPage['page']['marks']): BenchPage {
  return { page: { view: view === 'both' ? 'both' : 'after', columns: columnsFor(widthPx, zoom), labels, marks, tracks }, layout: { widthPx, zoom: engravedZoom(zoom), breaks: 'encoded' } };
}
