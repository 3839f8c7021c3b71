'use client';

import { useLayoutEffect, useRef, useState } from 'react';
import type { HandNoteView } from '@/core/views';
import type { Finger } from '@/core/score';
import { sightOf } from '@/features/shared/music/in-sight';
import { SeverityMark } from '@/features/shared/music/severity-mark';
import type { DecisionActions, NoteFinger, Reach } from './use-decide';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

/** The weight of a hand note in words. */
export const severityWords = (w: Words) =>
  ({ must: w.notes.mustChange, should: w.notes.betterOtherwise, watch: w.notes.toKnow }) as const;

interface HandNoteProps {
  readonly note: HandNoteView;
  readonly from: string;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly actions: DecisionActions;
  /** Takes up the first note of the hand note, to give it any finger. */
  readonly onTakeUp: (noteId: string) => void;
}

/** A hand note: what, and once it is chosen why, and what can be done about it. */
export function HandNote({ note, from, isChosen, onChoose, actions, onTakeUp }: HandNoteProps) {
  const w = useWords();
  const origin =
    note.aside !== null
      ? w.notes.putAway(note.aside)
      : note.wasThere
        ? w.notes.asIn(from)
        : note.byBlackKey
          ? w.notes.newBecauseOfBlackKey
          : w.notes.newHere;
  const item = useRef<HTMLLIElement>(null);
  useLayoutEffect(() => {
    const panel = item.current?.closest('[role=tabpanel]');
    if (isChosen && item.current && panel) bringIntoPanel(item.current, panel);
  }, [isChosen]);
  return (
    <li
      ref={item}
      className={`rounded-field border bg-base-100 ${isChosen ? 'border-2 border-primary' : 'border-base-300'}`}
    >
      <button
        type="button"
        aria-pressed={isChosen}
        data-flag={note.kind}
        data-severity={note.severity}
        onClick={onChoose}
        className="w-full cursor-pointer px-2.5 py-1.5 text-left"
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="flex items-baseline gap-1.5 font-semibold">
            <SeverityMark severity={note.severity} size={11} />
            {note.title}
          </span>
          <span className="shrink-0 text-xs text-secondary">{note.hands.length > 1 ? w.notes.both : note.hand}</span>
        </span>
        <span
          className={`block text-xs ${note.byBlackKey && note.aside === null && !note.wasThere ? 'font-semibold' : 'text-secondary'}`}
        >
          {severityWords(w)[note.severity]} · {origin}
        </span>
        {isChosen ? (
          <span className="mt-1 block text-sm">
            {note.message} <em className="font-semibold not-italic">{note.suggestion}</em>
            {note.fingers?.source ? (
              <span className="mt-1 block text-xs text-secondary">{w.notes.newFingers(note.fingers.source)}</span>
            ) : null}
            {note.costs ? <span className="mt-1 block text-xs text-secondary">{note.costs}</span> : null}
            <span className="mt-1 block text-xs text-secondary">{w.notes.forPupil(note.forPupil)}</span>
          </span>
        ) : null}
      </button>
      {isChosen ? <HandNoteActions note={note} actions={actions} onTakeUp={onTakeUp} /> : null}
    </li>
  );
}

/** Scrolls a panel, and nothing else, until all of an item is seen, or as much as there is room for. */
function bringIntoPanel(item: Element, panel: Element): void {
  const [own, room] = [item.getBoundingClientRect(), panel.getBoundingClientRect()];
  const below = own.bottom - Math.min(room.bottom, sightOf(item).bottom);
  const above = own.top - room.top;
  if (above < 0) panel.scrollTop += above;
  else if (below > 0) panel.scrollTop += Math.min(below, above);
}

function HandNoteActions({ note, actions, onTakeUp }: Pick<HandNoteProps, 'note' | 'actions' | 'onTakeUp'>) {
  const w = useWords();
  const [first] = note.noteIds;
  if (note.aside !== null) {
    return (
      <div className="px-2.5 pb-2">
        <ActionButton onPress={() => actions.bringBack(note.name, w.notes.broughtBack(note.title))}>
          {w.notes.bringItBack}
        </ActionButton>
      </div>
    );
  }
  return (
    <div className="flex flex-col gap-1.5 px-2.5 pb-2">
      {note.fingers ? <FingerActions note={note} actions={actions} /> : null}
      <div className="flex flex-wrap gap-1">
        {first !== undefined ? <ActionButton onPress={() => onTakeUp(first)}>{w.notes.anyFinger}</ActionButton> : null}
        <ActionButton onPress={() => actions.mark('ring', note.noteIds, '', w.notes.ringedForPupil(note.title))}>
          {w.notes.ringItForPupil}
        </ActionButton>
      </div>
      <PutAside onPut={(reason, reach) => actions.putAside(note.name, reason, reach, w.notes.setAside(note.title))} />
    </div>
  );
}

