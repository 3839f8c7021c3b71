'use client';

import Link from 'next/link';
import { useState } from 'react';
import { saveStudio } from './save-studio';

interface TroublePageProps {
  /** What could not be shown, as `The Bench`. */
  readonly what: string;
  readonly onAgain: () => void;
}

/** Where a screen came to grief: the studio is still there, and can be saved. */
export function TroublePage({ what, onAgain }: TroublePageProps) {
  const [saved, setSaved] = useState<string | null>(null);
  const save = (): void => {
    saveStudio().then(
      (name) => setSaved(`The studio is saved as ${name}.`),
      () =>
        setSaved('The studio cannot be read just now. Reload the page, and look whether this browser may keep data.'),
    );
  };
  return (
    <section
      role="alert"
      data-role="trouble-page"
      className="mx-auto flex max-w-xl flex-col gap-4 px-4 py-16 text-center"
    >
      <h1 className="text-2xl font-semibold">{what} cannot be shown just now</h1>
      <p>
        Something went wrong in New Thumb itself. What you did before is kept; try once more, or go on elsewhere. If it
        happens again, save the studio to a file to be on the safe side.
      </p>
      <div className="flex flex-wrap justify-center gap-2">
        <button type="button" className="btn btn-primary btn-sm h-9" onClick={onAgain}>
          Try again
        </button>
        <Link className="btn btn-sm h-9" href="/">
          To the shelf
        </Link>
        <button type="button" className="btn btn-sm h-9" onClick={save}>
          Save the studio
        </button>
      </div>
      <p role="status" className="min-h-6 text-sm">
        {saved}
      </p>
    </section>
  );
}
