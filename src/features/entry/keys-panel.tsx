'use client';

import { memo, useEffect, useState } from 'react';
import type { EntryView } from '@/core/views';
import { change } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import type { ScreenCommand } from '@/contract/entry-questions';
import {
  entryKeys,
  groupNames,
  pressedKey,
  printedKey,
  takenBy,
  type ChosenKey,
  type EntryAction,
  type EntryKey,
} from './entry-keys';
import { RowTable } from './row-table';
import { useWords } from '@/features/shared/words/use-words';

interface KeysPanelProps {
  readonly view: EntryView;
  readonly keys: readonly EntryKey[];
  readonly chosen: readonly ChosenKey[];
  readonly onAction: (action: EntryAction) => void;
  readonly onPress: (command: ScreenCommand) => void;
  /** What is waiting for its new key; the keys for entering rest meanwhile. */
  readonly asked: string | null;
  readonly onAsk: (name: string | null) => void;
}

const GROUPS = ['notes', 'next', 'rests', 'hand', 'last', 'caret', 'bars'] as const;

/** All keys that count in this way of entering. Each can be pressed here too, and changed. */
export const KeysPanel = memo(function KeysPanel({
  view,
  keys,
  chosen,
  onAction,
  onPress,
  asked,
  onAsk,
}: KeysPanelProps) {
  const w = useWords();
  const [isChanging, setChanging] = useState(false);
  const own = keys.filter(
    ({ methods: ways, action }) => (!ways || ways.includes(view.method)) && (isChanging || !isInRows(action)),
  );
  useAskedKey(asked, keys, chosen, onAsk);
  return (
    <div className="flex flex-col gap-3">
      {view.method === 'fingers' ? <RowTable view={view} keys={keys} onPress={onPress} /> : null}
      <div className="flex items-center gap-2 text-sm">
        <button
          type="button"
          aria-pressed={isChanging}
          className={`btn btn-sm h-8 font-normal ${isChanging ? 'btn-neutral' : ''}`}
          onClick={() => setChanging(!isChanging)}
        >
          {w.entry.changeKeys}
        </button>
        {chosen.length > 0 ? (
          <button
            type="button"
            className="btn btn-ghost btn-sm h-8 font-normal"
            onClick={() => void keepKeys([], w.entry.allKeysForEnteringAs)}
          >
            {w.entry.allAsTheyWere}
          </button>
        ) : null}
      </div>
      {isChanging ? <p className="text-sm">{w.entry.pressWhatYouWantTo}</p> : null}
      {GROUPS.map((group) => {
        const inGroup = own.filter((one) => one.group === group);
        if (inGroup.length === 0) return null;
        return (
          <section key={group} aria-label={groupNames(w)[group]}>
            <h2 className="mb-1 text-sm font-semibold">{groupNames(w)[group]}</h2>
            <ul className="flex flex-col">
              {inGroup.map((one) => (
                <li key={one.name}>
                  <button
                    type="button"
                    data-key={one.name}
                    className="flex min-h-8 w-full cursor-pointer items-center gap-2 rounded px-1 text-left text-sm hover:bg-base-200"
                    onClick={() => (isChanging ? onAsk(one.name) : onAction(one.action))}
                  >
                    <kbd
                      className={`kbd kbd-sm min-w-8 shrink-0 ${isOn(view, one) ? 'bg-primary text-primary-content' : ''}`}
                    >
                      {asked === one.name ? '…' : printedKey(one.key)}
                    </kbd>
                    <span>{one.does}</span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
});

/** Fingers and their rests stand in the table of rows. */
function isInRows(action: EntryAction): boolean {
  return action.kind === 'finger' || action.kind === 'rest';
}

/** What has been said of the next note is seen at its key. */
function isOn({ next, triplet, moving, mode, length, hands, caret }: EntryView, { action }: EntryKey): boolean {
  switch (action.kind) {
    case 'alter':
      return next.alter === action.alter;
    case 'join':
      return next.joins === action.as;
    case 'reach':
      return next.letters * action.letters > 0;
    case 'octave':
      return next.octaves * action.octaves > 0;
    case 'triplet':
      return triplet === 'on';
    case 'move':
      return moving !== null;
    case 'mode':
      return mode === 'between';
    case 'length':
      return length === action.quarters;
    case 'open-hand':
      return hands[caret.hand].openBy > 0;
    default:
      return false;
  }
}

/** Waits for the new key of something. A key that is for something else already is told of and not taken. */
function useAskedKey(
  asked: string | null,
  keys: readonly EntryKey[],
  chosen: readonly ChosenKey[],
  onAsk: (name: null) => void,
): void {
  const w = useWords();
  const { say } = useMessages();
  useEffect(() => {
    if (asked === null) return;
    const listen = (event: KeyboardEvent): void => {
      if (['Shift', 'Control', 'Alt', 'Meta', 'AltGraph', 'CapsLock', 'Tab'].includes(event.key)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const pressed = pressedKey(event);
      onAsk(null);
      if (pressed === 'Escape') return;
      const taken = takenBy(keys, asked, pressed);
      if (taken) {
        say({
          kind: 'trouble',
          text: w.entry.isForSomethingElse(printedKey(pressed), taken.does),
          hint: w.entry.changeThatFirstOrChoose,
        });
        return;
      }
      const others = chosen.filter(({ deed: action }) => action !== asked);
      const usual = entryKeys(w).find(({ name }) => name === asked);
      void keepKeys(
        usual?.key === pressed ? others : [...others, { deed: asked, key: pressed }],
        w.entry.keyFor(printedKey(pressed), usual?.does ?? asked),
      );
    };
    window.addEventListener('keydown', listen, { capture: true });
    return () => window.removeEventListener('keydown', listen, { capture: true });
  }, [w, asked, keys, chosen, onAsk, say]);
}

async function keepKeys(entryKeys: readonly ChosenKey[], label: string): Promise<void> {
  await change({ kind: 'settings.change', change: { entryKeys: [...entryKeys] } }, label);
}
