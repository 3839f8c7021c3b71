'use client';

import Link from 'next/link';
import { memo, useState } from 'react';
import { SEVERITIES, type FlagKind, type Severity } from '@/core/flags';
import type { BenchView, HandNoteView } from '@/core/views';
import { groupBy } from '@/core/base';
import type { Hand } from '@/core/score';
import type { PieceRecord, Settings } from '@/data';
import { HandNote } from './hand-note';
import type { DecisionActions } from './use-decide';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface HandNotesProps {
  readonly view: BenchView;
  readonly settings: Settings;
  /** What was doubtful in the file when it was brought in. */
  readonly aboutFile: PieceRecord['remarks'];
  readonly chosen: string | null;
  readonly onChoose: (name: string | null) => void;
  readonly actions: DecisionActions;
  readonly onTakeUp: (noteId: string) => void;
}

/** Remarks that no one should have to unfold. */
const TOLD_AT_ONCE = [
  'respelled-key',
  'other-mode',
  'enharmonic-proposed',
  'respelled-note',
  'octave-proposed',
  'not-playable',
  'moves-spared',
];

/** What the hands must know in this key: what changed, why, and what to do. Each note points at its place. */
export const HandNotes = memo(function HandNotes({
  view,
  settings,
  aboutFile,
  chosen,
  onChoose,
  actions,
  onTakeUp,
}: HandNotesProps) {
  const w = useWords();
  const [filter, setFilter] = useState<Filter>(ALL);
  // What the file itself gives rise to each time it is read is told once.
  const remarks = [...new Set([...view.remarks, ...(aboutFile ?? [])].map(({ message }) => message))];
  const standing = view.handNotes.filter(({ aside }) => aside === null);
  const shown = standing
    .filter((note) => passes(note, filter))
    .toSorted((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
  // In each bar the weightiest comes first; bars keep the order of the music.
  const bars = [...groupBy(standing, ({ bar }) => bar).keys()];
  const item = (note: HandNoteView) => (
    <HandNote
      key={note.name}
      note={note}
      from={view.from}
      isChosen={chosen === note.name}
      onChoose={() => onChoose(chosen === note.name ? null : note.name)}
      actions={actions}
      onTakeUp={onTakeUp}
    />
  );
  const aside = view.handNotes.filter((note) => note.aside !== null);
  return (
    <section aria-label={w.bench.handNotes} className="flex flex-col gap-2.5">
      <div data-role="summary" className="flex flex-col gap-0.5">
        {view.summary.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
      {standing.length > 1 ? <FilterBox notes={standing} filter={filter} onChange={setFilter} /> : null}
      {bars.map((bar) => {
        const own = shown.filter((note) => note.bar === bar);
        if (own.length === 0) return null;
        return (
          <div key={bar}>
            <h3 className="mb-1 text-sm font-semibold">{w.notes.barHeading(bar)}</h3>
            <ul className="flex flex-col gap-1.5">{own.map(item)}</ul>
          </div>
        );
      })}
      {standing.length > 0 && shown.length === 0 ? (
        <p className="text-sm text-secondary">{w.notes.noneOfHandNotesIs(standing.length)}</p>
      ) : null}
      <Decisions view={view} actions={actions} onTakeUp={onTakeUp} />
      {aside.length > 0 ? (
        <details className="text-sm">
          <summary className="min-h-8 cursor-pointer py-1 font-semibold" data-role="set-aside">
            {w.notes.setAsideCount(aside.length)}
          </summary>
          <ul className="flex flex-col gap-1.5">{aside.map(item)}</ul>
        </details>
      ) : null}
      <Positions view={view} />
      {remarks.length > 0 ? (
        <details className="text-sm" open={view.remarks.some(({ code }) => TOLD_AT_ONCE.includes(code))}>
          <summary className="min-h-8 cursor-pointer py-1 font-semibold" data-role="remarks">
            {w.notes.aboutThisVersion(remarks.length)}
          </summary>
          <ul className="list-disc pl-5">
            {remarks.map((message) => (
              <li key={message}>{message}</li>
            ))}
          </ul>
        </details>
      ) : null}
      <p className="text-xs text-secondary">
        {settings.fingering === 'keep' ? w.notes.printedFingersAreLeftAs : ''}
        <Link href="/settings#hand" className="link inline-flex min-h-8 items-center">
          {w.notes.howFingersArePlanned}
        </Link>
      </p>
    </section>
  );
});

/** Which hand notes are shown; null for all. `kind` is a kind of hand note, or what black keys are the cause of. */
interface Filter {
  readonly hand: Hand | null;
  readonly severity: Severity | null;
  readonly kind: FlagKind | 'by-black-keys' | null;
}

const ALL: Filter = { hand: null, severity: null, kind: null };

function passes(note: HandNoteView, { hand, severity, kind }: Filter): boolean {
  const isOfKind = kind === null || (kind === 'by-black-keys' ? note.byBlackKey : note.kind === kind);
  return (hand === null || note.hands.includes(hand)) && (severity === null || note.severity === severity) && isOfKind;
}

const hands = (w: Words): readonly Choice[] => [
  ['right', w.shared.rightHand],
  ['left', w.shared.leftHand],
];
const severityChoices = (w: Words): readonly Choice[] => [
  ['must', w.notes.mustChange],
  ['should', w.notes.betterOtherwise],
  ['watch', w.notes.toKnow],
];

type Choice = readonly [value: string, words: string];

const every = (w: Words): Readonly<Record<keyof Filter, string>> => ({
  hand: w.shared.bothHands,
  severity: w.notes.allWeights,
  kind: w.notes.allKinds,
});

function FilterBox({
  notes,
  filter,
  onChange,
}: {
  readonly notes: readonly HandNoteView[];
  readonly filter: Filter;
  readonly onChange: (filter: Filter) => void;
}) {
  const w = useWords();
  const kinds = [...new Set(notes.map(({ kind }) => kind))].map((kind): Choice => [kind, w.says.kindNames()[kind]]);
  const choices: Readonly<Record<keyof Filter, readonly Choice[]>> = {
    hand: hands(w),
    severity: severityChoices(w),
    kind: [['by-black-keys', w.notes.becauseOfBlackKeys], ...kinds],
  };
  return (
    <div role="group" aria-label={w.notes.whichHandNotesAreShown} className="flex flex-wrap gap-1">
      {(Object.keys(choices) as (keyof Filter)[]).map((name) => (
        <select
          key={name}
          aria-label={every(w)[name]}
          data-filter={name}
          className="select select-sm field-sizing-content h-8 w-auto grow ps-2 pe-6 text-sm"
          value={filter[name] ?? ''}
          onChange={(event) => onChange({ ...filter, [name]: event.target.value === '' ? null : event.target.value })}
        >
          <option value="">{every(w)[name]}</option>
          {choices[name].map(([value, words]) => (
            <option key={value} value={value}>
              {words} ({notes.filter((note) => passes(note, { ...filter, [name]: value })).length})
            </option>
          ))}
        </select>
      ))}
    </div>
  );
}

/** The fingers that the teacher decided on here, and where the plan would do otherwise. */
function Decisions({ view, actions, onTakeUp }: Pick<HandNotesProps, 'view' | 'actions' | 'onTakeUp'>) {
  const w = useWords();
  if (view.decisions.length === 0) return null;
  const ids = view.decisions.map(({ noteId }) => noteId);
  return (
    <div data-role="decided">
      <h3 className="mb-1 flex items-center justify-between text-sm font-semibold">
        {w.notes.decidedByYou(view.decisions.length)}
        <button
          type="button"
          className="btn btn-ghost btn-sm h-8 font-normal"
          onClick={() => actions.letGo(ids, w.notes.allDecidedFingersGivenBack)}
        >
          {w.notes.giveAllBack}
        </button>
      </h3>
      <ul className="text-sm">
        {view.decisions.map(({ noteId, words, isOtherwise, hand }) => (
          <li key={noteId} className="flex items-center gap-1">
            <button
              type="button"
              className={`min-h-8 flex-1 cursor-pointer text-left hover:underline ${isOtherwise ? 'font-semibold' : ''}`}
              onClick={() => onTakeUp(noteId)}
            >
              {words} <span className="text-xs font-normal text-secondary">{w.shared.handNames[hand]}</span>
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-sm h-8 font-normal"
              onClick={() => actions.letGo([noteId], w.notes.decidedFingerGivenBack)}
            >
              {w.notes.giveBack}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Positions({ view }: { readonly view: BenchView }) {
  const w = useWords();
  if (view.positions.length === 0) return null;
  return (
    <details className="text-sm" open={view.handNotes.length < 4}>
      <summary className="min-h-8 cursor-pointer py-1 font-semibold">{w.notes.whereHandsSit}</summary>
      {(['right', 'left'] as const).map((hand) => {
        const own = view.positions.filter((position) => position.hand === hand);
        if (own.length === 0) return null;
        return (
          <div key={hand} className="mb-1 grid grid-cols-[3rem_1fr]">
            <span className="text-secondary">{w.shared.handNames[hand]}</span>
            <ol>
              {own.map((position) => (
                <li key={position.noteIds[0]}>
                  {position.words}{' '}
                  <span className="text-xs text-secondary">
                    {own.length === 1 ? w.notes.throughout : w.says.spanText(position.bars)}
                    {position.source === '' ? '' : w.notes.fingers(position.source)}
                  </span>
                </li>
              ))}
            </ol>
          </div>
        );
      })}
    </details>
  );
}
