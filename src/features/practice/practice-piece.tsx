'use client';

import { useCallback } from 'react';
import type { JudgedNext, JudgedView } from '@/core/views';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { Playing } from './playing';
import { practise, type PracticeAddress } from './practice-address';
import { PracticeHead, PracticeTrouble } from './practice-head';
import { useHeardInstrument } from './use-heard-instrument';
import { usePractised, type PractisedWhat } from './use-practised';
import { useKeepRun } from './use-keep-run';
import type { PlayedKeys } from './use-run';

interface PracticePieceProps {
  readonly piece: PieceRecord;
  readonly address: PracticeAddress;
  readonly whom: ForWhom;
}

/** A piece to be played as one likes: everything can be chosen. */
export function PracticePiece({ piece, address, whom }: PracticePieceProps) {
  const w = useWords();
  const { hand, from, to, of } = address;
  const key = address.inKey ?? address.key;
  const stage = address.inStage ?? address.stage;
  const what: PractisedWhat = useSame({
    music: 'piece',
    key,
    stage,
    hand,
    bars: from === null || to === null ? null : { from, to },
  });
  const practised = usePractised(piece, whom, what);
  const instrument = useHeardInstrument();
  const { view, trouble } = practised;
  const { kept, keep: keepRun } = useKeepRun(whom.pupil);
  const keep = useCallback(
    (judged: JudgedView, played: PlayedKeys): void => {
      if (!view) return;
      keepRun(
        {
          ...what,
          piece: piece.id,
          title: view.title || piece.fileName,
          edition: piece.edition,
          pupil: whom.pupil?.id ?? null,
          key: view.keyText,
          step: null,
          way: address.way,
          tempo: address.tempo,
          playedOn: instrument.name,
        },
        judged,
        played,
      );
    },
    [view, what, piece, whom.pupil, address.way, address.tempo, instrument.name, keepRun],
  );
  const goNext = ({ hand: next, bars }: JudgedNext, tempo: number | null): void =>
    practise(
      { hand: next, from: bars?.from ?? null, to: bars?.to ?? null, ...(tempo === null ? {} : { tempo }) },
      'push',
    );
  const back =
    of === null
      ? null
      : {
          words: w.practice.backToStep,
          go: () => practise({ step: of, of: null, inKey: null, inStage: null }, 'push'),
        };
  return (
    <div
      className="mx-auto flex w-full max-w-7xl flex-col gap-3 px-4 py-3"
      data-role="practice"
      data-key={view?.keyText}
    >
      <PracticeHead
        piece={piece}
        address={address}
        whom={whom}
        title={view ? w.practice.heading(view.title || piece.fileName, view.key) : w.practice.openingPage}
      />
      {back ? (
        <button type="button" className="btn h-11 self-start font-normal" data-role="back-to-step" onClick={back.go}>
          {back.words}
        </button>
      ) : null}
      <PracticeTrouble trouble={trouble} />
      {view ? (
        <Playing
          {...{ view, practised, address, instrument, kept }}
          choices="all"
          page="shown"
          onward={null}
          onJudged={keep}
          onNext={goNext}
        />
      ) : null}
    </div>
  );
}
