'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { useKeys, type ScreenKey } from './use-keys';

const EVERYWHERE = [
  { key: 'Control+z', does: 'take the last edit back' },
  { key: 'Control+Shift+z', does: 'do it again' },
  { key: '?', does: 'show these keys' },
];

/** Listens to a screen's keys, and lists them when `?` is pressed. */
export function ScreenKeys({ keys }: { readonly keys: readonly ScreenKey[] }) {
  const [isOpen, setOpen] = useState(false);
  const dialog = useRef<HTMLDialogElement>(null);
  const all = useMemo(() => [...keys, { key: '?', does: 'show these keys', act: () => setOpen(true) }], [keys]);
  useKeys(all);
  useEffect(() => {
    if (isOpen) dialog.current?.showModal();
  }, [isOpen]);
  return (
    <dialog ref={dialog} className="modal" aria-label="Keys of this screen" onClose={() => setOpen(false)}>
      <div className="modal-box">
        <h2 className="mb-3 text-lg font-semibold">Keys of this screen</h2>
        <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
          {[...keys, ...EVERYWHERE].map(({ key, does }) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="kbd">{PRINTED[key] ?? key}</kbd>
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <form method="dialog" className="modal-action">
          <button type="submit" className="btn">
            Close
          </button>
        </form>
      </div>
    </dialog>
  );
}

const PRINTED: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  'Control+z': 'Ctrl + Z',
  'Control+Shift+z': 'Ctrl + Shift + Z',
};
