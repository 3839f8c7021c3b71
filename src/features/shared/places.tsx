'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useSettled } from './use-settled';

const PLACES = [
  { href: '/', name: 'Shelf' },
  { href: '/bench', name: 'Bench' },
  { href: '/survey', name: 'Survey' },
  { href: '/atlas', name: 'Atlas' },
  { href: '/settings', name: 'Settings' },
] as const;

/** The places of the application, and which one this is. */
export function Places() {
  const path = usePathname();
  const isSettled = useSettled();
  return (
    <nav aria-label="Places" className="flex min-w-0 gap-1 max-sm:gap-0 max-sm:overflow-x-auto">
      {PLACES.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          prefetch={isSettled ? 'auto' : false}
          aria-current={
            path === href || (path === '/enter' && href === '/bench') || (path === '/fit' && href === '/')
              ? 'page'
              : undefined
          }
          className="btn btn-ghost btn-sm h-9 font-normal max-sm:px-2 aria-[current]:bg-base-200 aria-[current]:font-bold aria-[current]:underline aria-[current]:underline-offset-4"
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
