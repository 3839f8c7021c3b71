'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { ChevronDown } from 'lucide-react';
import { FoldOut } from '../parts/fold-out';
import { MENU } from './place-list';
import { useScreen } from '../parts/use-screen';
import { useSettled } from '../parts/use-settled';
import { useWords } from '@/features/shared/words/use-words';

/** The places of the application, and which one this is. On a phone they stand under the name of this one. */
export function Places() {
  const w = useWords();
  const path = usePathname();
  const isPhone = useScreen() === 'phone';
  const isHere = (href: string): boolean =>
    path === href ||
    (['/enter', '/handout'].includes(path) && href === '/bench') ||
    (path === '/fit' && href === '/') ||
    (path === '/about' && href === '/settings') ||
    (['/pupil', '/lesson', '/record'].includes(path) && href === '/pupils');
  if (!isPhone) {
    return (
      <nav aria-label={w.shared.places} className="flex min-w-0 gap-1">
        <PlaceLinks isHere={isHere} shape="btn btn-ghost btn-sm h-9 font-normal max-lg:px-2 pointer-coarse:h-11" />
      </nav>
    );
  }
  const place = MENU.find(({ href }) => isHere(href))?.name;
  const here = place ? w.shared.placeNames[place] : w.shared.places;
  return (
    <nav aria-label={w.shared.places}>
      <FoldOut
        summary={
          <>
            {here} <ChevronDown size={16} aria-hidden />
          </>
        }
        className="btn btn-ghost h-10 px-2"
        role="places"
        label={w.shared.toAnotherPlace(here)}
        side="left"
        width="w-56"
      >
        {/* A press goes there, and what was unfolded goes away. */}
        <div
          className="flex flex-col p-1"
          onClick={({ currentTarget }) => currentTarget.closest('details')?.removeAttribute('open')}
        >
          <PlaceLinks isHere={isHere} shape="btn btn-ghost h-11 justify-start font-normal" />
        </div>
      </FoldOut>
    </nav>
  );
}

interface PlaceLinksProps {
  readonly isHere: (href: string) => boolean;
  readonly shape: string;
}

function PlaceLinks({ isHere, shape }: PlaceLinksProps) {
  const w = useWords();
  const isSettled = useSettled();
  return MENU.map(({ href, name }) => (
    <Link
      key={href}
      href={href}
      prefetch={isSettled ? 'auto' : false}
      aria-current={isHere(href) ? 'page' : undefined}
      className={`${shape} aria-[current]:bg-base-200 aria-[current]:font-bold aria-[current]:underline aria-[current]:underline-offset-4`}
    >
      {w.shared.placeNames[name]}
    </Link>
  ));
}
