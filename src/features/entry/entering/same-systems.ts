import equal from 'fast-deep-equal';
import type { EntryView, SystemPage } from '@/core/views';

/** A view in which lines that say what they said before are the same objects as before: they are not engraved anew. */
export function sameSystems(before: EntryView | null, now: EntryView): EntryView {
  return before ? { ...now, systems: now.systems.map((system, i) => sameSystem(before.systems[i], system)) } : now;
}

function sameSystem(before: SystemPage | undefined, now: SystemPage): SystemPage {
  if (!before || before.page.musicXml !== now.page.musicXml) return now;
  return equal(before.open, now.open) && before.to === now.to ? before : { ...now, page: before.page };
}
