'use client';

import { useEffect, useRef, type ReactNode } from 'react';

interface FoldOutProps {
  /** What is pressed to open it. */
  readonly summary: ReactNode;
  readonly className: string;
  /** For tests and for pictures. */
  readonly role: string;
  readonly label?: string;
  readonly title?: string;
  /** Which side of it stays in line with the button, and how wide it is. */
  readonly side?: 'left' | 'right';
  readonly width: string;
  readonly children: ReactNode;
}

/** What unfolds under a button, over what is below: it closes by a press beside it and by Escape. */
export function FoldOut({ summary, className, role, label, title, side = 'right', width, children }: FoldOutProps) {
  const fold = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const close = (event: Event): void => {
      const { current } = fold;
      if (!current?.open || (event instanceof KeyboardEvent && event.key !== 'Escape')) return;
      if (event instanceof KeyboardEvent) {
        event.stopPropagation();
        current.querySelector('summary')?.focus();
      } else if (event.composedPath().includes(current)) return;
      current.open = false;
    };
    window.addEventListener('pointerdown', close, true);
    window.addEventListener('keydown', close, true);
    return () => {
      window.removeEventListener('pointerdown', close, true);
      window.removeEventListener('keydown', close, true);
    };
  }, []);
  return (
    <details
      ref={fold}
      className="relative text-sm"
      // Where something is to be typed, it can be typed at once.
      onToggle={({ currentTarget }) =>
        currentTarget.open ? currentTarget.querySelector<HTMLElement>('[data-first]')?.focus() : undefined
      }
    >
      <summary className={className} data-role={role} aria-label={label} title={title}>
        {summary}
      </summary>
      <div
        className={`absolute z-40 mt-1 max-h-[70dvh] overflow-y-auto rounded-box border border-base-300 bg-base-100 shadow-lg max-sm:fixed max-sm:inset-x-2 max-sm:w-auto ${side === 'left' ? 'left-0' : 'right-0'} ${width}`}
      >
        {children}
      </div>
    </details>
  );
}
