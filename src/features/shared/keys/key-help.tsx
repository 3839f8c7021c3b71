'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ChoiceBox } from '../choices/choice-box';
import type { Choice } from '../choices/find-choices';
import { useAnywhere } from '../choices/use-anywhere';
import { keyCap } from './key-caps';
import { useKeys, type ScreenKey } from './use-keys';
import { useWords, type Words } from '@/features/shared/words/use-words';

const everywhere = (w: Words) => [
  { key: 'Control+k', does: w.shared.sayWhatToDoEvery },
  { key: 'Control+z', does: w.shared.takeLastEditBack },
  { key: 'Control+Shift+z', does: w.shared.doItAgain },
  { key: 'Control+h', does: w.shared.showEverythingThatWasDone },
  { key: '?', does: w.shared.showTheseKeysWhileIt },
];

interface ScreenKeysProps {
  readonly keys: readonly ScreenKey[];
  /** What can be done here beyond the keys, for what is typed so far: to go to a key, to ring every F♯ … */
  readonly choices?: ((typed: string) => readonly Choice[]) | undefined;
}

/** How many screens listen to these keys themselves just now. */
let listening = 0;

/** For screens that have no keys of their own: what can be done everywhere is listed and found there too. */
export function UsualKeys() {
  return <KeysAndWords keys={NO_KEYS} isOurs={() => listening === 0} />;
}

const NO_KEYS: readonly ScreenKey[] = [];

/** Listens to a screen's keys, lists them when `?` is pressed, and finds all that can be done by its words. */
export function ScreenKeys(props: ScreenKeysProps) {
  useEffect(() => {
    listening += 1;
    return () => {
      listening -= 1;
    };
  }, []);
  return <KeysAndWords {...props} isOurs={always} />;
}

const always = (): boolean => true;

/** What is open, and the how manieth it is. */
interface OpenBox {
  readonly what: 'keys' | 'choices';
  readonly nth: number;
}

function KeysAndWords({ keys, choices, isOurs }: ScreenKeysProps & { readonly isOurs: () => boolean }) {
  const [box, setBox] = useState<OpenBox | null>(null);
  const opened = useRef(0);
  const all = useMemo(() => {
    const open = (what: OpenBox['what']): void => {
      if (!isOurs()) return;
      opened.current += 1;
      setBox({ what, nth: opened.current });
    };
    return [
      ...keys,
      { key: '?', does: '', act: () => open('keys') },
      { key: 'Control+k', does: '', act: () => open('choices') },
    ];
  }, [keys, isOurs]);
  useKeys(all);
  if (box === null) return null;
  // A browser tells late that a box was closed: by then the next may be open, and that one stays.
  const close = (): void => setBox((now) => (now?.nth === box.nth ? null : now));
  if (box.what === 'keys') return <KeyList key={box.nth} keys={keys} onClose={close} />;
  return <Choices key={box.nth} keys={keys} choices={choices} onClose={close} />;
}

/** Held so long, `?` is held to look, and the list goes when it is let go. Unit: ms. */
const HELD_MS = 450;

function KeyList({ keys, onClose }: Pick<ScreenKeysProps, 'keys'> & { readonly onClose: () => void }) {
  const w = useWords();
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  useEffect(() => {
    const since = performance.now();
    const letGo = ({ key }: KeyboardEvent): void => {
      // On many keyboards it is made of two keys; the first that is let go ends it.
      if (!['?', '/', 'Shift', 'ß'].includes(key)) return;
      window.removeEventListener('keyup', letGo);
      if (performance.now() - since >= HELD_MS) dialog.current?.close();
    };
    window.addEventListener('keyup', letGo);
    return () => window.removeEventListener('keyup', letGo);
  }, []);
  return (
    <dialog ref={dialog} className="modal" aria-label={w.shared.keysOfThisScreen} onClose={onClose}>
      <div className="modal-box max-w-3xl">
        <h2 className="mb-3 text-lg font-semibold">{w.shared.keysOfThisScreen}</h2>
        <dl className="gap-x-8 sm:columns-2">
          {[...keys, ...everywhere(w)].map(({ key, does }) => (
            <div key={key} className="mb-2 grid break-inside-avoid grid-cols-[7.5rem_1fr] items-center gap-x-3">
              <dt>
                <kbd className="kbd">{keyCap(key)}</kbd>
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <form method="dialog" className="modal-action">
          <button type="submit" className="btn">
            {w.shared.close}
          </button>
        </form>
      </div>
    </dialog>
  );
}

function Choices({ keys, choices, onClose }: ScreenKeysProps & { readonly onClose: () => void }) {
  const anywhere = useAnywhere();
  const choicesFor = useCallback(
    (typed: string): readonly Choice[] => [
      // What more keys than one do is offered by names, not by keys.
      ...keys.flatMap(({ key, does, act, anyOf }) =>
        anyOf ? [] : [{ words: does, key: keyCap(key), act: () => act(key) }],
      ),
      ...(choices?.(typed) ?? []),
      ...anywhere(),
    ],
    [keys, choices, anywhere],
  );
  return <ChoiceBox choicesFor={choicesFor} onClose={onClose} />;
}
