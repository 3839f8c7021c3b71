'use client';

import { useCallback, useEffect, useMemo, useRef } from 'react';
import { Check, CircleCheck } from 'lucide-react';
import type { PracticeStep } from '@/core/homework';
import type { JudgedNext, JudgedView } from '@/core/views';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { useWords } from '@/features/shared/words/use-words';
import { keepRun, tickOf, type RunOfWhat } from './keep-run';
import { EchoStep } from './echo-step';
import { Playing } from './playing';
import { practise, type PracticeAddress } from './practice-address';
import { PracticeHead, PracticeTrouble } from './practice-head';
import { StepTrail } from './step-trail';
import { StepsPanel } from './steps-panel';
import { TickStep } from './tick-step';
import { useHeardInstrument, type HeardInstrument } from './use-heard-instrument';
import { usePractised, type PractisedWhat } from './use-practised';
import { stepBehind, useSteps, type StepNow, type Steps } from './use-steps';
import { useKeepRun } from './use-keep-run';
import type { PlayedKeys } from './use-run';

interface StepsPageProps {
  readonly piece: PieceRecord;
  readonly address: PracticeAddress;
  readonly whom: ForWhom;
}

/** What a pupil does with a piece, one step at a time. */
export function StepsPage({ piece, address, whom }: StepsPageProps) {
  const w = useWords();
  const { steps, trouble } = useSteps(piece, whom, address);
  const instrument = useHeardInstrument();
  const { shown } = steps ?? {};
  const keyNow = steps?.view.keyText;
  const isNamed = steps?.steps.some(({ step }) => step.id === address.step) === true;
  // The address names the key, and the step that is shown, so that it stays when it is done. One that it names already opens once it is known that it may.
  useEffect(() => {
    if (shown && !isNamed && address.step !== 'end') practise({ step: shown.step.id });
    if (keyNow !== undefined && address.key === null) practise({ key: keyNow });
  }, [shown, keyNow, isNamed, address.step, address.key]);
  const isArranged = address.show === 'arrange';
  return (
    <div
      className="mx-auto flex w-full max-w-4xl flex-col gap-3 px-4 py-3"
      data-role="practice"
      data-key={steps?.view.keyText}
      data-step={shown?.step.id}
    >
      <PracticeHead
        piece={piece}
        address={address}
        whom={whom}
        title={steps ? w.practice.heading(steps.view.title || piece.fileName, steps.view.key) : w.practice.openingPage}
      />
      <PracticeTrouble trouble={trouble} />
      {steps ? <StepTrail steps={steps.steps} shown={shown ?? null} /> : null}
      {steps && isArranged ? <StepsPanel {...{ piece, whom, steps }} /> : null}
      {steps && shown && !isArranged ? (
        <Step key={shown.step.id} {...{ piece, address, whom, steps, shown, instrument }} />
      ) : null}
      {steps && !shown && !isArranged ? (
        <p className="flex items-center gap-3 rounded-box bg-base-200 p-6 text-xl" role="status" data-role="all-done">
          <CircleCheck size={28} aria-hidden /> {w.practice.allStepsDone}
        </p>
      ) : null}
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9 self-start font-normal pointer-coarse:h-11"
        aria-pressed={isArranged}
        data-role="arrange-steps"
        onClick={() => practise({ show: isArranged ? 'steps' : 'arrange' })}
      >
        {isArranged ? w.practice.stepsArranged : w.practice.arrangeSteps}
      </button>
    </div>
  );
}

interface StepProps extends StepsPageProps {
  readonly steps: Steps;
  readonly shown: StepNow;
  readonly instrument: HeardInstrument;
}

