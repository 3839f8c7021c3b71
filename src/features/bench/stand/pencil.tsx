import { Circle, Eraser } from 'lucide-react';
import type { BenchView } from '@/core/views';
import type { Finger } from '@/core/score';
import type { PaperMark } from '../paper/paper-mark';
import type { DecisionActions } from '../beside/use-decide';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What the pencil does to the note it touches. */
export type Pencil = 'ring' | 'rub-out' | Finger;

export const PENCILS: readonly Pencil[] = ['ring', 1, 2, 3, 4, 5, 'rub-out'];

const pencilWords = (w: Words) => ({ ring: w.stand.ring, 'rub-out': w.stand.rubOut }) as const;

interface PencilBarProps {
  readonly pencil: Pencil;
  readonly onPencil: (pencil: Pencil) => void;
}

/** What the pencil is for now: rings, finger numbers, and taking them away again. */
export function PencilBar({ pencil, onPencil }: PencilBarProps) {
  const w = useWords();
  return (
    <div
      role="group"
      aria-label={w.stand.pencil}
      className="flex justify-center gap-1 overflow-x-auto px-2 pb-1.5"
      data-role="pencil-bar"
    >
      {PENCILS.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={pencil === one}
          data-pencil={one}
          className={`btn h-11 min-w-11 px-3 ${pencil === one ? 'btn-neutral' : ''}`}
          onClick={() => onPencil(one)}
        >
          {one === 'ring' ? <Circle size={18} aria-hidden /> : null}
          {one === 'rub-out' ? <Eraser size={18} aria-hidden /> : null}
          {typeof one === 'number' ? (
            <span className="text-lg font-bold">{one}</span>
          ) : (
            <span className="max-sm:sr-only">{pencilWords(w)[one]}</span>
          )}
        </button>
      ))}
    </div>
  );
}

interface Drawing {
  readonly view: BenchView;
  readonly marks: readonly PaperMark[];
  readonly actions: DecisionActions;
}

/** Puts the pencil to a note. Each touch is one edit that can be undone. */
export function touch(w: Words, pencil: Pencil, note: string, { view, marks, actions }: Drawing): void {
  const name =
    view.momentsAfter.flatMap(({ keys }) => keys).find(({ noteId }) => noteId === note)?.name ?? w.stand.note;
  if (typeof pencil === 'number')
    return actions.fingers([{ note, finger: pencil }], 'here', w.stand.fingerOn(pencil, name));
  if (pencil === 'ring') return actions.mark('ring', [note], '', w.shared.ringAt(name));
  const ringed = marks.some((mark) => mark.note === note && mark.kind === 'ring');
  if (ringed) actions.mark('ring', [note], '', w.stand.ringAtRubbedOut(name));
  else if (view.decisions.some(({ noteId }) => noteId === note))
    actions.letGo([note], w.shared.fingerOnGivenBack(name));
}
