'use client';

import { useDeferredValue, useMemo } from 'react';
import { useRouter } from 'next/navigation';
import { parseKey } from '@/core/pitch';
import type { Desk, PieceRecord, PupilRecord, Settings } from '@/data';
import { choosePupil } from '@/features/shared/pupils/choose-pupil';
import type { Choice } from '@/features/shared/choices/find-choices';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { useNotedUse } from '@/features/shared/shell/use-noted-use';
import { practiceFor, type BenchAddress } from './bench-address';
import { benchChoices } from './commands/bench-choices';
import { BenchHead } from './bench-head';
import { benchKeys } from './commands/bench-keys';
import { BenchPaper } from './paper/bench-paper';
import { BenchSide } from './beside/bench-side';
import { KeyboardDock } from './sound/keyboard-dock';
import { keyName, KeyStrip } from './keys/key-strip';
import { KeysOnTheWay } from './keys/keys-on-the-way';
import { goToStage, StageRail, toggleRail } from './stages/stage-rail';
import { queryNow } from '@/features/shared/address/use-query';
import { leave, withLabel } from './paper/paper-tools';
import { useBench, type BenchAnswers } from './use-bench';
import { useBenchActions } from './commands/use-bench-actions';
import { useDecide } from './beside/use-decide';
import { useKeyTyping } from './keys/use-key-typing';
import { useKeysAhead } from './keys/use-keys-ahead';
import { useLayout } from './paper/use-layout';
import { usePaperPage } from './paper/use-paper-page';
import { usePlayer } from './sound/use-player';
import { useRail } from './stages/use-rail';
import { useRememberedKey } from './keys/use-remembered-key';
import { useTakenUp } from './beside/use-taken-up';
import { useWords } from '@/features/shared/words/use-words';
import type { Trouble } from '@/contract/answer';

interface BenchPieceProps {
  readonly piece: PieceRecord;
  readonly address: BenchAddress;
  readonly settings: Settings;
  readonly desk: Desk;
  readonly pupils: readonly PupilRecord[];
  readonly pupil: PupilRecord | null;
}

