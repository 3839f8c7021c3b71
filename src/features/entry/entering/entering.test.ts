import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { troublesIn } from '../../../../tests/support/lives-through';
import { rounds } from '../../../../tests/support/rounds';
import { enteringWorld, type EnteringWorld } from '../../../../tests/support/entering-histories';
import type { EnteringTab } from '../../../../tests/support/entering-tabs';
import { contents, does, turns } from '../../../../tests/support/studio';
import { until } from '../../../../tests/support/until';
import type { ScreenCommand } from '@/contract/entry-questions';
import type { Entering } from './entering-parts';

let world: EnteringWorld;
let tabs: EnteringTab[] = [];

beforeEach(async () => {
  world = await enteringWorld(() => new Promise((resolve) => setImmediate(resolve)));
  tabs = [];
});
afterEach(async () => {
  await Promise.all(tabs.map((tab) => tab.close()));
  await world.database.delete();
});

const finger = (digit: number): ScreenCommand => ({ kind: 'finger', finger: digit as 1, row: 'beat' });
const types = ({ entering }: EnteringTab, keys: string): void =>
  [...keys].forEach((key) => entering.press(finger(Number(key))));
/** How many steps a tab shows, and whether it shows them as kept. */
const shown = ({ state }: Entering): readonly [steps: number | undefined, kept: string] => [
  state().view?.done.length,
  state().kept.kind,
];
const stored = (): Promise<number> =>
  world.database.history.filter(({ kind, state }) => kind === 'entered' && state === 'done').count();

/** A tab in which the piece is open and shown. */
async function opensTab(): Promise<EnteringTab> {
  const tab = world.open();
  tabs.push(tab);
  await tab.entering.settled();
  return tab;
}

/** Waits until a tab shows so many steps, all of them kept. */
const shows = (tab: EnteringTab, steps: number): Promise<void> =>
  until(() => shown(tab.entering).join(), `${steps},kept`);

describe('one piece in two tabs', () => {
  it('sixteen keys in one are seen in the other, and ten keys there come after them: all are in the store', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    q.entering.press({ kind: 'walk', by: 1, to: 'end' });
    types(q, '1234512345123451');
    await shows(q, 16);
    await shows(p, 16);
    types(p, '1234512345');
    await shows(p, 26);
    expect(await stored()).toBe(26);
    await shows(q, 26);
  });

  it('keys in both at the same time all count, each once', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    for (let i = 0; i < 10; i += 1) {
      p.entering.press({ kind: 'insert-bar' });
      q.entering.press({ kind: 'insert-bar' });
    }
    await shows(p, 20);
    await shows(q, 20);
    expect([await stored(), await world.bars()]).toEqual([20, 22]);
  });

  it('the second goes on where the first stood: with its caret, its hands and its lengths', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    // Both stand at the first note; the first enters over two of the three, with its hand moved to G and half notes by letters.
    types(p, '5');
    p.entering.press({ kind: 'seat-letter', letter: 'G' });
    types(p, '1');
    await p.entering.settled();
    types(q, '2');
    await q.entering.settled();
    expect(q.entering.state().view).toMatchObject({ notes: expect.any(Number), hands: { right: { name: 'G4' } } });
    expect(q.entering.state().view?.done.map((words) => words.split(',')[0])).toEqual([
      'G4 with 5',
      'G4 with 1',
      'A4 with 2',
    ]);
  });

  it('a tab that nobody sees is brought up to date once it is looked at', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    p.setSeen(false);
    types(q, '123');
    await shows(q, 3);
    expect(shown(p.entering)[0]).toBe(0);
    p.setSeen(true);
    await shows(p, 3);
  });

  it('is told where the other tab is, until that one is left', async () => {
    const p = await opensTab();
    const q = await opensTab();
    expect([p, q].map(({ entering }) => entering.state().isElsewhere)).toEqual([false, true]);
    await p.close();
    tabs = [q];
    await until(() => q.entering.state().isElsewhere, false);
  });

  it('what a tab cannot write for want of room stays its own: the other is told, and enters nothing', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    types(p, '1');
    await shows(p, 1);
    p.setRoom('full');
    types(p, '2');
    await until(() => p.entering.state().kept.kind, 'waiting');
    types(q, '3');
    await until(() => q.told.at(-1), 'held-elsewhere');
    p.setRoom('room');
    await shows(p, 2);
    await shows(q, 2);
    types(q, '3');
    await shows(q, 3);
  });

  it('a tab that sleeps loses the lock to one that is typed in', async () => {
    const [p, q] = [await opensTab(), await opensTab()];
    types(p, '1');
    await shows(p, 1);
    p.freeze(true);
    types(q, '23');
    await shows(q, 3);
    p.freeze(false);
    types(p, '4');
    await shows(p, 4);
  });
});

