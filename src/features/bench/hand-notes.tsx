'use client';

import Link from 'next/link';
import { memo } from 'react';
import type { BenchView, HandNoteView } from '@/core/job';
import type { PieceRecord, Settings } from '@/data';
import { spanText } from '@/core/explain';
import { SEVERITIES, type Severity } from '@/core/flag';
import { SeverityMark } from '@/features/shared/severity-mark';

interface HandNotesProps {
  readonly view: BenchView;
  readonly settings: Settings;
  /** What was doubtful in the file when it was brought in. */
  readonly aboutFile: PieceRecord['remarks'];
  readonly chosen: number | null;
  readonly onChoose: (index: number | null) => void;
}

/** Remarks that no one should have to unfold. */
const TOLD_AT_ONCE = ['respelled-key', 'other-mode', 'enharmonic-proposed', 'respelled-note', 'octave-proposed', 'not-playable', 'moves-spared'];

const HEADINGS: Readonly<Record<Severity, string>> = { must: 'Must change', should: 'Better otherwise', watch: 'To know' };

/** What the hands must know in this key: what changed, why, and what to do. Each note points at its place. */
export const HandNotes = memo(function HandNotes({ view, settings, aboutFile, chosen, onChoose }: HandNotesProps) {
  // What the file itself gives rise to each time it is read is told once.
  const remarks = [...new Set([...view.remarks, ...(aboutFile ?? [])].map(({ message }) => message))];
  const numbered = view.handNotes.map((note, index) => ({ note, index }));
  return (
    <section aria-label="Hand notes" className="flex flex-col gap-3">
      <h2 className="text-lg font-semibold">Hand notes</h2>
      <div data-role="summary" className="flex flex-col gap-0.5">
        {view.summary.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
      {SEVERITIES.map((severity) => {
        const group = numbered.filter(({ note }) => note.severity === severity);
        if (group.length === 0) return null;
        return (
          <div key={severity}>
            <h3 className="mb-1 flex items-center gap-1.5 text-sm font-semibold">
              <SeverityMark severity={severity} /> {HEADINGS[severity]}
            </h3>
            <ul className="flex flex-col gap-1.5">
              {group.map(({ note, index }) => (
                <HandNote key={index} note={note} from={view.from} isChosen={chosen === index} onChoose={() => onChoose(chosen === index ? null : index)} />
              ))}
            </ul>
          </div>
        );
      })}
      <Positions view={view} />
      {remarks.length > 0 ? (
        <details className="text-sm" open={view.remarks.some(({ code }) => TOLD_AT_ONCE.includes(code))}>
          <summary className="min-h-8 cursor-pointer py-1 font-semibold" data-role="remarks">About this version ({remarks.length})</summary>
          <ul className="list-disc pl-5">
            {remarks.map((message) => (
              <li key={message}>{message}</li>
            ))}
          </ul>
        </details>
      ) : null}
      <p className="text-xs text-secondary">
        Planned for level {settings.level}, a reach of {settings.spanMm} mm{settings.fingering === 'keep' ? ', printed fingers left as they are' : ''}. <Link href="/settings#hand" className="link inline-flex min-h-8 items-center">Change the hand</Link>
      </p>
    </section>
  );
});

interface HandNoteProps {
  readonly note: HandNoteView;
  readonly from: string;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function HandNote({ note, from, isChosen, onChoose }: HandNoteProps) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={isChosen}
        data-flag={note.kind}
        onClick={onChoose}
        className={`w-full cursor-pointer rounded-field border px-3 py-1.5 text-left ${isChosen ? 'border-2 border-primary bg-base-100' : 'border-base-300 bg-base-100 hover:border-primary'}`}
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="font-semibold">{note.title}</span>
          <span className="shrink-0 text-xs text-secondary">
            {note.hand} · bar {note.bar}
          </span>
        </span>
        <span className="block text-xs text-secondary">
          {note.wasThere ? `as in ${from}` : note.byBlackKey ? 'new, because of a black key' : 'new here'}
        </span>
        {isChosen ? (
          <span className="mt-1 block text-sm">
            {note.message} <em className="not-italic font-semibold">{note.suggestion}</em>
            {note.costs ? <span className="mt-1 block text-xs text-secondary">{note.costs}</span> : null}
            <span className="mt-1 block text-xs text-secondary">For the pupil: {note.forPupil}</span>
          </span>
        ) : null}
      </button>
    </li>
  );
}

function Positions({ view }: { readonly view: BenchView }) {
  if (view.positions.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 text-sm font-semibold">Where the hands sit</h3>
      {(['right', 'left'] as const).map((hand) => {
        const own = view.positions.filter((position) => position.hand === hand);
        if (own.length === 0) return null;
        return (
          <div key={hand} className="mb-1 grid grid-cols-[3rem_1fr] text-sm">
            <span className="text-secondary">{hand}</span>
            <ol>
              {own.map((position) => (
                <li key={position.noteIds[0]}>
                  {position.words} <span className="text-xs text-secondary">{own.length === 1 ? 'throughout' : spanText(position.bars)}</span>
                </li>
              ))}
            </ol>
          </div>
        );
      })}
    </div>
  );
}
