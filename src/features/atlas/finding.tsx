'use client';

import { useEffect, useMemo, useRef } from 'react';
import { keyText, type Pitch, pitchText } from '@/core/pitch';
import { FIND_KINDS, type FindKind, type FindQuestion } from '@/core/practice';
import { isBlackKey } from '@/core/keyboard';
import type { Moment } from '@/core/views';
import { useFinds, type PupilRecord } from '@/data';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { KeyboardMap } from '@/features/shared/keys/keyboard-map';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { coreWorker } from '@/workers/client';
import { show } from './atlas-address';
import { RANGE, useFinding, type Round } from './use-finding';
import { useKeyDevice, type AnsweringKeys, type DeviceChoice } from './use-key-device';
import { useWords, type Words } from '@/features/shared/words/use-words';

const deviceNames = (w: Words): Readonly<Record<DeviceChoice, string>> => ({
  screen: w.atlas.screenAndComputerKeys,
  midi: w.shared.midiKeyboard,
  simulated: w.atlas.oneThatPlaysByItself,
});

/** Games of finding, answered at a keyboard. */
export function Finding({ game, pupil }: { readonly game: FindKind; readonly pupil: PupilRecord | null }) {
  const w = useWords();
  const finding = useFinding(game, pupil);
  const { round, hear, handIn, next } = finding;
  const keys = useKeyDevice(hear);
  const isDone = round.verdict !== 'open';
  const shortcuts = useMemo(
    () => [
      isDone
        ? { key: 'Enter', does: w.atlas.nextQuestion, act: next }
        : { key: 'Enter', does: w.atlas.handAnswerIn, act: handIn },
    ],
    [w, isDone, next, handIn],
  );
  const nextButton = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (isDone) nextButton.current?.focus();
  }, [isDone]);
  useHeardKeys(round);
  const moment = useMemo(() => momentOf(round), [round]);
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[16rem_1fr]">
      <ScreenKeys keys={shortcuts} />
      <section
        aria-label={w.atlas.games}
        className="flex flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
      >
        <fieldset className="flex flex-col">
          <legend className="mb-1 font-serif text-base font-semibold">{w.atlas.find}</legend>
          {FIND_KINDS.map((kind) => (
            <label key={kind} className="flex min-h-9 cursor-pointer items-center gap-2">
              <input
                type="radio"
                className="radio radio-sm"
                name="game"
                value={kind}
                checked={game === kind}
                onChange={() => show({ game: kind })}
              />{' '}
              {w.says.findNames[kind]}
            </label>
          ))}
        </fieldset>
        <label className="flex flex-col gap-1">
          {w.shared.keyboard}
          <select
            className="select select-sm h-9 w-full"
            data-role="device"
            value={keys.device}
            onChange={(event) => keys.choose(event.target.value as DeviceChoice)}
          >
            {(Object.keys(deviceNames(w)) as DeviceChoice[]).map((name) => (
              <option key={name} value={name}>
                {deviceNames(w)[name]}
              </option>
            ))}
          </select>
        </label>
        {keys.device === 'simulated' ? <BySelf keys={keys} question={round.question} isDone={isDone} /> : null}
        <Tally pupil={pupil} kind={game} />
      </section>
      <section
        aria-label={w.atlas.question}
        className="flex flex-col gap-4 rounded-box border border-base-300 bg-base-100 p-5"
        data-role="question"
        data-number={round.number}
        data-verdict={round.verdict}
        data-answer={answerKeys(round.question).join(' ')}
      >
        <h2 className="text-xl font-semibold" aria-live="polite">
          {w.says.questionWords(round.question)}
        </h2>
        <Look question={round.question} />
        <KeyboardMap moment={moment} range={[RANGE.low, RANGE.high]} onKey={keys.touch} />
        <p className="min-h-7 text-lg" role="status" data-role="verdict">
          {isDone ? w.says.verdictWords(round.question, round.verdict === 'right') : progressWords(w, round)}
        </p>
        <div className="flex gap-2">
          {isDone ? (
            <button
              ref={nextButton}
              type="button"
              className="btn btn-primary btn-sm h-9"
              data-role="next-question"
              onClick={next}
            >
              {w.shared.next} <kbd className="kbd kbd-sm text-base-content">Enter</kbd>
            </button>
          ) : (
            <button type="button" className="btn btn-sm h-9 font-normal" data-role="hand-in" onClick={handIn}>
              {round.question.kind === 'guide-notes' ? w.atlas.handItIn : w.atlas.showMe}{' '}
              <kbd className="kbd kbd-sm">Enter</kbd>
            </button>
          )}
        </div>
      </section>
    </div>
  );
}

function progressWords(w: Words, { question, played }: Round): string {
  if (question.kind === 'guide-notes') return played.length === 0 ? '' : w.atlas.soFar(played.length);
  if (question.kind === 'signature' || played.length === 0) return '';
  return w.atlas.countOf(new Set(played).size, question.keys.length);
}

/** Keys that answer a question, for the keyboard that plays by itself. */
function answerKeys(question: FindQuestion): readonly number[] {
  switch (question.kind) {
    case 'signature':
      return [RANGE.low + 12 + question.tonic];
    case 'guide-notes':
      return Array.from({ length: question.count }, () => MIDDLE_C);
    case 'all-of':
    case 'this-note':
    case 'black-in-position':
      return question.keys;
  }
}

