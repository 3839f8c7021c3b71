'use client';

import { change, type Settings } from '@/data';
import type { Question } from './questions';

/** One setting: a question, its choices, and who would take which. */
export function QuestionBox({ question, settings }: { readonly question: Question; readonly settings: Settings }) {
  const choose = (value: string, words: string): void => {
    void change({ kind: 'settings.change', change: { [question.name]: value } }, `${question.title}: ${words}`);
  };
  return (
    <fieldset>
      <legend className="font-serif text-lg font-semibold">{question.title}</legend>
      {question.note ? <p className="mb-1 text-sm text-secondary">{question.note}</p> : null}
      <div className="flex flex-col">
        {question.choices.map(({ value, words, who }) => (
          <label key={value} className="flex min-h-9 cursor-pointer items-center gap-3 py-1">
            <input
              type="radio"
              className="radio radio-sm"
              name={question.name}
              value={value}
              checked={settings[question.name] === value}
              onChange={() => choose(value, words)}
            />
            <span>
              {words} {who ? <span className="text-sm text-secondary">{who}</span> : null}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
