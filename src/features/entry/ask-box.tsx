'use client';

import { useEffect, useRef, useState } from 'react';
import { DYNAMICS } from '@/core/edit';
import type { ScreenCommand } from '@/contract/entry-questions';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What is asked for in a little box: loudness, a syllable under the note, words over it. */
export type Asked = 'dynamic' | 'under' | 'over';

interface AskBoxProps {
  readonly asked: Asked;
  readonly onAnswer: (command: ScreenCommand | null) => void;
  /** After a syllable comes the next note's. */
  readonly onSyllable: (command: ScreenCommand) => void;
}

/** Asks for loudness or words at the current note. Escape leaves all as it was. */
export function AskBox({ asked, onAnswer, onSyllable }: AskBoxProps) {
  const w = useWords();
  return (
    <div
      role="group"
      aria-label={titles(w)[asked]}
      data-role="ask"
      className="mx-4 flex flex-wrap items-center gap-3 rounded-box border-2 border-primary bg-base-100 px-3 py-2 text-sm"
      onKeyDown={(event) => event.key === 'Escape' && onAnswer(null)}
    >
      <span className="font-semibold">{titles(w)[asked]}</span>
      {asked === 'dynamic' ? (
        <Loudness onAnswer={onAnswer} />
      ) : (
        <Words place={asked} onAnswer={onAnswer} onSyllable={onSyllable} />
      )}
    </div>
  );
}

const titles = (w: Words): Readonly<Record<Asked, string>> => ({
  dynamic: w.entry.howLoudFromHere,
  under: w.entry.syllableUnderNote,
  over: w.shared.wordsOverNote,
});

function Loudness({ onAnswer }: Pick<AskBoxProps, 'onAnswer'>) {
  const w = useWords();
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  const choose = (key: string): void => {
    const dynamic = DYNAMICS[Number(key) - 1];
    if (dynamic) onAnswer({ kind: 'dynamic', dynamic });
    if (key === '0') onAnswer({ kind: 'dynamic', dynamic: null });
  };
  return (
    <div
      className="flex items-center gap-1"
      onKeyDown={(event) => {
        if (!/^[0-6]$/.test(event.key)) return;
        event.stopPropagation();
        choose(event.key);
      }}
    >
      {DYNAMICS.map((dynamic, i) => (
        <button
          key={dynamic}
          ref={i === 0 ? first : undefined}
          type="button"
          className="btn btn-sm h-9 px-3 font-serif text-base font-bold italic"
          onClick={() => onAnswer({ kind: 'dynamic', dynamic })}
        >
          <kbd className="kbd kbd-sm font-sans font-normal not-italic">{i + 1}</kbd> {dynamic}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9"
        onClick={() => onAnswer({ kind: 'dynamic', dynamic: null })}
      >
        <kbd className="kbd kbd-sm">0</kbd> {w.entry.none}
      </button>
    </div>
  );
}

function Words({ place, onAnswer, onSyllable }: Omit<AskBoxProps, 'asked'> & { readonly place: 'under' | 'over' }) {
  const w = useWords();
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return (
    <>
      <input
        ref={field}
        className="input input-sm h-9 w-64"
        aria-label={titles(w)[place]}
        maxLength={100}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') onAnswer({ kind: 'words', place, text });
          if (place !== 'under' || event.key !== ' ' || text === '') return;
          event.preventDefault();
          onSyllable({ kind: 'words', place, text });
          setText('');
        }}
      />
      <span className="text-secondary">
        {place === 'under' ? w.entry.syllableHelp : w.entry.enterSetsThemEmptyTakes}
      </span>
    </>
  );
}
