import type { ReactNode } from 'react';
import { CircleAlert, Info } from 'lucide-react';

interface NoticeProps {
  /** An alert is about work that is in danger; a status can wait. */
  readonly role: 'alert' | 'status';
  readonly name: string;
  /** Trouble of the teacher's work, or news that trouble nobody. */
  readonly tone?: 'trouble' | 'news';
  readonly children: ReactNode;
}

/** A band above the screen, with what can be done about it. */
export function Notice({ role, name, tone = 'trouble', children }: NoticeProps) {
  const Icon = tone === 'trouble' ? CircleAlert : Info;
  return (
    <div
      role={role}
      data-notice={name}
      className={`print:hidden flex flex-wrap items-center gap-x-3 gap-y-2 border-b-2 bg-base-100 px-4 py-2 text-sm ${tone === 'trouble' ? 'border-error' : 'border-primary'}`}
    >
      <Icon size={20} aria-hidden className={`shrink-0 ${tone === 'trouble' ? 'text-error' : 'text-primary'}`} />
      {children}
    </div>
  );
}
