'use client';

import { usePathname } from 'next/navigation';
import { TroublePage } from '@/features/shared/shell/trouble-page';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What a screen is called, by the first part of its address. */
const SCREENS: Readonly<Record<string, (w: Words) => string>> = {
  '': (w) => w.places.shelf,
  atlas: (w) => w.places.atlas,
  bench: (w) => w.places.bench,
  enter: (w) => w.places.entering,
  fit: (w) => w.shared.whatFits,
  handout: (w) => w.handout.sheet,
  lesson: (w) => w.places.lesson,
  practice: (w) => w.places.pupilsPage,
  pupil: (w) => w.places.pupil,
  pupils: (w) => w.places.pupils,
  record: (w) => w.places.record,
  settings: (w) => w.shared.settings,
  stand: (w) => w.places.musicStand,
  survey: (w) => w.places.survey,
  'take-in': (w) => w.places.takeIn,
  week: (w) => w.places.week,
};

/** Whichever screen came to grief. */
export default function Trouble({ reset }: { readonly reset: () => void }) {
  const w = useWords();
  const [, screen = ''] = usePathname().split('/');
  return <TroublePage what={(SCREENS[screen] ?? ((words: Words) => words.shared.studio))(w)} onAgain={reset} />;
}