describe('a piece that is changed past the keys', () => {
  it('restored to music that this tab knows: the first key after it counts there, and it is explained', async () => {
    const tab = await opensTab();
    types(tab, '12');
    await shows(tab, 2);
    const older = await contents(world.database);
    types(tab, '345');
    await shows(tab, 5);
    await does(
      world.database,
      { kind: 'studio.take-in', contents: older, how: 'replace', file: 'studio' },
      'restore',
      'elsewhere',
    );
    types(tab, '3');
    await shows(tab, 1);
    expect(tab.told).toEqual(['changed-elsewhere']);
    expect(String((await world.database.pieces.get('tune'))?.musicXml)).not.toBe(older.pieces[0]);
  });

  it('taken off the shelf: it is told, and shown again once Undo brings it back', async () => {
    const tab = await opensTab();
    types(tab, '12');
    await shows(tab, 2);
    await does(world.database, { kind: 'piece.remove', id: 'tune' }, 'remove', 'shelf');
    await until(() => tab.entering.state().trouble, 'gone');
    await turns(world.database, 'undo', 'shelf');
    await until(() => tab.entering.state().trouble, null);
    types(tab, '3');
    await shows(tab, 3);
  });
});

describe('“kept”', () => {
  it('is said of nothing that waits for room, and of all of it once it is written', async () => {
    const tab = await opensTab();
    tab.setRoom('full');
    types(tab, '123');
    await until(() => shown(tab.entering).join(), '3,waiting');
    expect(await stored()).toBe(0);
    tab.setRoom('room');
    await shows(tab, 3);
    expect(await stored()).toBe(3);
  });

  it('names the edition that the store has', async () => {
    const tab = await opensTab();
    types(tab, '1');
    await shows(tab, 1);
    expect(tab.entering.state().kept).toEqual({ kind: 'kept', edition: await world.edition() });
  });
});

describe('a worker that is started anew', () => {
  it('goes on where it was, with the keys that were on their way, each once', async () => {
    const tab = await opensTab();
    types(tab, '12');
    await shows(tab, 2);
    tab.loseAnswer();
    types(tab, '34');
    tab.killWorker();
    types(tab, '5');
    await shows(tab, 5);
    expect(tab.told).toEqual([]);
  });

  it('reads ABC on in place of what was read before', async () => {
    const tab = await opensTab();
    tab.entering.press({ kind: 'walk', by: 1, to: 'end' });
    expect(await tab.entering.abc('C D')).toBeNull();
    await tab.entering.settled();
    const { notes } = tab.entering.state().view as { readonly notes: number };
    tab.killWorker();
    expect(await tab.entering.abc('C D E')).toBeNull();
    await shows(tab, 1);
    expect(tab.entering.state().view?.notes).toBe(notes + 1);
  });
});

describe('histories of entering one piece in two tabs', () => {
  it('show as kept only what the store holds, lose nothing that was pressed without a word, and come to rest as the store is', async () => {
    expect(await troublesIn('entering', rounds(60, 5000))).toEqual([]);
  }, 1_800_000);
});
