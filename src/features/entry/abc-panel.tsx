'use client';

import { useEffect, useRef, useState } from 'react';
import type { EntryView } from '@/core/views';
import type { Trouble } from '@/contract/answer';
import { Coded } from '@/features/shared/words/coded';
import type { Asks } from './use-entering';
import { useWords } from '@/features/shared/words/use-words';

interface AbcPanelProps {
  readonly view: EntryView;
  readonly entering: Pick<Asks, 'abc' | 'abcDone'>;
}

/** Writing ABC for the caret's hand: what is understood stands in the piece at once, from the caret's bar on; what is not is told with its place. */
export function AbcPanel({ view, entering: { abc, abcDone } }: AbcPanelProps) {
  const w = useWords();
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const [place] = useState({ bar: view.caret.number, hand: view.caret.hand });
  useEffect(() => {
    field.current?.focus();
    return abcDone;
  }, [abcDone]);
  const write = (next: string): void => {
    setText(next);
    void abc(next).then(setTrouble);
  };
  const showPlace = (): void => {
    if (!field.current || !trouble?.line) return;
    const lines = text.split('\n');
    const from = lines.slice(0, trouble.line - 1).reduce((sum, line) => sum + line.length + 1, 0);
    field.current.focus();
    field.current.setSelectionRange(from, from + (lines[trouble.line - 1]?.length ?? 0));
  };
  return (
    <div
      className="mx-4 mb-2 flex flex-col gap-1 rounded-box border border-base-300 bg-base-100 px-3 py-2 text-sm"
      data-role="abc"
    >
      <label htmlFor="abc-text">
        <Coded text={w.entry.abcHelp(place.hand, place.bar)} />
      </label>
      <textarea
        ref={field}
        id="abc-text"
        className="input h-20 w-full resize-y py-1 font-mono whitespace-pre-wrap"
        spellCheck={false}
        value={text}
        aria-invalid={trouble !== null}
        onChange={(event) => write(event.target.value)}
      />
      <p role="status" className="min-h-6">
        {trouble ? (
          <span className="font-semibold text-error" data-role="abc-trouble">
            {trouble.message} <span className="font-normal text-base-content">{trouble.hint}</span>{' '}
            {trouble.line ? (
              <button type="button" className="btn btn-ghost btn-xs h-8" onClick={showPlace}>
                {w.entry.showLine(trouble.line)}
              </button>
            ) : null}
          </span>
        ) : null}
      </p>
    </div>
  );
}
