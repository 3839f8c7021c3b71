import Link from 'next/link';
import { HistoryButtons } from '@/features/shared/history/history-buttons';
import { ArrowLeft, EyeOff, Pencil as PencilIcon, Sun, ZoomIn, ZoomOut } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { STAND_KEYS } from './stand-keys';

interface StandHeadProps {
  readonly title: string;
  readonly keyWords: string;
  /** Whether the screen is kept from going dark. */
  readonly isAwake: boolean;
  readonly hasPencil: boolean;
  readonly benchAddress: string;
  readonly onPencil: () => void;
  readonly onResize: (by: 1 | -1) => void;
  readonly onHide: () => void;
}

const BUTTON = 'btn btn-ghost btn-square size-11';

/** What is on the stand, and the few things that are done to it. */
export function StandHead({
  title,
  keyWords,
  isAwake,
  hasPencil,
  benchAddress,
  onPencil,
  onResize,
  onHide,
}: StandHeadProps) {
  const w = useWords();
  return (
    <header className="flex h-12 shrink-0 items-center gap-1 border-b border-base-300 px-2">
      <Link
        className={BUTTON}
        href={benchAddress}
        aria-label={w.stand.backToBench}
        title={withKey(w.stand.backToBench, STAND_KEYS.leave)}
      >
        <ArrowLeft size={20} aria-hidden />
      </Link>
      <h1 className="min-w-0 truncate text-lg font-semibold">
        {title} <span className="font-sans text-base font-normal text-secondary">{keyWords}</span>
      </h1>
      <div className="ml-auto flex shrink-0 items-center">
        {isAwake ? (
          <span className="px-2 text-secondary max-sm:hidden" title={w.stand.screenStaysOn}>
            <Sun size={18} aria-label={w.stand.screenStaysOn} />
          </span>
        ) : null}
        <HistoryButtons />
        <button
          type="button"
          className={`${BUTTON} max-sm:hidden`}
          aria-label={w.shared.smallerButton}
          title={withKey(w.shared.smallerButton, STAND_KEYS.smaller)}
          onClick={() => onResize(-1)}
        >
          <ZoomOut size={20} aria-hidden />
        </button>
        <button
          type="button"
          className={`${BUTTON} max-sm:hidden`}
          aria-label={w.shared.largerButton}
          title={withKey(w.shared.largerButton, STAND_KEYS.larger)}
          onClick={() => onResize(1)}
        >
          <ZoomIn size={20} aria-hidden />
        </button>
        <button
          type="button"
          aria-pressed={hasPencil}
          className={`btn btn-square size-11 ${hasPencil ? 'btn-neutral' : 'btn-ghost'}`}
          aria-label={w.stand.pencilButton}
          title={withKey(w.stand.pencilTitle, STAND_KEYS.pencil)}
          data-role="pencil"
          onClick={onPencil}
        >
          <PencilIcon size={20} aria-hidden />
        </button>
        <button
          type="button"
          className={BUTTON}
          aria-label={w.stand.nothingButMusic}
          title={withKey(w.stand.nothingButMusicTitle, STAND_KEYS.bars)}
          onClick={onHide}
        >
          <EyeOff size={20} aria-hidden />
        </button>
      </div>
    </header>
  );
}
