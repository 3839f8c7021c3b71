import { describe, expect, it } from '@jest/globals';
import type { EntryStore, PieceToEnter } from '@/data';
import { newPiece } from '../../../../tests/support/studio';
import { until } from '../../../../tests/support/until';
import { createKeeper } from './keeper';

const FOUND = {
  piece: { ...newPiece('tune'), edition: 'first' },
  typing: null,
  steps: [],
  base: '#',
  stretch: 1,
} as unknown as PieceToEnter;

const ONE_KEY = {
  entered: { musicXml: '<score-partwise/>', changed: [], count: 1, state: '1/1' },
  typing: '{}',
  upTo: 1,
} as const;

/** A store whose music was changed in another tab, and that is slow to say what it holds now. */
function changedStore(): { readonly store: EntryStore; readonly say: (edition: string) => void } {
  let say: (edition: string) => void = () => undefined;
  const said = new Promise<string>((resolve) => (say = resolve));
  const store: EntryStore = {
    open: () => Promise.resolve(FOUND),
    enter: () => Promise.resolve({ ok: false, error: { code: 'store.music-changed', id: 'tune' } }),
    edition: () => said,
    noteCaret: () => Promise.resolve(),
    isWaiting: () => false,
    watch: () => () => undefined,
  };
  return { store, say };
}

describe('what is refused, since the music was changed elsewhere', () => {
  it('does not count as kept while the store is asked what it holds', async () => {
    const { store, say } = changedStore();
    const said: string[] = [];
    const keeper = createKeeper('tune', store, {
      changed: () => said.push(keeper.kept().kind),
      ended: ({ kind }) => said.push(`ended: ${kind}`),
    });
    keeper.begin(FOUND, 0);
    expect(keeper.kept()).toEqual({ kind: 'kept', edition: 'first' });
    keeper.keep(ONE_KEY);
    for (let turn = 0; turn < 20; turn += 1) {
      await Promise.resolve();
      expect(keeper.kept()).toEqual({ kind: 'keeping' });
    }
    say('another');
    await until(() => said.join(), 'ended: elsewhere,keeping,keeping');
    expect(keeper.keptUpTo()).toBe(0);
  });
});
