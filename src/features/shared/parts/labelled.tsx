import type { ReactNode } from 'react';

interface LabelledProps {
  readonly label: string;
  readonly trouble?: string | undefined;
  readonly children: ReactNode;
}

/** A field of a form with its words before it, and what is wrong with it below. */
export function Labelled({ label, trouble, children }: LabelledProps) {
  return (
    <div>
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="w-44 text-sm">{label}</span>
        {children}
      </div>
      {trouble ? (
        <p role="alert" className="text-sm text-error">
          {trouble}
        </p>
      ) : null}
    </div>
  );
}
