'use client';

import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { parseKey } from '@/core/pitch';
import type { BenchView } from '@/core/views';
import { change, type Desk, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { useNotedUse } from '@/features/shared/shell/use-noted-use';
import type { BenchAddress } from '../bench-address';
import { keyName, KeyStrip } from '../keys/key-strip';
import { KeysOnTheWay } from '../keys/keys-on-the-way';
import { soundingMoment } from '../sound/sounding-moment';
import { useBench } from '../use-bench';
import { useBenchActions } from '../commands/use-bench-actions';
import { useDecide } from '../beside/use-decide';
import { useKeyTyping } from '../keys/use-key-typing';
import { useKeysAhead } from '../keys/use-keys-ahead';
import { usePlayer, type BenchPlayer } from '../sound/use-player';
import { useRememberedKey } from '../keys/use-remembered-key';
import { PageView } from './page-view';
import { PencilBar, touch, type Pencil } from './pencil';
import { StandFoot } from './stand-foot';
import { StandHead } from './stand-head';
import { standKeys } from './stand-keys';
import { useStandPage, type StandPaper } from './use-stand-page';
import { useWakeLock } from './use-wake-lock';
import { useWords } from '@/features/shared/words/use-words';

interface StandPieceProps {
  readonly piece: PieceRecord;
  readonly address: BenchAddress;
  readonly settings: Settings;
  readonly desk: Desk;
  readonly pupil: PupilRecord | null;
}

/** Sizes of the music, in per cent. */
const SIZES = [80, 100, 115, 130, 150, 175, 200] as const;

/** A piece on the music stand: one key, large, page by page. Pages are turned by a tap, by a pedal, or by themselves while it plays. */
export function StandPiece({ piece, address, settings, desk, pupil }: StandPieceProps) {
  const w = useWords();
  const router = useRouter();
  useNotedUse(piece.id);
  const benchAddress = `/bench?${useSearchParams().toString()}`;
  const [room, paper] = useStandPage({ piece, pupil, key: address.key, desk });
  const answers = useBench({ piece, settings, pupil, desk: { ...desk, leftOut: 'absent' } }, address, paper.page);
  const { value: view, trouble } = answers.view;
  const { value: ladder } = answers.ladder;
  const keys = useMemo(() => ladder?.keys.map(keyName) ?? [], [ladder]);
  const { goToKey, stepKey } = useBenchActions(answers, keys, paper.marks);
  useKeysAhead(keys, view?.toText ?? null, answers.prepare);
  useRememberedKey(piece, address.key, trouble === null);
  const player = usePlayer(answers.source, answers.options);
  usePagesOf(player, view, paper);
  const isAwake = useWakeLock();
  const actions = useDecide(piece.id, pupil?.id ?? null, view?.toText ?? '');
  const [pencil, setPencil] = useState<Pencil | null>(null);
  const [bars, setBars] = useState<'shown' | 'hidden'>('shown');
  const typeKey = useKeyTyping((view && parseKey(view.toText, 'major')?.mode) ?? 'major', goToKey);
  const togglePlay = (): void => (player.isPlaying ? player.stop() : player.play(paper.pages[paper.at]?.fromBar ?? 0));
  const turn = (by: 1 | -1): void => paper.turnTo(paper.at + by);
  const toggleBars = (): void => setBars(bars === 'shown' ? 'hidden' : 'shown');
  const togglePencil = (): void => setPencil(pencil === null ? 'ring' : null);
  const resize = useResizing(desk.stand);
  const shortcuts = standKeys(w, {
    turn,
    turnToFirst: () => paper.turnTo(0),
    stepKey,
    typeKey,
    togglePlay,
    togglePencil,
    toggleBars,
    resize,
    onLeave: () => router.push(benchAddress),
  });
  const onNote = useMemo(
    () =>
      view && pencil !== null ? (id: string) => touch(w, pencil, id, { view, marks: paper.marks, actions }) : null,
    [w, view, pencil, paper.marks, actions],
  );
  return (
    <div className="flex h-full min-h-64 flex-col bg-base-100" data-role="music-stand" data-bars={bars}>
      <ScreenKeys keys={shortcuts} />
      {bars === 'shown' ? (
        <StandHead
          title={view ? view.title || piece.fileName : w.shared.readingPiece}
          keyWords={view?.to ?? ''}
          isAwake={isAwake}
          hasPencil={pencil !== null}
          benchAddress={benchAddress}
          onPencil={togglePencil}
          onResize={resize}
          onHide={toggleBars}
        />
      ) : null}
      {trouble ? (
        <p role="alert" className="p-4">
          <strong className="font-semibold">{trouble.message}</strong> {trouble.hint}{' '}
          <Link className="link" href={benchAddress}>
            {w.stand.backToBench}
          </Link>
        </p>
      ) : null}
      <PageView {...{ room, paper, view, player, desk, settings, onNote }} onTurn={turn} onMiddle={toggleBars} />
      {bars === 'shown' ? (
        <StandFoot paper={paper} player={player} onTurn={turn} onPlay={togglePlay}>
          {pencil !== null ? <PencilBar pencil={pencil} onPencil={setPencil} /> : null}
          {pencil === null && ladder && view ? (
            <KeyStrip ladder={ladder} chosen={view.toText} onChoose={goToKey} />
          ) : null}
          {pencil === null && !(ladder && view) ? (
            <KeysOnTheWay progress={answers.progress} onStop={answers.stop} onGoOn={answers.goOn} />
          ) : null}
        </StandFoot>
      ) : null}
    </div>
  );
}

/** Makes the music larger or smaller. Presses in quick succession each go on from the one before, whether or not it is kept yet. */
function useResizing(kept: number): (by: 1 | -1) => void {
  const wanted = useRef(kept);
  useEffect(() => {
    wanted.current = kept;
  }, [kept]);
  return (by) => {
    const [next] =
      by > 0
        ? SIZES.filter((size) => size > wanted.current)
        : SIZES.filter((size) => size < wanted.current).toReversed();
    if (next === undefined) return;
    wanted.current = next;
    void change({ kind: 'note.desk', change: { stand: next } });
  };
}

/** Turns the pages while it plays, with the last note of each. */
function usePagesOf({ isPlaying, ids }: BenchPlayer, view: BenchView | null, { showBar }: StandPaper): void {
  const sounding = view && isPlaying ? soundingMoment(view.momentsAfter, ids) : null;
  const next = sounding === null ? null : (view?.momentsAfter[sounding + 1] ?? view?.momentsAfter[sounding]);
  const bar = next?.barIndex ?? null;
  useEffect(() => {
    if (bar !== null) showBar(bar);
  }, [bar, showBar]);
}