/** One piece on the Bench: what is asked of the core, what the teacher is at, and the parts of the screen that show it. */
export function BenchPiece({ piece, address, settings, desk, pupils, pupil }: BenchPieceProps) {
  const w = useWords();
  const router = useRouter();
  useNotedUse(piece.id);
  const layout = useLayout(desk);
  const { screen, beside } = layout;
  const [column, body, paper] = usePaperPage({ piece, pupil, key: address.key, desk, screen });
  const answers = useBench({ piece, settings, pupil, desk }, address, paper.page);
  const { value: view, trouble } = answers.view;
  const { value: ladder } = answers.ladder;
  const keys = useMemo(() => ladder?.keys.map(keyName) ?? [], [ladder]);
  const { goToKey, stepKey, walk, selectNote, save } = useBenchActions(answers, keys, paper.marks);
  useKeysAhead(keys, view?.toText ?? null, answers.prepare);
  const rail = useRail(answers.stages, address.stage, view ? answers.prepareStage : null);
  useRememberedKey(piece, address.key, trouble === null);
  // What is left out may be seen, and is not heard.
  const player = usePlayer(answers.inStage, answers.options);
  const taken = useTakenUp({ view, address, stageIsSeen: answers.stageIsSeen, selectNote, playBars: player.playBars });
  // What stands beside the paper may come a little later than the paper itself.
  const later = useDeferredValue(view);
  const actions = useDecide(piece.id, pupil?.id ?? null, later?.toText ?? '');
  const actionsNow = useDecide(piece.id, pupil?.id ?? null, view?.toText ?? '');
  const typeKey = useKeyTyping((view && parseKey(view.toText, 'major')?.mode) ?? 'major', goToKey);
  const pieceQuery = `piece=${encodeURIComponent(piece.id)}`;
  const surveyAddress = `/survey?${pieceQuery}${pupil ? `&pupil=${encodeURIComponent(pupil.id)}` : ''}`;
  const shortcuts = benchKeys(w, {
    ...taken,
    actions: actionsNow,
    stepKey,
    stepStage: rail.step,
    toggleRail: () => toggleRail(desk, address.stage),
    typeKey,
    walk,
    togglePlay: () => (player.isPlaying ? player.stop() : player.play(taken.moment?.barIndex ?? 0)),
    save,
    ...waysTo(router.push, { piece: piece.id, pupil, address }),
    onSurvey: () => router.push(surveyAddress),
    onEscape: () => taken.choose(null),
    stepHandNote: (by) => {
      beside.onFold('open');
      taken.stepHandNote(by);
    },
    paper,
    layout,
    desk,
  });
  const arrange = (): void => {
    beside.onFold('open');
    taken.onPanel('stages');
  };
  const choices = (typed: string): readonly Choice[] =>
    benchChoices(
      w,
      {
        view,
        keys,
        stages: answers.stages.view?.stages ?? [],
        goToStage,
        pupils,
        pupil,
        actions: actionsNow,
        goToKey,
        choosePupil,
        selectNote,
        playBars: player.playBars,
        onView: paper.onView,
        toggleLabel: (kind) => leave({ labels: [...withLabel(desk.labels, kind)] }),
        save,
      },
      typed,
    );
  return (
    <div className="flex h-full min-h-[26rem] flex-col print:h-auto">
      <ScreenKeys keys={shortcuts} choices={choices} />
      <BenchHead {...{ piece, settings, desk, screen, pupils, pupil, address, answers, surveyAddress }} onSave={save} />
      {trouble ? <BenchTrouble trouble={trouble} /> : null}
      <Keys answers={answers} onChoose={goToKey} />
      <StageRail stages={answers.stages} shown={address.stage} desk={desk} onArrange={arrange} />
      <div ref={body} className="flex min-h-0 flex-1 flex-col border-t border-base-300 lg:flex-row print:block">
        <BenchPaper {...{ column, paper, answers, later, taken, player, actions, settings, desk }} subject={piece.id} />
        <BenchSide
          {...{ piece, pupil, settings, address, answers, later, taken, actions, beside, screen }}
          marks={paper.marks}
        />
      </div>
      {later ? (
        <KeyboardDock
          view={later}
          at={taken.at}
          chosen={taken.handNote}
          player={player}
          reachMm={(pupil ?? settings).spanMm}
          size={layout.keyboard}
          screen={screen}
          onSize={layout.onKeyboard}
          onWalk={walk}
        />
      ) : null}
    </div>
  );
}

/** What could not be done, and what to do. */
function BenchTrouble({ trouble }: { readonly trouble: Trouble }) {
  return (
    <div role="alert" className="mx-4 mb-2 rounded-box border-2 border-error bg-base-100 p-3">
      <p className="font-semibold">{trouble.message}</p>
      <p>{trouble.hint}</p>
    </div>
  );
}

/** The keys of the piece, or how far the work on them is. */
function Keys({ answers, onChoose }: { readonly answers: BenchAnswers; readonly onChoose: (key: string) => void }) {
  const { value: ladder } = answers.ladder;
  const { value: view } = answers.view;
  if (ladder && view) return <KeyStrip ladder={ladder} chosen={view.toText} onChoose={onChoose} />;
  return <KeysOnTheWay progress={answers.progress} onStop={answers.stop} onGoOn={answers.goOn} />;
}

/** The ways from here to other screens that need the piece alone. */
function waysTo(
  push: (address: string) => void,
  {
    piece,
    pupil,
    address,
  }: { readonly piece: string; readonly pupil: PupilRecord | null; readonly address: BenchAddress },
) {
  return {
    onEnter: () => push(`/enter?piece=${encodeURIComponent(piece)}`),
    onStand: () => push(`/stand?${queryNow().toString()}`),
    onPractise: () => push(practiceFor(piece, pupil, address)),
  };
}
