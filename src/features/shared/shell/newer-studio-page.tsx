'use client';

import { useWords } from '@/features/shared/words/use-words';

/** In place of every screen where the studio was brought up by a newer version than this one. */
export function NewerStudioPage() {
  const w = useWords();
  return (
    <section
      role="alert"
      data-role="newer-studio"
      className="mx-auto flex max-w-xl flex-col items-center gap-4 px-4 py-16 text-center"
    >
      <h1 className="text-2xl font-semibold">{w.shared.studioIsOfNewerVersion}</h1>
      <p>{w.shared.newerVersionHasBeenHere}</p>
      <button type="button" className="btn btn-primary btn-sm h-9" onClick={() => location.reload()}>
        {w.shared.reload}
      </button>
    </section>
  );
}
