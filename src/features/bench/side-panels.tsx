'use client';

import type { ReactNode } from 'react';

/** What stands beside the paper. */
export const SIDE_PANELS = ['notes', 'note', 'key', 'chords', 'partner'] as const;
export type SidePanel = (typeof SIDE_PANELS)[number];

const NAMES: Readonly<Record<SidePanel, string>> = {
  notes: 'Hand notes',
  note: 'This note',
  key: 'Key',
  chords: 'Chords',
  partner: 'Partner',
};

interface SidePanelsProps {
  readonly chosen: SidePanel;
  readonly onChoose: (panel: SidePanel) => void;
  readonly noteCount: number;
  readonly children: Readonly<Record<SidePanel, ReactNode>>;
}

/** The panels beside the paper, one at a time. */
export function SidePanels({ chosen, onChoose, noteCount, children }: SidePanelsProps) {
  return (
    // Beside the paper it stays where it is while the paper is scrolled, and is scrolled by itself: between the places at the top and the keyboard at the foot.
    <aside className="flex min-w-0 flex-col gap-3 lg:sticky lg:top-16 lg:max-h-[calc(100dvh-13.5rem)] lg:self-start">
      <div role="tablist" aria-label="Beside the paper" className="flex gap-1 border-b border-base-300">
        {SIDE_PANELS.map((panel) => (
          <button
            key={panel}
            type="button"
            role="tab"
            id={`tab-${panel}`}
            aria-selected={panel === chosen}
            aria-controls="side-panel"
            className={`h-9 cursor-pointer px-2 text-sm ${panel === chosen ? 'border-b-2 border-primary font-semibold' : 'text-secondary'}`}
            onClick={() => onChoose(panel)}
          >
            {NAMES[panel]}
            {panel === 'notes' && noteCount > 0 ? ` (${noteCount})` : ''}
          </button>
        ))}
      </div>
      <div
        role="tabpanel"
        id="side-panel"
        tabIndex={0}
        aria-labelledby={`tab-${chosen}`}
        className="min-h-0 lg:-mx-1 lg:overflow-y-auto lg:px-1 lg:pb-36"
      >
        <h2 className="sr-only">{NAMES[chosen]}</h2>
        {children[chosen]}
      </div>
    </aside>
  );
}
