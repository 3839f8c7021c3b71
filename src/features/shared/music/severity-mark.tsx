import type { Severity } from '@/core/flags';

/** The sign of a severity: told apart by shape and word as well as by colour. */
export function SeverityMark({ severity, size = 14 }: { readonly severity: Severity; readonly size?: number }) {
  return (
    <svg
      viewBox="0 0 16 16"
      width={size}
      height={size}
      role="img"
      aria-label={severity}
      className={`shrink-0 ${COLOUR[severity]}`}
    >
      {SHAPE[severity]}
    </svg>
  );
}

const COLOUR: Readonly<Record<Severity, string>> = {
  must: 'text-error',
  should: 'text-warning',
  watch: 'text-secondary',
};

const SHAPE = {
  must: <path d="M2 2h12v12H2z" fill="currentColor" />,
  should: <path d="M8 1l7 13H1z" fill="currentColor" />,
  watch: <circle cx="8" cy="8" r="5.5" fill="none" stroke="currentColor" strokeWidth="2.2" />,
} as const;
