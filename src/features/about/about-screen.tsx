'use client';

import { ownAddress } from '@/features/shared/address/own-address';
import Link from 'next/link';
import { Download } from 'lucide-react';
import { ScreenKeys } from '@/features/shared/keys/key-help';
import { useSaveStudio } from '@/features/shared/files/save-studio';
import { useWords } from '@/features/shared/words/use-words';
import { RemoveAll } from './remove-all';

/** What is kept where, how it is taken along and removed, and what New Thumb is made with. */
export function AboutScreen() {
  const w = useWords();
  const saveIt = useSaveStudio();
  const save = (): void => void saveIt();
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-8 px-4 py-5">
      <ScreenKeys keys={[]} />
      <h1 className="text-2xl font-semibold">{w.about.heading}</h1>
      <dl className="-mt-4 grid gap-x-6 gap-y-3 sm:grid-cols-[12rem_minmax(0,1fr)]" data-role="kept-where">
        {w.about.places.map(([place, what]) => (
          <div key={place} className="contents">
            <dt className="font-serif text-lg font-semibold">{place}</dt>
            <dd className="max-sm:-mt-2">{what}</dd>
          </div>
        ))}
      </dl>
      <section aria-labelledby="along" className="flex flex-col items-start gap-2">
        <h2 id="along" className="w-full border-b border-base-300 pb-1 text-xl font-semibold">
          {w.about.takeAlong}
        </h2>
        <p>{w.about.takeAlongHow}</p>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm h-9 bg-base-100" onClick={save}>
            <Download size={16} aria-hidden /> {w.shared.saveStudio}
          </button>
          <Link href="/settings#studio" className="btn btn-ghost btn-sm h-9 font-normal">
            {w.about.keepUpToDate}
          </Link>
        </div>
      </section>
      <RemoveAll onSave={save} />
      <section aria-labelledby="made-with" className="flex flex-col items-start gap-2">
        <h2 id="made-with" className="w-full border-b border-base-300 pb-1 text-xl font-semibold">
          {w.about.madeWith}
        </h2>
        <p>{w.offline.version(process.env['NEXT_PUBLIC_VERSION'] ?? '')}</p>
        <p>{w.settings.pianoIsRecordingSalamanderGrand}</p>
        <p>
          {w.about.madeWithHow}{' '}
          <a
            href={ownAddress('/notices.txt')}
            className="link underline"
            data-role="notices"
            target="_blank"
            rel="noreferrer"
          >
            {w.about.notices}
          </a>
        </p>
      </section>
    </div>
  );
}
