'use client';

import { change, useSettings, type Settings } from '@/data';
import { ScreenKeys } from '@/features/shared/key-help';
import { AsideBox } from './aside-box';
import { handQuestions, questions, studioQuestions, type Question } from './questions';
import { SpanBox } from './span-box';
import { StudioBox } from './studio-box';
import { useWords, type Words } from '@/features/shared/words/use-words';

const parts = (w: Words) =>
  [
    { id: 'hand', title: w.settings.theHand },
    { id: 'page', title: w.settings.keysAndPage },
    { id: 'studio', title: w.settings.studioInOneFile },
    { id: 'aside', title: w.shared.setAside },
    { id: 'sound', title: w.settings.sound },
  ] as const;

/** How the teacher wants things, and the whole studio in one file. Every change is kept at once and can be undone. */
export function SettingsScreen() {
  const w = useWords();
  const settings = useSettings();
  if (!settings) return <p className="p-8">{w.settings.openingSettings}</p>;
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-8 px-4 py-5">
      <ScreenKeys keys={[]} />
      <h1 className="text-2xl font-semibold">{w.shared.settings}</h1>
      <nav aria-label={w.settings.partsOfSettings} className="flex flex-wrap gap-x-5 text-sm">
        {parts(w).map(({ id, title }) => (
          <a key={id} href={`#${id}`} className="link flex min-h-8 items-center">
            {title}
          </a>
        ))}
      </nav>
      <section aria-labelledby="hand" className="flex flex-col gap-7">
        <h2 id="hand" className="border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.theHand}
        </h2>
        <p className="-mb-4 text-sm text-secondary">{w.settings.anyHandWhatCountsOn}</p>
        <SpanBox spanMm={settings.spanMm} />
        {handQuestions(w).map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <section aria-labelledby="page" className="flex flex-col gap-7">
        <h2 id="page" className="border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.keysAndPage}
        </h2>
        {questions(w).map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <StudioBox />
      {studioQuestions(w).map((question) => (
        <QuestionBox key={question.name} question={question} settings={settings} />
      ))}
      <AsideBox />
      <section aria-labelledby="sound">
        <h2 id="sound" className="mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.sound}
        </h2>
        <p className="text-sm text-secondary" data-role="sound-licence">
          {w.settings.pianoIsRecordingSalamanderGrand}
        </p>
      </section>
    </div>
  );
}

function QuestionBox({ question, settings }: { readonly question: Question; readonly settings: Settings }) {
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
