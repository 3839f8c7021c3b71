import { element, type XmlElement } from '../xml';
import type { Part, Score } from '../score';
import { changeEntry, type EntryAt } from './entry-edits';
import { withSlurs } from './make-entry';
import { notationsOf } from './note-xml';
import { openBar, type Entry } from './open-bar';

/** Begins a slur at an entry, or ends there the one that is open in its voice. At the entry where one begins it goes again. */
export function toggleSlur(
  score: Score,
  part: Part,
  at: EntryAt,
): { readonly score: Score; readonly is: 'begun' | 'ended' | 'off' } {
  const open = openSlurBefore(part, at);
  const own = slursOf(
    openBar(part.measures[at.bar] as Part['measures'][number]).voices.find(
      (one) => one.staff === at.staff && one.voice === at.voice,
    )?.entries[at.index],
  );
  const begun = own.find(({ attributes }) => attributes['type'] === 'start');
  if (open === null && begun)
    return {
      score: changeEntry(score, at, (entry) => withSlurs(entry, (all) => all.filter((slur) => slur !== begun))),
      is: 'off',
    };
  const slur = element('slur', { type: open === null ? 'start' : 'stop', number: open ?? String(freeNumber(part)) });
  return {
    score: changeEntry(score, at, (entry) => withSlurs(entry, (all) => [...all, slur])),
    is: open === null ? 'begun' : 'ended',
  };
}

/** The number of the slur that was begun before an entry in its voice and has not ended there yet; null where there is none. */
function openSlurBefore(part: Part, at: EntryAt): string | null {
  const open: string[] = [];
  for (const measure of part.measures.slice(0, at.bar + 1)) {
    const voice = openBar(measure).voices.find((one) => one.staff === at.staff && one.voice === at.voice);
    const entries = (voice?.entries ?? []).slice(0, measure.index === at.bar ? at.index : undefined);
    for (const { attributes } of entries.flatMap(slursOf)) {
      const number = attributes['number'] ?? '1';
      if (attributes['type'] === 'start') open.push(number);
      if (attributes['type'] === 'stop' && open.includes(number)) open.splice(open.indexOf(number), 1);
    }
  }
  return open.at(-1) ?? null;
}

/** A number that no slur of the part has that is still open somewhere: numbers tell overlapping slurs apart, whatever their voice. */
function freeNumber(part: Part): number {
  const open = new Set<string>();
  for (const note of part.measures.flatMap(({ items }) =>
    items.flatMap((item) => (item.kind === 'note' ? [item] : [])),
  )) {
    for (const { name, attributes } of notationsOf(note.xml)) {
      if (name !== 'slur') continue;
      if (attributes['type'] === 'start') open.add(attributes['number'] ?? '1');
      else open.delete(attributes['number'] ?? '1');
    }
  }
  return [1, 2, 3, 4, 5, 6].find((number) => !open.has(String(number))) ?? 1;
}

function slursOf(entry: Entry | undefined): readonly XmlElement[] {
  return (entry?.notes ?? []).flatMap((note) => notationsOf(note.xml)).filter(({ name }) => name === 'slur');
}
