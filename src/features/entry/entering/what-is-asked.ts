import type { Grid, PlayedKey } from '@/core/read';
import type { ScreenCommand } from '@/contract/entry-questions';
import type { Trouble } from '@/contract/answer';
import type { Ask } from './asks';

/** What a worker answers that has no piece open: it was started anew. */
export const CLOSED = 'entry.closed';

type Asked = Omit<Ask, 'number'>;

const nothing = (): void => undefined;

/** A key. What is to be taken back, or done again, is a step of the music as it is now. */
export function keyPress(command: ScreenCommand): Asked {
  const isTurn = command.kind === 'undo' || command.kind === 'redo';
  const again = isTurn ? 'in the same music' : 'in any music';
  return { send: (worker, atMs) => worker.press(command, atMs), again, drop: nothing };
}

/** Keys that were played in time. */
export function playedKeys(keys: readonly PlayedKey[], msPerQuarter: number, grid: Grid): Asked {
  return {
    send: (worker, atMs) => worker.played(keys, msPerQuarter, grid, atMs),
    again: 'in any music',
    drop: nothing,
  };
}

/** ABC as it is written; what is wrong with it is told once it is read, null where nothing is or where it is not read at all. */
export function abcReading(
  text: string,
  told: { readonly begins: () => void; readonly read: (trouble: Trouble | null) => void },
): Asked {
  const send: Ask['send'] = async (worker, atMs) => {
    told.begins();
    const answer = await worker.abc(text, atMs);
    if (!answer.ok) {
      if (answer.trouble.code !== CLOSED) told.read(answer.trouble);
      return answer;
    }
    told.read(answer.value.trouble);
    return { ok: true, value: answer.value.pressed };
  };
  return { send, again: 'in the same music', drop: () => told.read(null) };
}
