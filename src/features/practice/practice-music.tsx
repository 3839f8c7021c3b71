'use client';

import { useMemo, useRef } from 'react';
import type { PracticeView } from '@/core/views';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { keyboardRange } from '@/features/shared/keys/keyboard-map';
import { useSize } from '@/features/shared/parts/use-size';
import { useWords } from '@/features/shared/words/use-words';
import { ID_PREFIXES } from '@/core/paper';
import { KeysToPlay } from './keys-to-play';
import type { Run } from './use-run';

interface PracticeMusicProps {
  readonly view: PracticeView;
  readonly run: Pick<Run, 'followed' | 'moments' | 'state'>;
  /** Notes that are pointed at, by a fault that is looked at. */
  readonly shown: readonly string[];
  /** Whether the page and the fingers are put away: it is played from memory. */
  readonly isAway: boolean;
  /** The computer's keys that play these, where they do. */
  readonly letterOn?: ((midi: number) => string | null) | undefined;
  readonly onTouch: (midi: number) => void;
}

/** Between the music and the edges of its paper. Unit: px. */
const MARGIN_PX = 24;
/** How large the music is. Unit: per cent. */
const ZOOM = 42;

/** The music of what is practised, what was struck of it so far, and the keys with the fingers that come next. */
export function PracticeMusic({ view, run, shown, isAway, letterOn, onTouch }: PracticeMusicProps) {
  const w = useWords();
  const paper = useRef<HTMLDivElement>(null);
  const size = useSize(paper);
  const layout = useMemo(
    () => size && ({ widthPx: Math.max(240, size.widthPx - MARGIN_PX), zoom: ZOOM, breaks: 'encoded' } as const),
    [size],
  );
  const { followed, moments, state } = run;
  const judged = state.is === 'judged' ? state.judged : null;
  const ids = (notes: readonly string[]): readonly string[] => notes.map((id) => ID_PREFIXES.after + id);
  const lit = useMemo(() => (state.is === 'listening' ? ids(followed.lit.slice(-6)) : []), [state.is, followed.lit]);
  const faint = useMemo(() => ids(view.faint), [view]);
  const wrong = useMemo(
    () => ids(judged?.faults.filter(({ weighs }) => weighs).flatMap(({ notes }) => notes) ?? []),
    [judged],
  );
  const pointed = useMemo(() => ids(shown), [shown]);
  const next = moments[Math.min(followed.at, moments.length - 1)];
  const moment = view.moments.find(({ keys }) =>
    keys.some(({ noteId, isStruck }) => isStruck && noteId === next?.keys[0]?.id),
  );
  const range = useMemo(() => keyboardRange(view.moments), [view]);
  return (
    <>
      <section
        ref={paper}
        hidden={isAway}
        aria-label={w.practice.theMusic}
        className="min-h-40 overflow-x-auto rounded-box border border-base-300 bg-base-100 px-3 py-2"
        data-role="practice-paper"
        data-lit={followed.lit.length}
      >
        {layout ? (
          <EngravedPage
            page={view.page}
            layout={layout}
            label={w.practice.heading(view.title, view.key)}
            now={lit}
            faint={faint}
            wrong={wrong}
            pointed={pointed}
            sought={pointed[0]}
            follows={state.is === 'listening'}
          />
        ) : null}
      </section>
      {judged ? null : <KeysToPlay moment={isAway ? null : (moment ?? null)} {...{ range, letterOn, onTouch }} />}
    </>
  );
}
