import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { does, emptyStudio, newPiece } from '../../../tests/support/studio';
import type { StudioDatabase } from '../database';
import type { EnterCommand } from '../door/commands';
import { pieceById } from '../reading';
import { createStoreService } from './store-service';

let studio: StudioDatabase;
beforeEach(async () => {
  studio = emptyStudio();
  await does(studio, { kind: 'piece.add', pieces: [newPiece('a')] });
});
afterEach(() => studio.delete());

const NOTE: EnterCommand = {
  kind: 'piece.enter',
  id: 'a',
  from: null,
  base: null,
  state: '1/7',
  stretch: 1,
  musicXml: '<music/>',
  changed: [{ number: 0, state: 'done', change: '{}', words: 'a note' }],
  count: 1,
};
const DEED = { tab: 'one', label: '', atMs: 7 };

describe('the storing worker', () => {
  it('keeps what was entered, and refuses what goes on from another state, as a value', async () => {
    const service = createStoreService(studio);
    expect(await service.ready()).toEqual({ ok: true, value: null });
    expect(await service.enter(NOTE, DEED)).toMatchObject({ ok: true, value: { ok: true } });
    expect((await pieceById(studio, 'a'))?.edition).toBe('#1/7');
    expect(await service.enter(NOTE, DEED)).toMatchObject({
      ok: true,
      value: { ok: false, error: { code: 'store.music-changed' } },
    });
  });

  it('does nothing for a message that no screen of ours sends', async () => {
    const service = createStoreService(studio);
    expect(await service.enter({ ...NOTE, kind: 'piece.remove' } as never, DEED)).toMatchObject({
      ok: false,
      trouble: { code: 'worker.question' },
    });
    expect(await service.enter({ ...NOTE, changed: [{ number: -1 }] } as never, DEED)).toMatchObject({
      ok: false,
      trouble: { code: 'worker.question' },
    });
    expect((await pieceById(studio, 'a'))?.musicXml).toBe('<score-partwise/>');
  });
});