function Step({ piece, address, whom, steps, shown, instrument }: StepProps) {
  const w = useWords();
  const { step, progress } = shown;
  const { view: list } = steps;
  const what = useStepMusic(step, list.keyText, address.stage);
  const practised = usePractised(piece, whom, what);
  const { view, trouble } = practised;
  const { kept, keep: keepJudged } = useKeepRun(whom.pupil);
  const effective = useMemo(() => addressAt(address, step), [address, step]);
  const { edition, fileName, id } = piece;
  const pupil = whom.pupil?.id ?? null;
  const ofWhat = useMemo(
    (): RunOfWhat => ({
      ...what,
      key: what.key ?? list.keyText,
      piece: id,
      title: list.title || fileName,
      edition,
      pupil,
      step: step.id,
      way: step.way,
      tempo: step.tempo,
      playedOn: instrument.name,
    }),
    [what, list, id, fileName, edition, pupil, step, instrument.name],
  );
  const keep = useCallback(
    (judged: JudgedView, played: PlayedKeys): void => keepJudged(ofWhat, judged, played),
    [ofWhat, keepJudged],
  );
  const goNext = ({ hand, bars }: JudgedNext, tempo: number | null): void =>
    practise(
      {
        step: null,
        of: step.id,
        inKey: step.key,
        inStage: step.stage,
        hand,
        from: bars?.from ?? null,
        to: bars?.to ?? null,
        way: 'along',
        ...(tempo === null ? {} : { tempo }),
      },
      'push',
    );
  const onward = progress.isDone ? { words: w.practice.nextStep, go: () => practise({ step: 'next' }, 'push') } : null;
  return (
    <>
      <StepHead shown={shown} of={steps.steps.length} />
      <PracticeTrouble trouble={trouble} />
      {view && step.way === 'tick' ? (
        <TickStep
          view={view}
          isDone={progress.isDone}
          onTick={() => {
            void keepRun(tickOf(ofWhat, Date.now()), []).then(() =>
              practise({ step: stepBehind(steps, step.id) ?? 'end' }, 'push'),
            );
          }}
          onward={onward}
        />
      ) : null}
      {view && step.way === 'echo' ? (
        <EchoStep
          view={view}
          practised={practised}
          instrument={instrument}
          address={effective}
          onward={onward}
          onDone={keep}
        />
      ) : null}
      {view && step.way !== 'tick' && step.way !== 'echo' ? (
        <Playing
          {...{ view, practised, instrument, onward, kept }}
          address={effective}
          choices="instrument"
          page={step.kind === 'memory' ? 'away' : 'shown'}
          onJudged={keep}
          onNext={what.music === 'piece' ? goNext : null}
        />
      ) : null}
    </>
  );
}

/** What is to be done, and how far one is with it. */
function StepHead({ shown, of }: { readonly shown: StepNow; readonly of: number }) {
  const w = useWords();
  const { step, title, told, number, progress } = shown;
  const head = useRef<HTMLHeadingElement>(null);
  // A new step is read out at once, without moving the page.
  useEffect(() => head.current?.focus({ preventScroll: true }), []);
  return (
    <section aria-label={w.practice.stepNumber(number, of)} className="flex flex-col gap-1">
      <p className="text-sm text-secondary">{w.practice.stepNumber(number, of)}</p>
      <h2
        ref={head}
        tabIndex={-1}
        className="text-3xl font-semibold focus:outline-none max-sm:text-2xl"
        data-role="step-title"
      >
        {title}
      </h2>
      <p className="text-xl max-sm:text-lg" data-role="step-told">
        {told}
      </p>
      {step.way === 'tick' ? null : (
        <p className="flex items-center gap-2" role="status" data-role="in-a-row" data-in-a-row={progress.inARow}>
          {progress.isDone ? <Check size={20} aria-hidden /> : null}
          {progress.isDone ? w.practice.stepDone : w.says.inARowWords(progress.inARow, step.times)}
        </p>
      )}
    </section>
  );
}

/** The music of a step: the piece as it says, or the five fingers of the key. */
function useStepMusic(step: PracticeStep, listKey: string, listStage: string | null): PractisedWhat {
  return useMemo(
    () => ({
      music: step.kind === 'warm-up' ? 'warm-up' : 'piece',
      key: step.key ?? listKey,
      stage: step.stage ?? listStage,
      hand: step.hand,
      bars: step.bars,
    }),
    [step, listKey, listStage],
  );
}

/** The step as the run takes it from the address. */
function addressAt(address: PracticeAddress, { hand, bars, tempo, way }: PracticeStep): PracticeAddress {
  return {
    ...address,
    hand,
    from: bars?.from ?? null,
    to: bars?.to ?? null,
    tempo,
    way: way === 'tick' || way === 'echo' ? 'free' : way,
    then: 'stop',
  };
}
