import { Checkbox } from '@/features/shared/parts/checkbox';

interface EarTickProps {
  /** How tests find it. */
  readonly role: string;
  readonly words: string;
  /** What is told below it; nothing where that is empty. */
  readonly told?: string;
  readonly isTicked: boolean;
  readonly onTick: (isTicked: boolean) => void;
}

/** Something about the ear that is so or not. */
export function EarTick({ role, words, told = '', isTicked, onTick }: EarTickProps) {
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2 text-sm pointer-coarse:min-h-11">
      <Checkbox data-role={role} checked={isTicked} onChange={(event) => onTick(event.target.checked)} />
      <span>
        {words}
        {told === '' ? null : <span className="block text-xs text-secondary">{told}</span>}
      </span>
    </label>
  );
}
