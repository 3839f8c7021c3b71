import { NOTHING_SHOWN, type EnteringState } from './entering-parts';
import { sameSystems } from './same-systems';

/** What is shown of entering, and who is told when it changes. `kept` says what of it the store has. */
export function createScreenState(kept: () => EnteringState['kept']) {
  let state = NOTHING_SHOWN;
  const listeners = new Set<() => void>();
  return {
    state: (): EnteringState => state,
    listen: (listener: () => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    publish: (change: Partial<EnteringState> = {}): void => {
      const view = change.view && sameSystems(state.view, change.view);
      state = { ...state, ...change, ...(view ? { view } : {}), kept: kept() };
      listeners.forEach((listener) => listener());
    },
  };
}
