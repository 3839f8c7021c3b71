'use client';

import { ChevronDown, ChevronUp, PanelRightClose, PanelRightOpen } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Screen } from '@/features/shared/parts/use-screen';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from '../keys/key-names';

/** What stands beside the paper. */
export const SIDE_PANELS = ['notes', 'note', 'stages', 'key', 'chords', 'partner'] as const;
export type SidePanel = (typeof SIDE_PANELS)[number];

const names = (w: Words): Readonly<Record<SidePanel, string>> => ({
  notes: w.bench.handNotes,
  note: w.bench.thisNote,
  stages: w.stages.rail,
  key: w.bench.key,
  chords: w.bench.chords,
  partner: w.bench.partner,
});

interface SidePanelsProps {
  readonly chosen: SidePanel;
  readonly isOpen: boolean;
  readonly screen: Screen;
  readonly onChoose: (panel: SidePanel) => void;
  readonly onFold: (fold: 'open' | 'folded') => void;
  readonly noteCount: number;
  readonly children: Readonly<Record<SidePanel, ReactNode>>;
}

/** The panels, one at a time: beside the paper where there is room, else a sheet that comes up from below. Folded away, their names stay to be pressed. */
export function SidePanels(props: SidePanelsProps) {
  const w = useWords();
  const { chosen, isOpen, screen, children } = props;
  const isBeside = screen === 'wide';
  return (
    <aside
      data-role="beside"
      data-open={isOpen}
      className={`flex min-h-0 min-w-0 shrink-0 border-base-300 bg-base-200 print:hidden ${
        isBeside ? `border-l ${isOpen ? 'w-[23.5rem] flex-col' : 'w-10 flex-row'}` : 'w-full flex-col border-t'
      }`}
    >
      <PanelNames {...props} />
      <div
        role="tabpanel"
        id="side-panel"
        hidden={!isOpen}
        tabIndex={0}
        data-scrolls
        aria-labelledby={`tab-${chosen}`}
        className={`min-h-0 overflow-y-auto overscroll-contain px-3 pt-2 pb-4 ${isBeside ? 'flex-1' : 'h-[min(38dvh,22rem)]'}`}
      >
        <h2 className="sr-only">{names(w)[chosen]}</h2>
        {children[chosen]}
      </div>
    </aside>
  );
}

/** The names of the panels in one row, or one under the other where the panel beside the paper is folded away. */
function PanelNames({ chosen, isOpen, screen, onChoose, onFold, noteCount }: SidePanelsProps) {
  const w = useWords();
  const isRail = screen === 'wide' && !isOpen;
  const Fold = screen === 'wide' ? (isOpen ? PanelRightClose : PanelRightOpen) : isOpen ? ChevronDown : ChevronUp;
  const press = (panel: SidePanel): void => {
    onFold(isOpen && panel === chosen && screen !== 'wide' ? 'folded' : 'open');
    onChoose(panel);
  };
  return (
    <div
      className={`flex shrink-0 ${isRail ? 'w-10 flex-col items-center py-1' : 'h-11 items-center border-b border-base-300 pr-1 pl-2'}`}
    >
      <div
        role="tablist"
        aria-label={w.bench.besidePaper}
        aria-orientation={isRail ? 'vertical' : 'horizontal'}
        className={`flex min-w-0 ${isRail ? 'order-last flex-col' : 'h-full flex-1 overflow-x-auto [scrollbar-width:none]'}`}
      >
        {SIDE_PANELS.map((panel) => (
          <button
            key={panel}
            type="button"
            role="tab"
            id={`tab-${panel}`}
            aria-selected={panel === chosen}
            aria-controls="side-panel"
            className={`shrink-0 cursor-pointer text-[13px] whitespace-nowrap ${isRail ? 'w-10 py-2 [writing-mode:vertical-rl]' : 'h-full px-1'} ${
              panel === chosen && isOpen ? 'border-b-2 border-primary font-semibold' : 'text-secondary'
            }`}
            onClick={() => press(panel)}
          >
            {names(w)[panel]}
            {panel === 'notes' && noteCount > 0 ? ` (${noteCount})` : ''}
          </button>
        ))}
      </div>
      <button
        type="button"
        data-role="fold-beside"
        aria-expanded={isOpen}
        aria-controls="side-panel"
        aria-label={w.bench.panelBesidePaper}
        title={withKey(isOpen ? w.bench.foldItAway : w.bench.openIt, BENCH_KEYS.beside)}
        className="btn btn-ghost btn-sm btn-square size-9 shrink-0 pointer-coarse:size-11"
        onClick={() => onFold(isOpen ? 'folded' : 'open')}
      >
        <Fold size={18} aria-hidden />
      </button>
    </div>
  );
}
