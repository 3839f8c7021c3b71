'use client';

import Link from 'next/link';
import { useEffect } from 'react';
import { useSettings } from '@/data';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { AsideBox } from './aside-box';
import { OfflineBox } from './offline-box';
import { handQuestions, questions, studioQuestions } from './questions';
import { QuestionBox } from './question-box';
import { SpanBox } from './span-box';
import { StudioBox } from './studio-box';
import { wordQuestions } from './word-questions';
import { WordingPreview } from './wording-preview';
import { useWords, type Words } from '@/features/shared/words/use-words';

const parts = (w: Words) =>
  [
    { id: 'hand', title: w.settings.theHand },
    { id: 'page', title: w.settings.keysAndPage },
    { id: 'words', title: w.naming.heading },
    { id: 'studio', title: w.settings.studioInOneFile },
    { id: 'aside', title: w.shared.setAside },
    { id: 'offline', title: w.offline.heading },
    { id: 'sound', title: w.settings.sound },
  ] as const;

/** How the teacher wants things, and the whole studio in one file. Every change is kept at once and can be undone. */
export function SettingsScreen() {
  const w = useWords();
  const settings = useSettings();
  const isOpen = settings !== undefined;
  // The browser looks for the part that an address names before the settings are read.
  useEffect(() => {
    if (isOpen && window.location.hash) document.getElementById(window.location.hash.slice(1))?.scrollIntoView();
  }, [isOpen]);
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
        <h2 id="hand" className="scroll-mt-20 border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.theHand}
        </h2>
        <p className="-mb-4 text-sm text-secondary">{w.settings.anyHandWhatCountsOn}</p>
        <SpanBox spanMm={settings.spanMm} />
        {handQuestions(w).map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <section aria-labelledby="page" className="flex flex-col gap-7">
        <h2 id="page" className="scroll-mt-20 border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.keysAndPage}
        </h2>
        {questions(w).map((question) => (
          <QuestionBox key={question.name} question={question} settings={settings} />
        ))}
      </section>
      <section aria-labelledby="words" className="flex flex-col gap-4">
        <h2 id="words" className="scroll-mt-20 border-b border-base-300 pb-1 text-xl font-semibold">
          {w.naming.heading}
        </h2>
        <p className="text-sm text-secondary">{w.naming.intro}</p>
        <div className="grid items-start gap-6 md:grid-cols-[1fr_18rem]">
          <div className="flex flex-col gap-5 max-md:order-last">
            {wordQuestions(w).map((question) => (
              <QuestionBox key={question.name} question={question} settings={settings} />
            ))}
          </div>
          <div className="sticky top-16">
            <WordingPreview />
          </div>
        </div>
      </section>
      <StudioBox />
      {studioQuestions(w).map((question) => (
        <QuestionBox key={question.name} question={question} settings={settings} />
      ))}
      <AsideBox />
      <OfflineBox />
      <section aria-labelledby="sound">
        <h2 id="sound" className="scroll-mt-20 mb-3 border-b border-base-300 pb-1 text-xl font-semibold">
          {w.settings.sound}
        </h2>
        <p className="text-sm text-secondary" data-role="sound-licence">
          {w.settings.pianoIsRecordingSalamanderGrand}
        </p>
      </section>
      <Link href="/about" className="link flex min-h-8 items-center self-start underline" data-role="to-about">
        {w.about.link}
      </Link>
    </div>
  );
}
