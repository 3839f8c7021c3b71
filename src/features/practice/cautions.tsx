import type { PracticeView } from '@/core/views';
import { useWords } from '@/features/shared/words/use-words';

interface CautionsProps {
  readonly view: Pick<PracticeView, 'stretches'>;
  /** Whether the same was played for so long that it is time to rest. */
  readonly isLong: boolean;
}

/** What hands are to be careful of: where they open wide, and when they had enough. */
export function Cautions({ view, isLong }: CautionsProps) {
  const w = useWords();
  return (
    <>
      {view.stretches ? (
        <p className="text-sm" data-role="caution">
          {w.practice.neverHurts}
        </p>
      ) : null}
      {isLong ? (
        <p className="rounded-box bg-base-200 p-3" role="status" data-role="rest-now">
          {w.practice.restNow}
        </p>
      ) : null}
    </>
  );
}
