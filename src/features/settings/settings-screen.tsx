'use client';

import { change, useSettings, type Settings } from '@/data';
import { ScreenKeys } from '@/features/shared/key-help';
import { AsideBox } from './aside-box';
import { HAND_QUESTIONS, QUESTIONS, STUDIO_QUESTIONS, type Question } from './questions';
import { SpanBox } from './span-box';
import { StudioBox } from './studio-box';

const PARTS = [
  { id: 'hand', title: 'The hand' },
  { id: 'page', title: 'Keys and the page' },
  { id: 'studio', title: 'The studio in one file' },
  { id: 'aside', title: 'Set aside' },
  { id: 'sound', title: 'Sound' },
] as const;

/** How the teacher wants things, and the whole studio in one file. Every change is kept at once and can be undone. */
export function SettingsScreen() {
  const settings = useSettings();
  if (!settings) return <p className="p-8">Opening the settings …</p>;
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-8 px-4 py-5">
      <ScreenKeys keys={[]} />
      <h1 className="text-2xl font-semibold">Settings</h1>
      <nav aria-label="Parts of the settings" className="flex flex-wrap gap-x-5 text-sm">
        {PARTS.map(({ id, title }) => (
          <a key={id} href={`#${id}`} className="link flex min-h-8 items-center">
            {title}
          </a>
        ))}
      </nav>
      <section aria-labelledby="hand" className="flex flex-col gap-7">
        <h2 id="hand" className="border-b border-base-300 pb-1 text-xl font-semibold">
          The hand
        </h2>
        <p className="-mb-4 text-sm text-secondary">
          Any hand: what counts on the Bench where no pupil is chosen. A pupil has a level, a reach and schools of their
          own.
        </p>
        <SpanBox spanMm={settings.spanMm} />
        {HAND_QUESTIONS.map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <section aria-labelledby="page" className="flex flex-col gap-7">
        <h2 id="page" className="border-b border-base-300 pb-1 text-xl font-semibold">
          Keys and the page
        </h2>
        {QUESTIONS.map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <StudioBox />
      {STUDIO_QUESTIONS.map((question) => (
        <QuestionBox key={question.name} question={question} settings={settings} />
      ))}
      <AsideBox />
      <section aria-labelledby="sound">
        <h2 id="sound" className="mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
          Sound
        </h2>
        <p className="text-sm text-secondary" data-role="sound-licence">
          The piano is a recording: Salamander Grand Piano by Alexander Holm, under the licence Creative Commons
          Attribution 3.0 (CC BY 3.0). It comes with New Thumb and is never fetched from the network; its files were
          renamed, nothing else was changed.
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
