'use client';

import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { CornerDownLeft } from 'lucide-react';
import { findChoices, type Choice } from './find-choices';
import { useWords } from '@/features/shared/words/use-words';

interface ChoiceBoxProps {
  /** What can be done here, for what is typed so far. */
  readonly choicesFor: (typed: string) => readonly Choice[];
  readonly onClose: () => void;
}

/** One line to say what is wanted: every command of the screen and of the application is found by its words. */
export function ChoiceBox({ choicesFor, onClose }: ChoiceBoxProps) {
  const w = useWords();
  const dialog = useRef<HTMLDialogElement>(null);
  const list = useId();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  useEffect(() => dialog.current?.showModal(), []);
  const found = useMemo(() => findChoices(typed, choicesFor(typed)), [typed, choicesFor]);
  const chosen = Math.min(at, found.length - 1);
  useEffect(() => {
    document.getElementById(`${list}-${chosen}`)?.scrollIntoView({ block: 'nearest' });
  }, [list, chosen]);
  const take = (choice: Choice | undefined): void => {
    if (!choice) return;
    dialog.current?.close();
    onClose();
    choice.act();
  };
  const press = (event: KeyboardEvent): void => {
    const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 }[event.key];
    if (event.key === 'Enter') take(found[chosen]);
    else if (step !== undefined) setAt(Math.min(found.length - 1, Math.max(0, chosen + step)));
    else return;
    event.preventDefault();
  };
  return (
    <dialog
      ref={dialog}
      className="modal modal-top"
      aria-label={w.choices.sayWhatToDo}
      data-role="choice-box"
      onClose={onClose}
    >
      <div className="modal-box mx-auto mt-[12dvh] flex max-h-[70dvh] max-w-xl flex-col gap-2 rounded-box p-3">
        <input
          className="input h-11 w-full shrink-0 text-base"
          role="combobox"
          aria-expanded
          aria-controls={list}
          aria-activedescendant={found.length > 0 ? `${list}-${chosen}` : undefined}
          aria-label={w.choices.sayWhatToDo}
          placeholder={w.choices.sayWhatToDoKey}
          autoFocus
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setAt(0);
          }}
          onKeyDown={press}
        />
        <ul id={list} role="listbox" aria-label={w.choices.whatCanBeDone} className="min-h-0 overflow-y-auto">
          {found.map((choice, i) => (
            <li
              // Two pupils, or two pieces, may bear one name.
              key={`${choice.words} ${i}`}
              id={`${list}-${i}`}
              role="option"
              aria-selected={i === chosen}
              className={`flex min-h-9 cursor-pointer items-center justify-between gap-3 rounded px-3 ${i === chosen ? 'bg-base-200 font-semibold' : ''}`}
              onPointerMove={() => setAt(i)}
              onClick={() => take(choice)}
            >
              <span>{choice.words}</span>
              {choice.key ? <kbd className="kbd kbd-sm font-normal">{choice.key}</kbd> : null}
              {!choice.key && i === chosen ? <CornerDownLeft size={14} aria-hidden /> : null}
            </li>
          ))}
        </ul>
        {found.length === 0 ? (
          <p className="px-3 pb-1 text-sm text-secondary">{w.choices.nothingHereIsCalledSo}</p>
        ) : null}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit" aria-label={w.shared.close} tabIndex={-1}>
          {w.shared.close}
        </button>
      </form>
    </dialog>
  );
}
