import type { Change, History } from './history';

/** One change of a history as it is kept: its place in the order in which things were done, whether it is done or was taken back, and itself as text. */
export interface KeptChange {
  readonly number: number;
  readonly state: 'done' | 'undone';
  readonly change: string;
}

/** All changes in the order in which they were done. */
function inOrder<C>(
  history: History<C>,
): readonly { readonly state: KeptChange['state']; readonly change: Change<C> }[] {
  return [
    ...history.done.map((change) => ({ state: 'done' as const, change })),
    ...history.undone.toReversed().map((change) => ({ state: 'undone' as const, change })),
  ];
}

/** What has to be kept anew after a history went on from another: the changes that are new or were turned, and how many there are now. */
export function keptSince<C>(
  before: History<C>,
  now: History<C>,
): { readonly changed: readonly KeptChange[]; readonly count: number } {
  const [old, fresh] = [inOrder(before), inOrder(now)];
  const changed = fresh.flatMap(({ state, change }, number) =>
    old[number]?.change === change ? [] : [{ number, state, change: JSON.stringify(change) }],
  );
  return { changed, count: fresh.length };
}

/** The history that was kept; null where it is damaged. `isCaret` checks what only the editor knows. */
export function historyOf<C>(kept: readonly KeptChange[], isCaret: (value: unknown) => value is C): History<C> | null {
  const ordered = kept.toSorted((a, b) => a.number - b.number);
  const changes = ordered.map(({ state, change }) => ({ state, change: changeOf(change, isCaret) }));
  const isWhole = ordered.every(({ number }, i) => number === i) && changes.every(({ change }) => change !== null);
  // What was taken back comes after everything that is done.
  const firstUndone = changes.findIndex(({ state }) => state === 'undone');
  const isOrdered = firstUndone < 0 || changes.slice(firstUndone).every(({ state }) => state === 'undone');
  if (!isWhole || !isOrdered) return null;
  const of = (wanted: KeptChange['state']): readonly Change<C>[] =>
    changes.flatMap(({ state, change }) => (state === wanted && change ? [change] : []));
  return { done: of('done'), undone: of('undone').toReversed() };
}

function changeOf<C>(text: string, isCaret: (value: unknown) => value is C): Change<C> | null {
  try {
    const value: unknown = JSON.parse(text);
    return isChange(value, isCaret) ? value : null;
  } catch {
    return null;
  }
}

function isChange<C>(value: unknown, isCaret: (value: unknown) => value is C): value is Change<C> {
  if (!isRecord(value)) return false;
  const { label, atMs, steps, caret } = value;
  return (
    isRecord(label) &&
    typeof label['code'] === 'string' &&
    typeof atMs === 'number' &&
    Array.isArray(steps) &&
    steps.every(isStep) &&
    isCaret(caret)
  );
}

function isStep(value: unknown): boolean {
  if (!isRecord(value)) return false;
  if (value['kind'] === 'set-document')
    return typeof value['title'] === 'string' && typeof value['composer'] === 'string' && isRecord(value['document']);
  return (
    value['kind'] === 'replace-bars' &&
    Number.isInteger(value['at']) &&
    Number.isInteger(value['remove']) &&
    Array.isArray(value['put'])
  );
}

function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}