const MIDDLE_C = 60;

/** A stand-in for a pupil at a keyboard: one who knows, and one who does not. */
function BySelf({
  keys,
  question,
  isDone,
}: {
  readonly keys: AnsweringKeys;
  readonly question: FindQuestion;
  readonly isDone: boolean;
}) {
  const w = useWords();
  const right = answerKeys(question);
  const wrong =
    [...Array.from({ length: 12 }, (_, i) => MIDDLE_C + i)].find(
      (midi) => !right.some((one) => one % 12 === midi % 12),
    ) ?? MIDDLE_C;
  return (
    <span className="flex flex-wrap gap-2">
      <button
        type="button"
        className="btn btn-sm h-9 font-normal"
        data-role="plays-right"
        disabled={isDone}
        onClick={() => keys.play(right)}
      >
        {w.atlas.itKnows}
      </button>
      <button
        type="button"
        className="btn btn-sm h-9 font-normal"
        data-role="plays-wrong"
        disabled={isDone}
        onClick={() => keys.play([wrong])}
      >
        {w.atlas.itErrs}
      </button>
    </span>
  );
}

/** What the question is about, where there is something to look at. */
function Look({ question }: { readonly question: FindQuestion }) {
  const w = useWords();
  const wanted = useSame(lookOf(question));
  const ask = useMemo(() => wanted && (() => coreWorker().notes(wanted.key, wanted.pitches)), [wanted]);
  const { value } = useAnswer(wanted ? `${wanted.key}/${wanted.pitches.map(pitchText).join()}` : '', ask);
  if (!ask) return null;
  return (
    <div className="mx-auto w-full max-w-xl">
      {value ? (
        <EngravedPage
          page={value.page}
          layout={LOOK_LAYOUT}
          fits="height"
          label={question.kind === 'signature' ? w.atlas.keySignature : w.atlas.notesOnStaff}
        />
      ) : (
        <div className="h-24" />
      )}
    </div>
  );
}

const LOOK_LAYOUT = { widthPx: 520, zoom: 45, breaks: 'none', spread: 'natural' } as const;

function lookOf(question: FindQuestion): { readonly key: string; readonly pitches: readonly Pitch[] } | null {
  switch (question.kind) {
    case 'this-note':
      return { key: 'C-major', pitches: [question.pitch] };
    case 'signature':
      return { key: keyText(question.key), pitches: [] };
    case 'guide-notes':
      return { key: 'C-major', pitches: question.pitches };
    case 'all-of':
    case 'black-in-position':
      return null;
  }
}

/** The keys that were struck; once it is answered also those that belong there. */
function momentOf({ question, played, verdict }: Round): Moment {
  const shown =
    verdict === 'open' || question.kind === 'guide-notes'
      ? [...new Set(played)]
      : [...new Set([...answerKeys(question)])];
  const fingerOf = (midi: number) =>
    question.kind === 'black-in-position' ? (question.fingers[question.keys.indexOf(midi)] ?? null) : null;
  return {
    barIndex: 0,
    bar: '1',
    beat: 1,
    keys: shown.map((midi) => ({
      noteId: String(midi),
      hand: 'right' as const,
      midi,
      finger: verdict === 'open' ? null : fingerOf(midi),
      isBlack: isBlackKey(midi),
      isStruck: true,
      name: '',
      otherName: null,
    })),
    keysUnderFingers: { right: null, left: null },
  };
}

/** What is struck is heard. */
function useHeardKeys({ played }: Round): void {
  const count = useRef(0);
  useEffect(() => {
    const last = played.at(-1);
    if (played.length > count.current && last !== undefined) {
      void pianoSounder().then(async (sounder) => {
        await sounder.ready();
        sounder.strike(last, sounder.now(), 0.5, 0.6);
      });
    }
    count.current = played.length;
  }, [played]);
}

/** What the pupil's record says of this game. */
function Tally({ pupil, kind }: { readonly pupil: PupilRecord | null; readonly kind: FindKind }) {
  const w = useWords();
  const finds = useFinds(pupil?.id ?? null);
  const own = (finds ?? []).filter((find) => find.kind === kind);
  const right = own.filter(({ verdict }) => verdict === 'right');
  const times = right
    .slice(0, 20)
    .map(({ tookMs }) => tookMs)
    .toSorted((a, b) => a - b);
  const usual = times[Math.floor(times.length / 2)];
  const last = own[0];
  return (
    <div data-role="tally" data-asked={own.length} data-right={right.length}>
      <h2 className="font-serif text-base font-semibold">{pupil ? pupil.name : w.atlas.anyHand}</h2>
      {own.length === 0 || !last ? (
        <p className="text-secondary">{w.atlas.nothingAnsweredInThisGame}</p>
      ) : (
        <p>
          {[
            w.atlas.ofRight(right.length, own.length),
            ...(usual === undefined ? [] : [w.atlas.usuallyInS((usual / 1000).toFixed(1))]),
            w.atlas.lastOn(new Date(last.atMs).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })),
          ].join(' · ')}
        </p>
      )}
    </div>
  );
}
