import { describe, expect, it } from '@jest/globals';
import { troublesIn } from '../../../tests/support/lives-through';
import { rounds } from '../../../tests/support/rounds';

describe('histories of two tabs, with undo, redo, closed tabs and crashes', () => {
  it('keep what was acknowledged, have nothing half done, change no field that was not named, and go back to the start', async () => {
    expect(await troublesIn('studio', rounds(300, 5000))).toEqual([]);
  }, 600_000);
});
