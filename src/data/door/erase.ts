import { ok, type Result } from '@/core/base';
import type { StudioDatabase } from '../database';
import { DESK } from '../records/desk';
import { FORM } from '../records/form';
import { heldIn, isPlain } from '../records/field';
import { understoodRecord } from '../records/understand';
import { applied } from './apply';
import type { StoreFault } from './commands';
import { inTransaction } from './door';
import { putAll } from './writing';
import { viewOf } from './view';
import { everythingOf } from './wanted-pupil';

/**
 * Removes everything of a pupil for good: what the studio holds, what its history holds to take back, what is known of other devices, and what was set aside. There is no way
 * back. A pupil who was taken out before, and of whom only the history still knows, goes too.
 */
export async function erasePupil(database: StudioDatabase, pupil: string): Promise<Result<null, StoreFault>> {
  return inTransaction(database, async () => {
    const view = viewOf(database);
    const wanted = await everythingOf(view, pupil);
    if (wanted.ok) {
      const change = await applied(view, wanted.value, 'as it is');
      if (!change.ok) return change;
      await putAll(database, change.value.records);
    }
    // Names are random and long: whatever holds one is about that pupil.
    const isAbout = (value: unknown): boolean => JSON.stringify(value).includes(JSON.stringify(pupil).slice(1, -1));
    const edits = await database.changes.filter(isAbout).primaryKeys();
    const heads = await database.history.filter(isAbout).primaryKeys();
    const numbers = [...new Set([...edits, ...heads])];
    await database.history.bulkDelete(numbers);
    await database.changes.bulkDelete(numbers);
    await database.stamps.filter(isAbout).delete();
    await database.aside.filter(isAbout).delete();
    await database.digests.delete(pupil);
    await database.briefs.delete(pupil);
    await forgetOnDesk(database, pupil);
    return ok(null);
  });
}

async function forgetOnDesk(database: StudioDatabase, pupil: string): Promise<void> {
  const desk = await database.kept.get('desk');
  if (heldIn(desk, ['value', 'pupil']) !== pupil || !isPlain(desk?.value)) return;
  const value = { ...desk.value, pupil: null };
  if (understoodRecord(DESK, value)) await database.kept.put({ id: 'desk', form: FORM, value });
}
