'use client';

import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useEffectEvent,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import { usePathname } from 'next/navigation';
import { CircleAlert, CircleCheck, X } from 'lucide-react';
import { useWords } from '@/features/shared/words/use-words';

/** Something to tell the teacher. A trouble stays until it is put away, goes along to one other screen at most, and stands there once; what went well leaves
 * with the next message, or after a while. */
export interface Message {
  readonly kind: 'done' | 'trouble';
  readonly text: string;
  readonly hint?: string;
  /** What can be done about it; each puts the message away. */
  readonly actions?: readonly { readonly words: string; readonly act: () => Promise<void> }[];
}

interface Messages {
  readonly say: (message: Message) => void;
}

const MessagesContext = createContext<Messages>({ say: () => undefined });

export function useMessages(): Messages {
  return useContext(MessagesContext);
}

/** `isCarried`: it was told on the screen before. */
type ShownMessage = Message & { readonly number: number; readonly isCarried: boolean };

/** Shows messages in a corner, heard by screen readers; nothing has to be answered. */
export function MessagesProvider({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<readonly ShownMessage[]>([]);
  const say = useCallback((message: Message) => {
    setShown((before) => {
      const number = (before.at(-1)?.number ?? 0) + 1;
      const open = before.filter(({ kind, text }) => kind === 'trouble' && text !== message.text);
      return [...open.slice(-2), { ...message, number, isCarried: false }];
    });
  }, []);
  const value = useMemo(() => ({ say }), [say]);
  const path = usePathname();
  const [toldOn, setToldOn] = useState(path);
  if (toldOn !== path) {
    setToldOn(path);
    setShown((before) => before.filter(({ isCarried }) => !isCarried).map((one) => ({ ...one, isCarried: true })));
  }
  const putAway = (gone: number): void => setShown((before) => before.filter(({ number }) => number !== gone));
  return (
    <MessagesContext.Provider value={value}>
      {children}
      <div className="toast toast-end z-50 mb-(--foot) max-w-lg" role="status" aria-live="polite">
        {shown.map((message) => (
          <MessageBox key={message.number} message={message} onClose={() => putAway(message.number)} />
        ))}
      </div>
    </MessagesContext.Provider>
  );
}

/** So long it is seen that something went well; it stands in the history as well. Unit: ms. */
const SEEN_MS = 6_000;

function MessageBox({ message, onClose }: { readonly message: ShownMessage; readonly onClose: () => void }) {
  const w = useWords();
  const isTrouble = message.kind === 'trouble';
  const [isHeld, setHeld] = useState(false);
  const close = useEffectEvent(onClose);
  useEffect(() => {
    if (isTrouble || isHeld) return;
    const timer = setTimeout(close, SEEN_MS);
    return () => clearTimeout(timer);
  }, [isTrouble, isHeld]);
  const Icon = isTrouble ? CircleAlert : CircleCheck;
  return (
    <div
      data-message={message.kind}
      // While it is being read it stays.
      onPointerEnter={() => setHeld(true)}
      onPointerLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
      className={`flex items-start gap-3 rounded-box border-2 bg-base-100 p-3 shadow-lg ${isTrouble ? 'border-error' : 'border-success'}`}
    >
      <Icon className={`mt-0.5 shrink-0 ${isTrouble ? 'text-error' : 'text-success'}`} size={20} aria-hidden />
      <div className="min-w-0 whitespace-normal">
        <p className="font-semibold">{message.text}</p>
        {message.hint ? <p className="text-sm">{message.hint}</p> : null}
        {message.actions ? (
          <div className="mt-2 flex flex-wrap gap-2">
            {message.actions.map(({ words, act }) => (
              <button
                key={words}
                type="button"
                className="btn btn-sm h-9 font-normal"
                onClick={() => {
                  onClose();
                  void act();
                }}
              >
                {words}
              </button>
            ))}
          </div>
        ) : null}
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={w.shared.putThisMessageAway}
        onClick={onClose}
      >
        <X size={16} />
      </button>
    </div>
  );
}