/** Take the suggestion, keep the old fingers, or begin with another one; here or in every key, and where the passage comes again. */
function FingerActions({ note, actions }: Pick<HandNoteProps, 'note' | 'actions'>) {
  const w = useWords();
  const [reach, setReach] = useState<Reach>('here');
  const [alsoLike, setAlsoLike] = useState(true);
  const { fingers } = note;
  if (!fingers) return null;
  const { noteIds, before, after, others, also } = fingers;
  const everywhere = [noteIds, ...(alsoLike ? also.map((place) => place.noteIds) : [])];
  const decideOn = (wanted: readonly (Finger | null)[], words: string): void => {
    const all = everywhere.flatMap((ids) =>
      ids.flatMap((id, i): readonly NoteFinger[] => (wanted[i] ? [{ note: id, finger: wanted[i] }] : [])),
    );
    actions.fingers(all, reach, words);
  };
  return (
    <>
      <div className="flex flex-wrap gap-1">
        <ActionButton isMain onPress={() => decideOn(after, w.notes.fingersTaken(said(after)))}>
          {w.notes.take(said(after))}
        </ActionButton>
        <ActionButton onPress={() => decideOn(before, w.notes.fingersKept(said(before)))}>
          {w.notes.keep(said(before))}
        </ActionButton>
        {others.map(({ finger, words }) => (
          <ActionButton key={finger} onPress={() => decideOn([finger], w.notes.begunWith(finger))}>
            {w.notes.beginWith(finger, words)}
          </ActionButton>
        ))}
      </div>
      {also.length > 0 ? (
        <Check isOn={alsoLike} onChange={setAlsoLike}>
          {w.notes.alsoInWhereSameComes(also.length, also.map(({ bar }) => bar).join(', '))}
        </Check>
      ) : null}
      <ReachCheck reach={reach} onChange={setReach} />
    </>
  );
}

/** So many fingers are said; more are only begun. */
const SAID = 6;

function said(fingers: readonly (Finger | null)[]): string {
  const known = fingers.map((finger) => finger ?? '–');
  return known.length > SAID ? `${known.slice(0, SAID).join(' ')} …` : known.join(' ');
}

function PutAside({ onPut }: { readonly onPut: (reason: string, reach: Reach) => void }) {
  const w = useWords();
  const [isOpen, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const [reach, setReach] = useState<Reach>('here');
  if (!isOpen) {
    return (
      <div>
        <ActionButton onPress={() => setOpen(true)}>{w.notes.setItAside}</ActionButton>
      </div>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onPut(reason.trim() || w.notes.noReasonGiven, reach);
      }}
    >
      <div className="flex gap-1">
        <input
          className="input input-sm h-8 flex-1"
          aria-label={w.notes.whyItIsSetAside}
          placeholder={w.notes.whyEGShePlays}
          autoFocus
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <button type="submit" className="btn btn-sm h-8">
          {w.shared.setAside}
        </button>
      </div>
      <ReachCheck reach={reach} onChange={setReach} />
    </form>
  );
}

function ReachCheck({ reach, onChange }: { readonly reach: Reach; readonly onChange: (reach: Reach) => void }) {
  const w = useWords();
  return (
    <Check isOn={reach === 'everywhere'} onChange={(isOn) => onChange(isOn ? 'everywhere' : 'here')}>
      {w.notes.inEveryKey}
    </Check>
  );
}

function ActionButton({
  onPress,
  isMain = false,
  children,
}: {
  readonly onPress: () => void;
  readonly isMain?: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className={`btn btn-sm h-8 px-2.5 font-normal ${isMain ? 'btn-primary' : ''}`}
      onClick={onPress}
    >
      {children}
    </button>
  );
}

function Check({
  isOn,
  onChange,
  children,
}: {
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
  readonly children: React.ReactNode;
}) {
  return (
    <label className="flex min-h-8 cursor-pointer items-center gap-2 text-sm">
      <Checkbox checked={isOn} onChange={(event) => onChange(event.target.checked)} />
      <span>{children}</span>
    </label>
  );
}
