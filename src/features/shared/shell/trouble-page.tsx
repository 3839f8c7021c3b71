'use client';

import Link from 'next/link';
import { useState } from 'react';
import { useStoreState } from '@/data';
import { saveStudio } from '../files/save-studio';
import { useWords } from '@/features/shared/words/use-words';

interface TroublePageProps {
  /** What could not be shown, as `The Bench`. */
  readonly what: string;
  readonly onAgain: () => void;
}

/** Where a screen came to grief: the studio is still there, and can be saved. */
export function TroublePage({ what, onAgain }: TroublePageProps) {
  const w = useWords();
  const store = useStoreState();
  const [saved, setSaved] = useState<string | null>(null);
  const save = (): void => {
    saveStudio().then(
      (name) => setSaved(w.shared.studioIsSavedAs(name)),
      () => setSaved(w.shared.studioCannotBeReadJust),
    );
  };
  return (
    <section
      role="alert"
      data-role="trouble-page"
      className="mx-auto flex max-w-xl flex-col gap-4 px-4 py-16 text-center"
    >
      <h1 className="text-2xl font-semibold">{w.shared.cannotBeShownJustNow(what)}</h1>
      <p>{store === 'gone' ? w.shared.screenNeedsStore : w.shared.somethingWentWrongInNew}</p>
      <div className="flex flex-wrap justify-center gap-2">
        <button type="button" className="btn btn-primary btn-sm h-9" onClick={onAgain}>
          {w.shared.tryAgain}
        </button>
        <Link className="btn btn-sm h-9" href="/">
          {w.shared.toShelf}
        </Link>
        <button type="button" className="btn btn-sm h-9" onClick={save}>
          {w.shared.saveStudio}
        </button>
      </div>
      <p role="status" className="min-h-6 text-sm">
        {saved}
      </p>
    </section>
  );
}
