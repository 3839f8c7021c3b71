'use client';

import { useMemo, useState } from 'react';
import type { BenchView, Moment } from '@/core/views';
import type { MarkKind } from '@/core/annotate';
import type { Finger } from '@/core/score';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import type { BenchAnswers } from '../use-bench';
import type { DecisionActions, Reach } from './use-decide';
import { useWords } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface NotePanelProps {
  readonly view: BenchView;
  readonly moment: Moment | null;
  readonly noteId: string | null;
  readonly answers: Pick<BenchAnswers, 'source' | 'options'>;
  readonly marks: readonly { readonly kind: MarkKind; readonly note: string; readonly text: string }[];
  readonly actions: DecisionActions;
  readonly onTakeUp: (noteId: string) => void;
  readonly onRespell: (noteId: string, from: string, to: string) => void;
}

const OWN_MARKS: readonly MarkKind[] = ['ring', 'guide', 'reminder', 'interval'];

/** The note that is taken up: another finger, another spelling, a mark for the pupil. */
export function NotePanel({ view, moment, noteId, answers, marks, actions, onTakeUp, onRespell }: NotePanelProps) {
  const w = useWords();
  const struck = moment?.keys.filter(({ isStruck }) => isStruck) ?? [];
  const note = struck.find((key) => key.noteId === noteId) ?? struck[0];
  if (!moment || !note) return <p className="text-secondary">{w.notes.pressNoteOrGoTo}</p>;
  return (
    <section
      aria-label={w.notes.noteThatIsTakenUp}
      className="flex flex-col gap-3"
      data-role="note-panel"
      data-note={note.noteId}
    >
      <div className="flex flex-wrap gap-1" role="group" aria-label={w.notes.notesStruckNow}>
        {struck.map((key) => (
          <button
            key={key.noteId}
            type="button"
            aria-pressed={key === note}
            className={`btn btn-sm h-8 font-normal ${key === note ? 'btn-neutral' : ''}`}
            onClick={() => onTakeUp(key.noteId)}
          >
            {key.name} {key.hand}
          </button>
        ))}
      </div>
      <p>
        <strong>{note.name}</strong>
        {w.notes.handBarBeat(note.hand, moment.bar, moment.beat, note.finger)}
      </p>
      <FingerRow
        key={`${note.noteId}/${view.toText}`}
        view={view}
        noteId={note.noteId}
        name={note.name}
        answers={answers}
        actions={actions}
      />
      {note.otherName !== null ? (
        <div>
          <h3 className="mb-1 text-sm font-semibold">{w.shared.spelling}</h3>
          <button
            type="button"
            className="btn btn-sm h-8 font-normal"
            onClick={() => onRespell(note.noteId, note.name, note.otherName ?? '')}
          >
            {w.notes.writeAs(note.otherName)}
          </button>
        </div>
      ) : null}
      <MarkRow noteId={note.noteId} name={note.name} marks={marks} actions={actions} />
    </section>
  );
}

interface FingerRowProps extends Pick<NotePanelProps, 'view' | 'answers' | 'actions'> {
  readonly noteId: string;
  readonly name: string;
}

/** All five fingers, each with how much harder it would be. */
function FingerRow({ view, noteId, name, answers, actions }: FingerRowProps) {
  const w = useWords();
  const [reach, setReach] = useState<Reach>('here');
  const { source, options } = answers;
  const ask = useMemo(() => () => coreWorker().choices(source, options, noteId), [source, options, noteId]);
  const choices = useAnswer(noteId, ask).value ?? [];
  const isDecided = view.decisions.some((decision) => decision.noteId === noteId);
  const take = (finger: Finger): void =>
    actions.fingers([{ note: noteId, finger }], reach, w.notes.fingerAt(finger, name));
  return (
    <div>
      <h3 className="mb-1 text-sm font-semibold">{w.notes.finger}</h3>
      <div className="grid grid-cols-5 gap-1" role="group" aria-label={w.notes.fingersThatThisNoteCould}>
        {choices.map(({ finger, price, words, isNow }) => (
          <button
            key={finger}
            type="button"
            aria-pressed={isNow}
            data-finger={finger}
            data-price={price ?? 'none'}
            disabled={price === null && !isNow}
            className={`btn h-auto min-h-14 flex-col gap-0 px-0.5 py-1 font-normal ${isNow ? 'btn-neutral' : ''}`}
            onClick={() => take(finger)}
          >
            <span className="text-base font-bold">{finger}</span>
            <span className="text-xs leading-tight">{isNow ? w.notes.now : words}</span>
          </button>
        ))}
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-3">
        <label className="flex min-h-8 cursor-pointer items-center gap-2 text-sm">
          <Checkbox
            checked={reach === 'everywhere'}
            onChange={(event) => setReach(event.target.checked ? 'everywhere' : 'here')}
          />
          {w.notes.inEveryKey}
        </label>
        {isDecided ? (
          <button
            type="button"
            className="btn btn-sm h-8 font-normal"
            onClick={() => actions.letGo([noteId], w.shared.fingerOnGivenBack(name))}
          >
            {w.notes.giveItBackToPlan}
          </button>
        ) : null}
      </div>
    </div>
  );
}

interface MarkRowProps extends Pick<NotePanelProps, 'marks' | 'actions'> {
  readonly noteId: string;
  readonly name: string;
}

function MarkRow({ noteId, name, marks, actions }: MarkRowProps) {
  const w = useWords();
  const [text, setText] = useState('');
  const own = marks.filter(({ note }) => note === noteId);
  const words = own.filter(({ kind }) => kind === 'words');
  return (
    <div>
      <h3 className="mb-1 text-sm font-semibold">{w.notes.forThePupil}</h3>
      <div className="flex flex-wrap gap-1">
        {OWN_MARKS.map((kind) => {
          const isOn = own.some((mark) => mark.kind === kind);
          return (
            <button
              key={kind}
              type="button"
              aria-pressed={isOn}
              data-mark={kind}
              className={`btn btn-sm h-8 px-2.5 font-normal ${isOn ? 'btn-neutral' : ''}`}
              onClick={() => actions.mark(kind, [noteId], '', w.notes.markAt(w.says.markNames[kind], name))}
            >
              {w.says.markNames[kind]}
            </button>
          );
        })}
      </div>
      <form
        className="mt-1 flex gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== '') actions.mark('words', [noteId], text.trim(), w.notes.wordsAt(text.trim(), name));
          setText('');
        }}
      >
        <input
          className="input input-sm h-8 flex-1"
          aria-label={w.shared.wordsOverNote}
          placeholder={w.shared.wordsOverNoteKey}
          maxLength={40}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="btn btn-sm h-8">
          {w.notes.write}
        </button>
      </form>
      {words.map((mark) => (
        <button
          key={mark.text}
          type="button"
          className="btn btn-ghost btn-sm h-8 font-normal"
          onClick={() => actions.mark('words', [noteId], mark.text, w.notes.rubbedOut(mark.text))}
        >
          {w.notes.rubOut(mark.text)}
        </button>
      ))}
    </div>
  );
}
