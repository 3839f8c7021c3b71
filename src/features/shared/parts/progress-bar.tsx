interface ProgressBarProps {
  /** How far it is, of `of`; null while that is not known. */
  readonly done: number | null;
  readonly of: number;
  /** What is worked on, for those who hear it; where it stands beside the bar, it need not be said twice. */
  readonly words?: string;
}

/** How far something is, the same on every screen. */
export function ProgressBar({ done, of, words }: ProgressBarProps) {
  const known = done === null ? {} : { value: done, max: of };
  return <progress className="progress progress-primary w-40" aria-label={words} {...known} />;
}
